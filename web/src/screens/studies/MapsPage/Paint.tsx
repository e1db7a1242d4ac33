import { useUser } from "../../../ui/useUser";
import { shownArea, areaUnit, shownRun } from "../../../ui/units";
import { Fragment } from "react";
import type { Stage, Study } from "../../../api/studies";
import { PenStroke } from "../../../figures/map/PenStroke";
import { begun } from "../../../ui/words";

type Props = { study: Study; stage: Stage; verb: string; rings: number };

/** With which pen, how much, how long; then the crayon; and what the map's marks mean. */
export function Paint({ study, stage, verb, rings }: Props) {
  const { units } = useUser();
  const fading = (study.cut?.areas ?? []).filter((area) => stage.crayon.includes(area.name));
  return (
    <>
      <div className="flex items-center gap-4 border-b border-hair pb-3">
        <PenStroke pen={stage.pen} className="w-32 flex-none" />
        <div>
          <b className="font-slab text-h2">{begun(stage.pen)} pen</b>
          <p className="note leading-snug">
            Each bite has its own, so the plate tells later what went on when.
          </p>
        </div>
      </div>
      <p className="flex flex-wrap items-baseline gap-x-4 pt-2.5">
        <span>
          <b className="num text-show leading-none">{shownArea(stage.cm2, units)}</b>{" "}
          {areaUnit(units)}
        </span>
        <span className="whitespace-nowrap">
          <b className="num text-show leading-none">{Math.max(1, Math.round(stage.minutes))}</b> min
          (
          <span className="num">
            {Math.max(1, Math.round(stage.minutes_low))} to {Math.round(stage.minutes_high)}
          </span>
          )
        </span>
      </p>
      <p className="note border-b border-hair pb-3">
        <span className="num">{shownRun(stage.edge_m, units)}</span> of edge. A guess: 4 s for each{" "}
        {units.length_unit === "in" ? "0.155 in²" : "cm²"}, 2.5 s for each{" "}
        {units.length_unit === "in" ? "0.39 in" : "cm"} of edge.
      </p>
      {fading.map((area) => (
        <p key={area.key} className="border-b border-hair py-2.5">
          <b>Then {area.graded?.resist_label}</b> over {area.name.toLowerCase()},{" "}
          <span className="num">{shownArea(area.cm2, units)}</span> {areaUnit(units)}: thick where
          it is light, thinning out. Prints L*{" "}
          <b className="num">{area.graded?.light_lstar.toFixed(0)}</b> to{" "}
          <b className="num">{area.graded?.dark_lstar.toFixed(0)}</b>, light end{" "}
          <span className="num">
            {area.graded?.light_low.toFixed(0)} to {area.graded?.light_high.toFixed(0)}
          </span>
          : crayon is never sure.
        </p>
      ))}
      <dl className="grid grid-cols-[36px_1fr_36px_1fr] items-center gap-x-2.5 gap-y-2 border-b border-hair py-3">
        {KEY.map(([look, name]) => (
          <Fragment key={name}>
            <dt aria-hidden="true" className={`h-5 border border-ink ${look}`} />
            <dd>{name === "now" ? `${verb} now` : name}</dd>
          </Fragment>
        ))}
      </dl>
      {rings > 0 ? (
        <p className="border-b border-hair py-2.5">
          <b className="num">{rings}</b> small {rings === 1 ? "one, ringed" : "ones, ringed"}:
          easily missed.
        </p>
      ) : null}
    </>
  );
}

const KEY = [
  ["bg-asphalt", "covered"],
  [
    "bg-[repeating-linear-gradient(135deg,var(--color-asphalt)_0_4px,var(--color-copper)_4px_8px)]",
    "now",
  ],
  ["bg-copper", "open, bites on"],
  [
    "bg-copper bg-[radial-gradient(var(--color-asphalt)_1.5px,transparent_2px)] bg-size-[6px_6px]",
    "crayon",
  ],
] as const;
