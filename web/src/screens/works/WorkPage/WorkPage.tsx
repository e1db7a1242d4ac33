import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import type { Work, WorkState } from "../../../api/works";
import { lastToTakeBack } from "../../../device/happened";
import { useWork } from "../../../device/useWork";
import type { Log } from "../../../device/useWaiting";
import type { Waiting } from "../../../device/waiting";
import { useHere } from "../../../frame/useHere";
import { answerOf } from "../../../frame/works/answer";
import { todoOf } from "../../../frame/works/todo";
import { useKeepWork } from "../../../frame/works/useKeepWork";
import { useNext, useWorkHands } from "../../../frame/works/useWorkHands";
import { stackSaid } from "../../../frame/works/words";
import { WorkTabs } from "../../../frame/works/WorkTabs";
import { Asking } from "../../../ui/Asking";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { CautionCard } from "../../../ui/CautionCard";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";
import { useUser } from "../../../ui/useUser";
import { Ghosts } from "./Ghosts";
import { Next } from "./Next";
import { Plates } from "./Plates";
import { Sheets } from "./Sheets";

/** A work: how its plates lie on each other, what is on each sheet, what to do next. */
export function WorkPage() {
  const { me, room } = useHere();
  const { work = "" } = useParams();
  const seen = useWork(me.id, room, work);
  if (!seen.work || !seen.state)
    return (
      <Asking error={seen.error}>
        <h1>Work</h1>
      </Asking>
    );
  return <Known work={seen.work} state={seen.state} log={seen.log} waiting={seen.waiting} />;
}

type Props = { work: Work; state: WorkState; log: Log; waiting: Waiting[] };

function Known({ work, state, log, waiting }: Props) {
  const { units } = useUser();
  const hands = useWorkHands(work, state, log);
  const [plate, choose] = useState<string | null>(null);
  const todo = todoOf(work, state);
  const next = useNext(todo, hands);
  const said = answerOf(work, state, units);
  const go = (by: number) => {
    const at = work.layers_out.findIndex((each) => each.id === plate);
    const next = work.layers_out[Math.max(0, Math.min(work.layers_out.length - 1, at + by))];
    if (next) choose(next.id);
  };
  const undo = () => {
    const last = lastToTakeBack(
      work.events as never,
      waiting.map((each) => each.event),
    );
    if (last) hands.undoLast(last.id);
  };
  useKeys({
    Space: (event) => {
      // on a button it presses that button
      if (event.target instanceof Element && event.target.closest("button, a, summary")) return;
      event.preventDefault();
      next();
    },
    z: undo,
    ArrowLeft: () => go(-1),
    ArrowRight: () => go(1),
  });
  const waits = waiting.filter((each) => !each.refused).length;
  return (
    <>
      <WorkTabs work={work} />
      <header className="mt-1 flex min-h-14 flex-wrap items-start gap-x-4 gap-y-2">
        <div className="min-w-0 flex-1 max-phone:basis-full">
          <h1 className="max-phone:text-far">{said.title}</h1>
          <p className="mt-1 text-lead">{said.text}</p>
        </div>
        <Next todo={todo} hands={hands} next={next} work={work} />
      </header>
      {waits > 0 ? (
        <Care className="mt-1">
          {waits} logged on this device wait for a line. They are kept, and count here already.
        </Care>
      ) : null}
      {(work.stack?.warnings ?? []).map((each) => (
        <Care key={`${each.code} ${each.layer}`} className="mt-1">
          {stackSaid(each, work, units)}
        </Care>
      ))}
      <OrderSaid work={work} />
      <Condition state={state} met={hands.met} />
      {work.layers_out.length > 0 ? (
        <Plates work={work} state={state} chosen={plate} choose={choose} hands={hands} />
      ) : null}
      <Ghosts work={work} state={state} hands={hands} />
      <Sheets work={work} state={state} hands={hands} log={log} />
      <Section className="print:hidden">
        <h2 className="text-h3">Take care</h2>
        <div className="mt-2 grid gap-3">
          {work.cautions.map((each) => (
            <CautionCard key={each.key} caution={each} />
          ))}
        </div>
      </Section>
    </>
  );
}

/** What the OK asks for, until somebody says that it is met. */
function Condition({ state, met }: { state: WorkState; met: (approval: string) => void }) {
  const { approved, condition } = state;
  if (!approved || !condition || state.conditions_met.includes(approved)) return null;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-3">
      <span>
        OK to print, only if <b>{condition}</b>.
      </span>
      <Button onClick={() => met(approved)}>It is met</Button>
    </p>
  );
}

/** An order that hides plates is said until another was chosen; a better one is one touch away. */
function OrderSaid({ work }: { work: Work }) {
  const keep = useKeepWork(work);
  const order = work.plates_order;
  const change = useMutation({ mutationFn: (names: string[]) => keep(inOrder(work, names)) });
  if (!order || order.keeps) return null;
  return (
    <div className="mt-1 flex flex-wrap items-center gap-3">
      <Care more={`Better: ${order.order.join(", ")}.`}>
        {order.warnings[0]?.text ?? "Another order shows more of every plate."}
      </Care>
      <Button disabled={change.isPending} onClick={() => change.mutate(order.order)}>
        Take that order
      </Button>
      <Trouble error={change.error} />
    </div>
  );
}

/** The layers with their films in another order; what is no film stays at its place. */
function inOrder(work: Work, names: string[]) {
  const films = names.flatMap((name) => work.layers.filter((each) => each.name === name));
  const layers = work.layers.map((each) =>
    names.includes(each.name) ? (films.shift() ?? each) : each,
  );
  return { layers };
}
