import type { PaperPlan, Press } from "../../../api/editions";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { NumberField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, type Shape, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";
import { wallClock } from "../../../ui/times";
import { useNow } from "../../../ui/useNow";

const MOST = 1000;
const LONGEST = 120;
const SHAPE: Shape = {
  fields: {
    pieces: { ...number("Pieces"), low: 1, high: MOST, needed: true },
    whose: { ...text("Whose"), longest: LONGEST },
  },
};
type Read = { pieces: number; whose: string };
const USUAL = { label: "soaked, soft sized", ready_seconds: 1200, latest_seconds: 7200 };

/** Put paper into the damp: the label says whose, in at, ready, out by. */
export function PutIn({ press, plan, log }: { press: Press; plan: PaperPlan; log: Log }) {
  const { me, zone } = useHere();
  const say = useSay();
  const now = useNow(10_000);
  const paper = press.paper;
  const damping = paper?.damping ?? USUAL;
  const form = useForm<Read, void>(SHAPE, {
    start: { pieces: String(Math.min(6, plan.sheets?.pieces_needed ?? 6)), whose: me.name },
    send: async ({ pieces, whose }) => {
      const event = log({
        kind: "paper-in",
        data: {
          paper: paper?.id ?? null,
          name: paper?.name ?? "",
          pieces: Math.round(pieces),
          school: paper?.school ?? "soft-soak",
          ready_seconds: damping.ready_seconds,
          latest_seconds: damping.latest_seconds,
          whose,
        },
      });
      say({
        text: `${Math.round(pieces)} in. Ready ${wallClock(now + damping.ready_seconds, zone)}.`,
        undo: () => log({ kind: "undo", data: { event } }),
      });
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="border-t-2 border-ink pt-3">
      <h2 className="text-h3">Put paper in</h2>
      <p className="mt-1">
        {paper ? <b>{paper.name}</b> : <Care>No paper chosen: as soft paper is soaked.</Care>}
        {paper ? `, ${damping.label}` : ""}: put in now, ready{" "}
        <b className="num">{wallClock(now + damping.ready_seconds, zone)}</b>, out by{" "}
        <b className="num text-ferric-deep">{wallClock(now + damping.latest_seconds, zone)}</b>.
      </p>
      <div className="mt-2.5 flex flex-wrap items-start gap-4">
        <NumberField form={form} name="pieces" />
        <TextField form={form} name="whose" />
      </div>
      <FormFoot form={form} submit="Paper in" />
    </form>
  );
}
