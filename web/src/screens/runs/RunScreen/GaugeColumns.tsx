import { memo } from "react";
import { GOALS } from "../../../figures/bite/goals";
import type { Segment } from "../../../figures/bite/model";
import { wave } from "../../../figures/bite/shapes";
import type { Gauged } from "./gauged";

type Props = { gauge: Gauged; y: number };

/** What was bitten, what bites now down to `y`, what is planned. */
export function GaugeColumns({ gauge, y }: Props) {
  return (
    <g>
      {gauge.section.columns.map((column, i) =>
        column.segments.map((segment) => (
          <Stratum
            key={`${column.name} ${segment.bite}`}
            gauge={gauge}
            place={i}
            segment={segment}
            y={segment.phase === "now" ? y : 0}
          />
        )),
      )}
    </g>
  );
}

type StratumProps = Props & { place: number; segment: Segment };

const Stratum = memo(function Stratum({ gauge, place, segment, y }: StratumProps) {
  const x = gauge.xs[place] as number;
  const width = (gauge.xs[place + 1] as number) - x;
  const [top, floor] = [gauge.y(segment.from), gauge.y(segment.to)];
  const box = (from: number, to: number) => ({
    x,
    y: from,
    width,
    height: Math.max(0, to - from),
  });
  const fill = GOALS[gauge.section.goal.kind].fill(gauge.id, segment.lstar);
  if (segment.phase === "planned") {
    return (
      <rect
        {...box(top, floor)}
        className="fill-copper-night stroke-night-ink"
        fillOpacity=".55"
        strokeWidth="1.6"
        strokeDasharray="6 5"
      />
    );
  }
  if (segment.phase === "done") {
    return (
      <g>
        <rect {...box(top, floor)} fill={fill} />
        <path d={`M${x} ${floor}h${width}`} className="stroke-night-ink" strokeWidth="2" />
      </g>
    );
  }
  const at = Math.min(floor, y);
  return (
    <g>
      <rect {...box(top, at)} fill={fill} />
      <rect {...box(at, floor)} className="fill-night-verdigris" />
      <path
        d={wave(x, x + width, at, 4, 22)}
        className="fill-none stroke-night-ink"
        strokeWidth="5"
      />
    </g>
  );
});
