import { useQueryClient } from "@tanstack/react-query";
import { writeNote } from "../../../api/record";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { shapeOf, text } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm, useShape, useTyped } from "../../../ui/form/useForm";

type Props = { plate: string; corrects?: string; done?: () => void };

const shapeFor = (correction: boolean) => () =>
  shapeOf("NoteIn", {
    text: text(correction ? "What is right; the old entry stays" : "Write a note"),
  });

/** A note, or a correction of an entry; the old one stays. */
export function Note({ plate, corrects, done }: Props) {
  const { room } = useHere();
  const client = useQueryClient();
  const first = useFirstField();
  const correction = corrects !== undefined;
  const shape = useShape(shapeFor(correction), String(correction));
  const form = useForm<{ text: string }, unknown>(shape, {
    keepAs: `${room} note ${corrects ?? "new"}`,
    start: { text: "" },
    send: (read, { id }) =>
      writeNote(room, { id, ...read, plate: plate || null, corrects: corrects ?? null }),
    done: async () => {
      form.startAfresh();
      done?.();
      await client.invalidateQueries({ queryKey: [room, "record"] });
    },
  });
  const empty = useTyped(form, "text").trim() === "";
  return (
    <form
      ref={correction ? first : undefined}
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && done?.()}
      className="mt-2 mb-4 flex flex-wrap items-end gap-x-4"
    >
      <div className="min-w-65 flex-1">
        <TextField form={form} name="text" />
      </div>
      <FormFoot form={form} submit={correction ? "Correct it" : "Add"} disabled={empty}>
        {correction ? (
          <Button look="quiet" onClick={done}>
            Leave it
          </Button>
        ) : null}
      </FormFoot>
    </form>
  );
}
