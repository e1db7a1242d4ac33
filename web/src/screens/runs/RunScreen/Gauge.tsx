import { useId } from "react";
import type { Run } from "../../../api/runs";
import { biteSection, columnWidths, depthOf, type Section } from "../../../figures/bite/model";
import { GOALS } from "../../../figures/bite/goals";
import { Patterns } from "../../../figures/Patterns";
import { wave } from "../../../figures/bite/shapes";
import type { Immersion } from "../../../device/fold";
import { type Bite, type Local, reached, readingsOf } from "../../../device/local";
import { gained } from "../../../device/sheet";
import { clock } from "../../../ui/times";

const [W, H, TOP, FLOOR] = [336, 556, 24, 470];

type Props = { run: Run; local: Local; bite: Bite; dip: Immersion; now: number };

/** The bite section as a gauge: depth reached against depth to reach. */
export function Gauge({ run, local, bite, dip, now }: Props) {
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const section = biteSection(run.areas, run.sheet, true);
  const so = reached(run, local).get(bite.open[0] ?? "") ?? 0;
  const depth = so + gained(run.sheet, readingsOf(local, dip), now - dip.at_seconds);
  const total = section.deepest;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`${clock(depth)} of ${clock(total)} in all`}
    >
      <Patterns id={id} tones={section.columns.flatMap((c) => c.segments.map((s) => s.lstar))} />
      <path
        d={`M2 ${TOP + 14}L12 ${TOP}H${W - 12}L${W - 2} ${TOP + 14}V${H - 8}H2Z`}
        fill={`url(#${id}-${run.metal === "zinc" ? "zinc" : "copper"})`}
        opacity=".94"
      />
      <Columns id={id} section={section} depth={depth} />
      <text
        x="18"
        y={H - 52}
        fontSize="50"
        fontWeight="720"
        className="n"
        style={{ fill: "#14110E" }}
      >
        {clock(depth)}
      </text>
      <text x="18" y={H - 24} fontSize="22" fontWeight="600" style={{ fill: "#14110E" }}>
        of {clock(total)} in all
      </text>
    </svg>
  );
}

function Columns({ id, section, depth }: { id: string; section: Section; depth: number }) {
  const widths = columnWidths(
    section.columns.map((c) => c.share),
    W - 28,
    30,
  );
  const y = (seconds: number) => TOP + depthOf(seconds, section.deepest, FLOOR - TOP - 60, false);
  let x = 14;
  return (
    <g>
      {section.columns.map((column, i) => {
        const [x0, width] = [x, widths[i] as number];
        x += width;
        return column.segments.map((segment) => {
          const [top, floor] = [y(segment.from), y(segment.to)];
          const at =
            segment.phase === "done"
              ? floor
              : segment.phase === "now"
                ? Math.min(floor, y(depth))
                : top;
          return (
            <g key={`${column.name} ${segment.bite}`}>
              {segment.phase === "planned" ? (
                <rect
                  x={x0}
                  y={top}
                  width={width}
                  height={floor - top}
                  fill="#3A2418"
                  fillOpacity=".55"
                  stroke="#F6F0E4"
                  strokeWidth="1.6"
                  strokeDasharray="6 5"
                />
              ) : (
                <rect
                  x={x0}
                  y={top}
                  width={width}
                  height={Math.max(0, at - top)}
                  fill={GOALS[section.goal.kind].fill(id, segment.lstar)}
                />
              )}
              {segment.phase === "now" ? (
                <>
                  <rect
                    x={x0}
                    y={at}
                    width={width}
                    height={Math.max(0, floor - at)}
                    fill="#7ADBC0"
                  />
                  <path
                    d={wave(x0, x0 + width, at, 4, 22)}
                    fill="none"
                    stroke="#F6F0E4"
                    strokeWidth="5"
                  />
                </>
              ) : null}
              {segment.phase === "done" ? (
                <path d={`M${x0} ${floor}h${width}`} stroke="#F6F0E4" strokeWidth="2" />
              ) : null}
            </g>
          );
        });
      })}
    </g>
  );
}
