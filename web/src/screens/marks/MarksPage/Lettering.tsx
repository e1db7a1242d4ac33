import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import type { Marks } from "../../../api/marks";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { useKeepMarks } from "../../../frame/useKeepMarks";

const SHAPE = shapeOf("MarksIn", {
  words: text("The words, as they shall read", { optional: true }),
});

/** Lettering read letter by letter: as it stands on the plate, from its left. */
export function Lettering({ marks }: { marks: Marks }) {
  const [open, setOpen] = useState(false);
  const told = marks.lettering;
  const asks = marks.kind === "engraving" || told;
  if (!asks && !open)
    return (
      <p className="mt-4">
        <Button look="quiet" onClick={() => setOpen(true)}>
          There is lettering on this plate
        </Button>
      </p>
    );
  return (
    <Section>
      <span className="flex items-baseline gap-3">
        <h2 className="mr-auto text-h3">{answer(marks)}</h2>
        {told && !open ? (
          <Button look="row" onClick={() => setOpen(true)}>
            Other words
          </Button>
        ) : null}
      </span>
      {open || !told ? (
        <Words marks={marks} close={() => setOpen(false)} />
      ) : (
        <Letters marks={marks} />
      )}
    </Section>
  );
}

function answer(marks: Marks): string {
  const told = marks.lettering;
  if (!told) return "Is there lettering?";
  const letters = told.letters.filter((each) => each.letter !== " ");
  const left = letters.filter((each) => !marks.letters_checked.includes(each.place)).length;
  if (left === 0) return "Every letter was read in the mirror.";
  return left === 1 ? "One letter is not read yet." : `${left} letters are not read yet.`;
}

function Words({ marks, close }: { marks: Marks; close: () => void }) {
  const keep = useKeepMarks(marks);
  const form = useForm<{ words?: string }, Marks>(SHAPE, {
    version: marks.version,
    start: { words: marks.words },
    send: ({ words }, { version }) => keep({ words: words ?? "", letters_checked: [] }, version),
    done: close,
  });
  return (
    <form noValidate onSubmit={form.submit} className="grid max-w-140 gap-2">
      <TextField form={form} name="words" hint="What is cut the way it reads prints wrong." />
      <FormFoot form={form} submit="Show it mirrored" look="plain">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}

function Letters({ marks }: { marks: Marks }) {
  const keep = useKeepMarks(marks);
  const told = marks.lettering;
  const toggle = useMutation({
    mutationFn: (place: number) => {
      const checked = new Set(marks.letters_checked);
      if (!checked.delete(place)) checked.add(place);
      return keep({ letters_checked: [...checked].sort((a, b) => a - b) });
    },
  });
  if (!told) return null;
  return (
    <>
      <p className="note">{told.text} Look at each through a mirror, then touch it.</p>
      <ol className="my-2 flex flex-wrap gap-1.5">
        {told.letters.map(({ place, letter, turns }) =>
          letter === " " ? (
            <li key={place} className="w-4" />
          ) : (
            <li key={place}>
              <button
                type="button"
                aria-label={`${letter}, letter ${place}${turns ? ", turns in the mirror" : ""}`}
                aria-pressed={marks.letters_checked.includes(place)}
                disabled={toggle.isPending}
                onClick={() => toggle.mutate(place)}
                className="grid min-h-15 min-w-11 justify-items-center rounded-cut border-[1.5px] border-ink bg-paper-lift px-2 py-1 aria-pressed:bg-ink aria-pressed:text-paper-lift"
              >
                <b className="inline-block -scale-x-100 font-slab text-h1 leading-none">{letter}</b>
                <span className="text-note">{letter}</span>
              </button>
            </li>
          ),
        )}
      </ol>
      {told.easily_missed.length > 0 ? (
        <Care>Often cut wrong: {told.easily_missed.join("; ")}.</Care>
      ) : null}
      <Trouble error={toggle.error} />
    </>
  );
}
