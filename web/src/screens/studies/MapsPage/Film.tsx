import { useUser } from "../../../ui/useUser";
import { shownArea, areaUnit } from "../../../ui/units";
import { printUrl, type Stage, type Study } from "../../../api/studies";
import type { Labels } from "../../../figures/map/labels";
import { PenDot } from "../../../figures/map/PenStroke";
import { StopOutMap } from "../../../figures/map/StopOutMap";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Curtain } from "../../../ui/Curtain";
import { clock } from "../../../ui/times";

type Props = {
  study: Study;
  stages: Stage[];
  chosen: number;
  choose: (place: number) => void;
  labels: Labels | null;
};

const THUMB_PX = 260;
const WIDE_PX = 900;

/** All stages: what is painted, and what it prints if one stopped after that bite. */
export function Film({ study, stages, chosen, choose, labels }: Props) {
  const { units } = useUser();
  const { room } = useHere();
  const { plate, plans } = usePlate();
  const plan = plans.find((each) => each.part === "tones")?.sheet.plan;
  const bites = plan ? [...plan.done, ...plan.bites] : [];
  const stage = stages[chosen] as Stage;
  return (
    <section aria-label="All stages" className="mt-4 border-t-2 border-ink pt-3">
      <ol className="flex gap-2.5 overflow-x-auto pb-2">
        {stages.map((each, i) => {
          const bite = bites.find(({ number }) => number === each.bite);
          return (
            <li key={each.bite} className="min-w-49 flex-1">
              <button
                type="button"
                aria-pressed={i === chosen}
                onClick={() => choose(i)}
                className="grid w-full gap-1 rounded-plate border-2 border-transparent p-1.5 text-left aria-pressed:border-copper-deep aria-pressed:bg-paper-lift"
              >
                <span className="flex items-center gap-1.5 font-semibold">
                  <PenDot pen={each.pen} /> {each.now.join(", ").toLowerCase()}
                </span>
                <span className="grid grid-cols-2 items-center gap-1.5">
                  {labels ? (
                    <StopOutMap
                      labels={labels}
                      states={each.states}
                      mirrored
                      metal={plate.metal}
                      sizeMm={[study.width_mm, study.height_mm]}
                      label={`Map before bite ${each.bite}`}
                    />
                  ) : (
                    <span />
                  )}
                  <img
                    src={printUrl(room, study, { width: THUMB_PX, bite: each.bite })}
                    alt={`The print after bite ${each.bite}`}
                    className="w-full border border-ink"
                  />
                </span>
                <span className="num flex flex-wrap justify-between gap-x-2 text-note">
                  <b>
                    bite {each.bite}
                    {bite ? `, ${clock(bite.seconds)}` : ""}
                  </b>
                  <span className="text-ink-2">
                    {shownArea(each.cm2, units)} {areaUnit(units)},{" "}
                    {Math.max(1, Math.round(each.minutes))} min
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <details className="mt-2">
        <summary className="cursor-pointer font-semibold">
          Compare the print after bite {stage.bite} with the finished one
        </summary>
        <div className="mt-2 max-w-180">
          <Curtain
            label="Print after this bite beside the finished one"
            leftName={`after bite ${stage.bite}`}
            rightName="finished"
            left={
              <img
                className="block w-full"
                src={printUrl(room, study, { width: WIDE_PX, bite: stage.bite })}
                alt={`The print after bite ${stage.bite}`}
              />
            }
            right={
              <img
                className="block w-full"
                src={printUrl(room, study, { width: WIDE_PX })}
                alt="The finished print"
              />
            }
          />
        </div>
      </details>
    </section>
  );
}
