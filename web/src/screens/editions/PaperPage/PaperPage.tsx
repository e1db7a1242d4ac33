import { useQuery } from "@tanstack/react-query";
import {
  type PaperPlan,
  paperCalendarUrl,
  paperPlanQuery,
  type Press,
  type PullState,
} from "../../../api/editions";
import { usePress } from "../../../device/usePress";
import type { Log } from "../../../device/useWaiting";
import { PaperClock } from "../../../figures/press/PaperClock";
import { SheetTorn } from "../../../figures/press/SheetTorn";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { useFollowed } from "../../../frame/useKeepMarks";
import { Asking } from "../../../ui/Asking";
import { Button, buttonLook } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Beside, Empty, Section } from "../../../ui/Section";
import { useSay } from "../../../ui/Toast";
import { shownLength } from "../../../ui/units";
import { PutIn } from "./PutIn";
import { Template } from "./Template";
import { With } from "./With";

/** The paper of a plate: how it is torn, what lies in the damp, when it must be out. */
export function PaperPage() {
  const { room, me } = useHere();
  const { plate } = usePlate();
  const seen = usePress(me.id, room, plate.id);
  const plan = useQuery(paperPlanQuery(room, plate.id));
  useFollowed(seen.press?.events.length ?? 0);
  if (!seen.press || !seen.state || !plan.data)
    return (
      <Asking error={seen.error ?? plan.error}>
        <h2>Paper</h2>
      </Asking>
    );
  return <Known press={seen.press} state={seen.state} plan={plan.data} log={seen.log} />;
}

type Props = { press: Press; state: PullState; plan: PaperPlan; log: Log };

function Known({ press, state, plan, log }: Props) {
  const { room } = useHere();
  const sheets = plan.sheets;
  return (
    <>
      <header className="flex min-h-14 flex-wrap items-center gap-3">
        <h2 className="text-h1 max-phone:text-h2">{answer(plan)}</h2>
        {state.batches.some((each) => each.left > 0) ? (
          <a
            className={`ml-auto ${buttonLook("plain")}`}
            href={paperCalendarUrl(room, press.id)}
            download
          >
            Alarms for my calendar
          </a>
        ) : null}
      </header>
      {plan.fault ? <Fault plan={plan} /> : null}
      <Beside side="wide" className="mt-2">
        <div className="min-w-0">
          <Damp state={state} log={log} again={press.paper?.damping.redamp ?? ""} />
          {sheets ? (
            <Section>
              <h2 className="text-h3">How a sheet is torn</h2>
              <Torn press={press} plan={plan} />
            </Section>
          ) : null}
          <Section>
            <h2 className="text-h3">Ink for {plan.impressions}</h2>
            <InkFor ink={plan.ink} name={press.ink?.name ?? ""} />
          </Section>
          <Section>
            <Template key={sheets?.piece_mm.join(" ")} press={press} sheets={sheets} />
          </Section>
        </div>
        <aside className="grid min-w-0 gap-5">
          <PutIn key={press.paper?.id} press={press} plan={plan} log={log} />
          <With key={press.version} press={press} />
        </aside>
      </Beside>
    </>
  );
}

function answer({ sheets, impressions }: PaperPlan): string {
  if (!sheets) return "This paper does not take the plate.";
  const buy = sheets.to_buy > 0 ? `${sheets.to_buy} to buy` : "all in the drawer";
  return `${sheets.sheets} ${sheets.sheets === 1 ? "sheet" : "sheets"} for ${impressions}: ${sheets.pieces_per_sheet} pieces each, ${buy}.`;
}

/** The least or the most, in the user's own unit. */
function Fault({ plan }: { plan: PaperPlan }) {
  const { me } = useHere();
  const fault = plan.fault;
  if (!fault) return null;
  const allowed = fault.allowed.replace(/\d+(\.\d+)?/g, (mm) => shownLength(Number(mm), me));
  return (
    <Care role="alert">
      {fault.text} {allowed ? `Allowed: ${allowed} ${me.length_unit}.` : ""}
    </Care>
  );
}

/** What lies in the damp, each with its clock; one touch takes a piece out or damps it again. */
function Damp({ state, log, again }: { state: PullState; log: Log; again: string }) {
  const { zone } = useHere();
  const say = useSay();
  const here = state.batches.filter((each) => each.left > 0);
  const told = (event: string, text: string) =>
    say({ text, undo: () => log({ kind: "undo", data: { event } }) });
  if (here.length === 0)
    return (
      <Empty title="No paper in the damp">
        <p>
          Damp paper takes the ink out of the lines; dry paper does not reach them. Put in what you
          will pull today: it tells when it is ready, and when it must be out.
        </p>
      </Empty>
    );
  return (
    <>
      <ul className="grid gap-4">
        {here.map((batch) => (
          <li key={batch.event} className="border-t-2 border-ink pt-2">
            <p className="flex flex-wrap items-baseline gap-x-3">
              <b className="font-slab text-h3">{batch.whose || "No name on it"}</b>
              <span className="note">
                {batch.left} of {batch.pieces} left
                {batch.redamped > 0 ? `, damped again ${batch.redamped} ×` : ""}
              </span>
              <span className="ml-auto flex gap-1">
                <Button
                  look="row"
                  onClick={() =>
                    told(
                      log({ kind: "paper-out", data: { batch: batch.event, pieces: 1 } }),
                      "One piece out. Blot it.",
                    )
                  }
                >
                  One out
                </Button>
                <Button
                  look="row"
                  onClick={() =>
                    told(
                      log({ kind: "paper-out", data: { batch: batch.event, pieces: null } }),
                      "All of it out.",
                    )
                  }
                >
                  All out
                </Button>
                <Button
                  look="row"
                  onClick={() =>
                    told(
                      log({ kind: "paper-redamped", data: { batch: batch.event } }),
                      "Damped again.",
                    )
                  }
                >
                  Damp again
                </Button>
              </span>
            </p>
            <PaperClock batch={batch} zone={zone} />
          </li>
        ))}
      </ul>
      {again ? <p className="note mt-1">For a second colour, damp again: {again}</p> : null}
    </>
  );
}

/** What is weighed out: for the first inking, for each next one, for all. */
function InkFor({ ink, name }: { ink: PaperPlan["ink"]; name: string }) {
  return (
    <>
      <p className="mt-1">
        <b className="num text-h2">{ink.total_g}</b> g in all{name ? `, ${name}` : ""}:{" "}
        <b className="num">{ink.first_g}</b> g for the first inking,{" "}
        <b className="num">{ink.next_g}</b> g for each next one.
      </p>
      {ink.parts.length > 0 ? (
        <p>{ink.parts.map((each) => `${each.name} ${each.grams} g`).join(", ")}.</p>
      ) : null}
      <p className="note mt-1">
        {ink.low_g} to {ink.high_g} g, a guess by the plate's size and the depth of its lines. Begin
        with half, mix more before it runs out.
      </p>
    </>
  );
}

function Torn({ press, plan }: { press: Press; plan: PaperPlan }) {
  const { me } = useHere();
  const sheets = plan.sheets;
  if (!sheets) return null;
  const mm = (value: number) => shownLength(value, me);
  const unit = me.length_unit;
  return (
    <div className="mt-2 flex flex-wrap items-start gap-6">
      <SheetTorn sheets={sheets} plate={[press.width_mm, press.height_mm]} />
      <div className="min-w-60 flex-1">
        <ol className="grid list-inside list-decimal gap-1.5">
          {sheets.goes.map((go) => (
            <li key={`${go.of_mm.join()} ${go.side} ${go.at_mm.join()}`}>
              {tearWords(go, mm, unit)}
            </li>
          ))}
        </ol>
        <p className="mt-2">
          Each piece {mm(sheets.piece_mm[0])} × {mm(sheets.piece_mm[1])} {unit}: margins{" "}
          {mm(sheets.margins_mm[0])} beside, {mm(sheets.margins_mm[1])} above.
        </p>
        <p className="note mt-1">
          {sheets.pieces_needed} pieces with those that will be spoiled, {sheets.spare} over. Tear
          against a steel rule, the better side up, damp along the fold.
        </p>
      </div>
    </div>
  );
}

const FOLDS: Record<number, string> = { 2: "halves", 3: "thirds", 4: "quarters", 8: "eighths" };
type Go = NonNullable<PaperPlan["sheets"]>["goes"][number];

/** One go of tearing, in the user's unit. */
function tearWords(go: Go, mm: (value: number) => string, unit: string): string {
  const axis = go.side === "width" ? 0 : 1;
  const side = `${mm(go.of_mm[axis])} ${unit} side`;
  if (go.equal > 0) {
    const part = go.of_mm.map((each, i) => mm(i === axis ? each / go.equal : each)).join(" × ");
    return `Fold the ${side} into ${FOLDS[go.equal] ?? `${go.equal} equal parts`} and tear: ${part} ${unit}.`;
  }
  const way = go.side === "width" ? "from the left" : "from the top";
  return `Tear the ${side} at ${mm(go.at_mm[0] ?? 0)} ${unit} ${way}.`;
}
