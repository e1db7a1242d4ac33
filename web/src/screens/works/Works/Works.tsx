import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { taskFileUrl } from "../../../api/tasks";
import { beginWork, type Work, type WorkRow, worksQuery } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Button } from "../../../ui/Button";
import { NumberField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, shapeOf, text } from "../../../ui/form/shape";
import { shownIn } from "../../../ui/form/units";
import { useForm } from "../../../ui/form/useForm";
import { counted } from "../../../ui/numbers";
import { Empty, PageHead } from "../../../ui/Section";
import { useKeys } from "../../../ui/useKeys";
import { inWords } from "../../../ui/words";
import { sizeOf } from "../../../frame/works/words";

const SHAPE = shapeOf("WorkBegin", {
  name: text("Name"),
  width_mm: length("Width of the print"),
  height_mm: length("Height of the print"),
});

/** The works: several plates making one print, several layers on one sheet. */
export function Works() {
  const { room } = useHere();
  const [away, setAway] = useState(false);
  const { data, error } = useQuery(worksQuery(room, away));
  const [open, setOpen] = useState(false);
  useKeys({ n: () => setOpen(true) });
  if (!data)
    return (
      <Asking error={error}>
        <PageHead title="Works" />
      </Asking>
    );
  const none = data.items.length === 0;
  return (
    <>
      <PageHead title={away ? "Works put away." : titleOf(data.items)}>
        <Button look="quiet" onClick={() => setAway(!away)}>
          {away ? "Works in hand" : "Put away"}
        </Button>
        {open || none || away ? null : (
          <Button look="strong" onClick={() => setOpen(true)}>
            Begin a work
          </Button>
        )}
      </PageHead>
      {open ? <Begin close={() => setOpen(false)} /> : null}
      {none && away ? <p className="mt-3">None is put away.</p> : null}
      {none && !open && !away ? (
        <Empty title="No print from several plates or layers yet">
          <p>
            A work is one print from two to six plates, or a sheet with layers: monotype, stencil,
            relief roll, chine collé. Its order, its register and its numbers are kept here. Three
            minutes.
          </p>
          <Button look="strong" onClick={() => setOpen(true)}>
            Begin a work
          </Button>
        </Empty>
      ) : null}
      <ul className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-6">
        {data.items.map((each) => (
          <Card key={each.id} work={each} />
        ))}
      </ul>
    </>
  );
}

function titleOf(rows: WorkRow[]): string {
  const signed = rows.reduce((sum, each) => sum + each.signed, 0);
  if (rows.length === 0) return "Works";
  const count = inWords(rows.length);
  const said = rows.length === 1 ? "work" : "works";
  return `${count.charAt(0).toUpperCase()}${count.slice(1)} ${said}, ${counted(signed, "sheet")} signed.`;
}

function Card({ work }: { work: WorkRow }) {
  const { room, me } = useHere();
  return (
    <li>
      <Link to={`/r/${room}/works/${work.id}`} className="group block">
        <span
          className="grid place-items-center overflow-hidden border-[1.5px] border-ink bg-paper-lift"
          style={{ aspectRatio: `${work.width_mm} / ${work.height_mm}` }}
        >
          {work.preview ? (
            <img
              src={taskFileUrl(room, work.preview, 1)}
              alt={`How ${work.name} prints`}
              className="size-full object-contain"
            />
          ) : (
            <span className="note">no preview yet</span>
          )}
        </span>
        <b className="mt-2 block font-slab text-h3 group-hover:underline">{work.name}</b>
      </Link>
      <span className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
        {work.layers.map((name, i) => (
          <span key={name} className="flex items-center gap-1.5">
            <span
              aria-hidden="true"
              className="size-3.5 border border-ink"
              style={{ background: work.hexes[i] }}
            />
            {name}
          </span>
        ))}
      </span>
      <span className="note">
        {sizeOf(work.width_mm, work.height_mm, me)}
        {work.called ? `, ${work.called}` : ""}, {counted(work.sheets, "sheet")}, {work.signed}
        {work.unique ? " signed" : ` of ${work.size} numbered`}
      </span>
    </li>
  );
}

type Read = { name: string; width_mm: number; height_mm: number };

function Begin({ close }: { close: () => void }) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const navigate = useNavigate();
  const shown = (name: string, mm: number) => {
    const field = SHAPE.fields[name];
    return field ? shownIn(field, mm, me, 2) : "";
  };
  const form = useForm<Read, Work>(SHAPE, {
    keepAs: `${room} new work`,
    start: { name: "", width_mm: shown("width_mm", 200), height_mm: shown("height_mm", 150) },
    send: (read, { id }) => beginWork(room, { ...read, id }),
    done: async (work) => {
      await client.invalidateQueries({ queryKey: [room, "works"] });
      navigate(`/r/${room}/works/${work.id}/layers`);
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="mt-3 grid max-w-140 gap-3">
      <h2 className="text-h3">A new work</h2>
      <TextField form={form} name="name" />
      <div className="flex flex-wrap gap-5">
        <NumberField form={form} name="width_mm" />
        <NumberField form={form} name="height_mm" />
      </div>
      <FormFoot form={form} submit="Begin it">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}
