import { memo, useId, useMemo } from "react";
import type { Run } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import { type Bite, type Local, reached, readingsOf } from "../../../device/local";
import { gained } from "../../../device/sheet";
import { biteSection } from "../../../figures/bite/model";
import { Patterns } from "../../../figures/Patterns";
import { clock } from "../../../ui/times";
import { useNowOf } from "../../../ui/useNow";
import { GaugeColumns } from "./GaugeColumns";
import { FLOOR, type Gauged, gauged, H, TOP, W } from "./gauged";

/** A depth that moves less than this is not drawn again [px]. */
const FINEST_PX = 0.5;

type Props = { run: Run; local: Local; bite: Bite; dip: Immersion };

/** The bite section as a gauge: depth reached against depth to reach. */
export function Gauge({ run, local, bite, dip }: Props) {
  const id = useId().replaceAll(/\W/g, "");
  const gauge = useMemo(
    () => gauged(id, biteSection(run.areas, run.sheet, true)),
    [id, run.areas, run.sheet],
  );
  const so = reached(run, local).get(bite.open[0] ?? "") ?? 0;
  const depthAt = (now: number) =>
    so + gained(run.sheet, readingsOf(local, dip), now - dip.at_seconds);
  const y = useNowOf((now) => Math.round(gauge.y(depthAt(now)) / FINEST_PX) * FINEST_PX);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`Depth against ${clock(gauge.section.deepest)} in all`}
      className="h-full w-full max-desk:max-h-105"
    >
      <Metal gauge={gauge} metal={run.metal} />
      <GaugeColumns gauge={gauge} y={y} />
      <Depth depthAt={depthAt} total={gauge.section.deepest} />
    </svg>
  );
}

/** The plate itself, drawn once. */
const Metal = memo(function Metal({ gauge, metal }: { gauge: Gauged; metal: string }) {
  return (
    <>
      <Patterns
        id={gauge.id}
        tones={gauge.section.columns.flatMap((c) => c.segments.map((s) => s.lstar))}
      />
      <path
        d={`M2 ${TOP + 14}L12 ${TOP}H${W - 12}L${W - 2} ${TOP + 14}V${H - 8}H2Z`}
        fill={`url(#${gauge.id}-${metal === "zinc" ? "zinc" : "copper"})`}
        opacity=".94"
      />
    </>
  );
});

function Depth({ depthAt, total }: { depthAt: (now: number) => number; total: number }) {
  const depth = useNowOf((now) => clock(depthAt(now)));
  return (
    <>
      <text x="18" y={FLOOR + 34} fontSize="50" className="num fill-night font-bold">
        {depth}
      </text>
      <text x="18" y={FLOOR + 62} fontSize="22" className="fill-night font-semibold">
        of {clock(total)} in all
      </text>
    </>
  );
}
