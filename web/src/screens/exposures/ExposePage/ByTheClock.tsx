import { useQuery } from "@tanstack/react-query";
import { sheetQuery, type Test } from "../../../api/exposures";
import { StageBars } from "../../../figures/exposure/StageBars";
import { Section } from "../../../ui/Section";
import type { TypedTimes } from "./Typed";

/** The stages one after another, as long as they take. */
export function ByTheClock({ test, typed }: { test: Test | null; typed: TypedTimes | null }) {
  const screen = typed?.screen_seconds ?? test?.pair?.screen_seconds;
  const image = typed?.image_seconds ?? test?.pair?.image_seconds;
  const known = screen !== undefined && image !== undefined;
  const { data: sheet } = useQuery({
    ...sheetQuery({
      screen_seconds: screen ?? 1,
      image_seconds: image ?? 1,
      times: typed ? 1 : (test?.today?.times ?? 1),
      patches: [],
      water_c: 20,
    }),
    enabled: known,
  });
  if (!known || !sheet) return null;
  return (
    <Section>
      <div className="mb-2.5 flex flex-wrap items-baseline gap-x-3.5">
        <h2>Then, by the clock</h2>
        <span className="note">
          {Math.round(sheet.minutes)} min. Solid bars need your hands, striped the lamp, dotted wait
          by themselves.
        </span>
      </div>
      <StageBars
        drawn={sheet.stages.map((plan) => ({ plan, stage: null, now: false, begun: null }))}
      />
    </Section>
  );
}
