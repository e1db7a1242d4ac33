import { StageBars } from "../../../figures/exposure/StageBars";
import { Line } from "../../../frame/Line";
import { FarText, FarTitle, OutPart, Said } from "../../../ui/night/Night";
import { Notices } from "../../../ui/night/Notices";
import { Trouble } from "../../../ui/Trouble";
import { clock } from "../../../ui/times";
import { drawnOf } from "./stages";
import type { Acts, Seen } from "./useExposeActs";

const LEFT: Record<string, string> = { "set aside": "Set aside", "never begun": "Never begun" };

/** All stages are done: what comes after, and what each was given. */
export function Done({ seen, acts }: { seen: Seen; acts: Acts }) {
  const { exposure, lit, waiting } = seen;
  const left = LEFT[exposure.outcome];
  const missed = lit.stands.stages.filter((each) => each.code && each.code !== "right").length;
  return (
    <OutPart>
      <StageBars drawn={drawnOf(exposure, lit)} upright />
      <section className="max-desk:-order-1">
        <Line events={exposure.events} waiting={waiting} />
        <FarTitle>{left ?? "Hard"}</FarTitle>
        <FarText>{left ? exposure.reason : exposure.after}</FarText>
        {left ? null : (
          <Said>
            {missed === 0
              ? "Every stage had its time."
              : `${missed === 1 ? "One stage missed its" : `${missed} stages missed their`} time: what that does stands beside it.`}{" "}
            The lamp burnt {clock(lit.stands.lamp_seconds)}.
          </Said>
        )}
        {left ? null : (
          <Said>Gloves until here. Cut edges of plate cut skin: file them before you wipe.</Said>
        )}
        {left ? null : <Said>{exposure.cleaning}</Said>}
        {exposure.ended_at && !left ? <Said>This exposure is ended.</Said> : null}
        <Notices notices={lit.state.notices} />
        <Trouble error={acts.endError} />
      </section>
    </OutPart>
  );
}
