import { useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { useFieldArray } from "react-hook-form";
import { type Chart, makeChart, type Test } from "../../../api/exposures";
import { FromFile } from "../../../frame/FromFile";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, text, time } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { type Form, useForm } from "../../../ui/form/useForm";
import { clock } from "../../../ui/times";
import { useSay } from "../../../ui/Toast";
import { PrintScan } from "./PrintScan";

const SHAPE = shapeOf("ChartIn", {
  name: text("Name"),
  screen_seconds: time("Screen it had"),
  image_seconds: time("Image it had"),
  "steps.*.lstar": number("Step #", { needed: true }),
});
const COUNTS = [11, 21, 31, 41, 51, 101, 256];
const USUAL = 21;
/** More are not typed one by one. */
const MOST_TYPED = 41;

type Step = { lstar: number };
type Read = { name: string; screen_seconds: number; image_seconds: number; steps: Step[] };
const blank = (count: number) => Array.from({ length: count }, () => ({ lstar: "" }));

/** A step chart that was printed by the test's pair: read from a scan, a file, or typed. */
export function KeepChart({ test, close }: { test: Test; close: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const doubts = useRef<(number | null)[]>([]);
  const pair = test.today ?? test.pair;
  const form = useForm<Read, Chart>(SHAPE, {
    keepAs: `${room} chart ${test.id}`,
    start: {
      name: `${USUAL} steps, ${test.name}`,
      screen_seconds: pair ? clock(pair.screen_seconds) : "",
      image_seconds: pair ? clock(pair.image_seconds) : "",
      steps: blank(USUAL),
    },
    send: ({ steps, ...read }, { id }) =>
      makeChart(room, {
        ...read,
        id,
        lamp: test.lamp,
        test: test.id,
        note: "",
        steps: steps.map(({ lstar }, n) => ({
          film: Number((n / (steps.length - 1)).toFixed(5)),
          lstar,
          spread: doubts.current[n] ?? null,
        })),
      }),
    done: async (made) => {
      await client.invalidateQueries({ queryKey: [room, "charts"] });
      close();
      say({ text: made.fault ? made.fault.text : `${made.name} is kept.` });
    },
  });
  const rows = useFieldArray({ control: form.hook.control, name: "steps" });
  const fill = (read: { lstar: number; spread?: number | null }[]) => {
    doubts.current = read.map((each) => each.spread ?? null);
    rows.replace(read.map(({ lstar }) => ({ lstar: lstar.toFixed(1) })));
  };
  return (
    <form
      ref={useFirstField()}
      noValidate
      onSubmit={form.submit}
      className="my-3 grid gap-3.5 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4"
    >
      <div className="flex flex-wrap items-start gap-4">
        <TextField form={form} name="name" />
        <NumberField form={form} name="screen_seconds" step={5} />
        <NumberField form={form} name="image_seconds" step={5} />
        <Count count={rows.fields.length} choose={(count) => rows.replace(blank(count))} />
      </div>
      <PrintScan
        test={test}
        what="chart"
        steps={rows.fields.length}
        hint="Flat, dry, bare paper all round. Say first how many steps it has."
        cell={(place) => `Step ${place + 1}`}
        onRead={({ steps }) => fill(steps)}
      />
      <FromFile onRead={fill} />
      <Steps form={form} ids={rows.fields.map((each) => each.id)} />
      <FormFoot form={form} submit="Keep the chart">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}

function Count({ count, choose }: { count: number; choose: (count: number) => void }) {
  const all = COUNTS.includes(count) ? COUNTS : [...COUNTS, count].sort((a, b) => a - b);
  return (
    <label>
      <span className="mb-1 block font-semibold">Steps</span>
      <select
        value={count}
        onChange={(event) => choose(Number(event.target.value))}
        className="min-h-9.5 rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12"
      >
        {all.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </select>
    </label>
  );
}

/** The tones from clear film to solid, each under its share of black. */
function Steps({ form, ids }: { form: Form; ids: string[] }) {
  if (ids.length > MOST_TYPED)
    return <p className="note">{ids.length} steps, from a scan or file.</p>;
  return (
    <fieldset>
      <legend className="font-semibold">L* of each step, by how black its film is</legend>
      <div className="mt-1.5 grid grid-cols-[repeat(auto-fill,minmax(92px,1fr))] gap-2">
        {ids.map((id, n) => (
          <div key={id}>
            <span aria-hidden="true" className="note num">
              {Math.round((100 * n) / (ids.length - 1))} %
            </span>
            <NumberField form={form} name={`steps.${n}.lstar`} step={0.5} bare />
          </div>
        ))}
      </div>
    </fieldset>
  );
}
