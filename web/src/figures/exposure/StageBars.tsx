import type { ExposureStands, StagePlan } from "../../api/exposures";
import { Mark, type MarkName } from "../../ui/Mark";
import { clock } from "../../ui/times";
import { useNowOf } from "../../ui/useNow";

type Stage = ExposureStands["stages"][number];
export type Drawn = { plan: StagePlan; stage: Stage | null; now: boolean; begun: number | null };

const MARKS: Record<StagePlan["stage"], MarkName> = {
  chalk: "brush",
  screen: "exposing",
  image: "exposing",
  wash: "drying",
  blot: "leave",
  dry: "ground",
  harden: "exposing",
};

/** Hands are solid, the lamp is striped as its rays, waits are dots. */
const PACE: Record<StagePlan["pace"], string> = {
  hands: "bg-ink in-[.at-the-bath]:bg-night-ink",
  rays: "bg-[repeating-linear-gradient(115deg,var(--color-polymer)_0_4px,transparent_4px_8px)] in-[.at-the-bath]:bg-[repeating-linear-gradient(115deg,var(--color-night-ink)_0_4px,transparent_4px_8px)]",
  waits:
    "bg-[radial-gradient(circle,var(--color-ink-2)_1.4px,transparent_1.6px)] bg-size-[7px_7px] in-[.at-the-bath]:bg-[radial-gradient(circle,var(--color-night-ink-2)_1.4px,transparent_1.6px)]",
};

/** Below it a bar would not be seen. */
const LEAST = 0.02;

type Props = { drawn: Drawn[]; upright?: boolean };

/** The stages with bars as long as their times, against the longest. */
export function StageBars({ drawn, upright }: Props) {
  const longest = Math.max(...drawn.map((each) => secondsOf(each)));
  return (
    <ol
      className={
        upright
          ? "grid content-start gap-2.5"
          : "flex flex-wrap gap-y-4 max-phone:grid max-phone:gap-3"
      }
    >
      {drawn.map((each) => (
        <li
          key={`${each.plan.stage} ${each.plan.step}`}
          aria-current={each.now ? "step" : undefined}
          className={
            upright
              ? "min-w-0 text-night-ink-2 aria-[current]:text-night-ink"
              : "min-w-34 flex-1 border-hair px-3 not-first:border-l first:pl-0 max-phone:px-0 max-phone:not-first:border-l-0"
          }
        >
          <OneStage each={each} longest={longest} upright={upright ?? false} />
        </li>
      ))}
    </ol>
  );
}

const secondsOf = ({ plan, stage }: Drawn) => stage?.planned_seconds ?? plan.seconds;

function OneStage({ each, longest, upright }: { each: Drawn; longest: number; upright: boolean }) {
  const { plan, stage } = each;
  const width = Math.max(LEAST, secondsOf(each) / longest);
  const off = stage?.code && stage.code !== "right";
  return (
    <>
      <p
        className={`flex items-center gap-2 font-slab font-semibold ${upright ? "text-h3 leading-6" : "text-lead"} [&>svg]:size-5 [&>svg]:flex-none`}
      >
        <Mark name={stage?.state === "done" ? "done" : MARKS[plan.stage]} />
        <span className="truncate">{plan.title}</span>
        {upright ? <Times each={each} /> : null}
      </p>
      {upright ? null : (
        <p className="num text-h2 leading-tight font-bold">{clock(secondsOf(each))}</p>
      )}
      <div className="mt-1 h-3 overflow-hidden" style={{ width: `${100 * width}%` }}>
        <Filled each={each} />
      </div>
      {upright ? null : <p className="note mt-0.5">{plan.todo}</p>}
      {off && upright ? (
        <p className="text-lead leading-5 text-night-ferric">{stage.text}</p>
      ) : null}
    </>
  );
}

function Times({ each: { stage, plan } }: { each: Drawn }) {
  if (stage?.state === "passed") return <span className="ml-auto">left out</span>;
  const had = stage && stage.given_seconds > 0 ? stage.given_seconds : null;
  return (
    <span className="num ml-auto">
      {had === null ? "" : `${clock(had)} of `}
      {clock(stage?.planned_seconds ?? plan.seconds)}
    </span>
  );
}

/** What is over is filled, what is to come an outline; under way it fills. */
function Filled({ each: { plan, stage, begun } }: { each: Drawn }) {
  const share = useNowOf((now) => {
    if (!stage) return 1;
    const had = stage.given_seconds + (begun === null ? 0 : Math.max(0, now - begun));
    return Math.min(1, Math.round((200 * had) / stage.planned_seconds) / 200);
  });
  return (
    <div className="relative h-full outline-[1.5px] -outline-offset-1 outline-current">
      <div
        className={`absolute inset-y-0 left-0 ${PACE[plan.pace]}`}
        style={{ width: `${100 * share}%` }}
      />
    </div>
  );
}
