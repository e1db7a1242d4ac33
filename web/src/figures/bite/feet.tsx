import { grainTile } from "../grain";
import type { Frame } from "./frame";
import type { Column } from "./model";

export type FootProps = { frame: Frame; column: Column; place: number; top: number };

const FAR_OFF = 3;
const FAR_OFF_UM = 6;

/** A group of lines: its section at 1 µm a third of a pixel, its depth, what was wanted. */
export function Groove({ frame, column, place, top }: FootProps) {
  const [x0, x1] = [(frame.xs[place] as number) + 1, (frame.xs[place + 1] as number) - 1];
  const middle = (x0 + x1) / 2;
  const off = column.wanted !== null && Math.abs(column.expected - column.wanted) >= FAR_OFF_UM;
  const half = Math.min((x1 - x0) / 2 - 3, (column.width ?? 0) / 6);
  return (
    <g textAnchor="middle">
      <path
        d={`M${x0} ${top + 4}H${middle - half}Q${middle - half} ${top + 30} ${middle} ${top + 30}Q${middle + half} ${top + 30} ${middle + half} ${top + 4}H${x1}`}
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth="1.6"
      />
      <text x={middle} y={top + 20} fontSize="13" className="num font-semibold">
        {(column.width ?? 0).toFixed(0)}
      </text>
      <text x={middle} y={top + 58} fontSize="21" className="num font-bold">
        {column.expected.toFixed(0)}
        {x1 - x0 > 62 ? (
          <tspan fontSize="13" className="fill-ink-2 font-normal">
            {` ±${Math.max(1, Math.round((column.high - column.low) / 2))}`}
          </tspan>
        ) : null}
      </text>
      <text
        x={middle}
        y={top + 80}
        fontSize="15"
        className={`num ${off ? "fill-ferric-deep font-bold" : "fill-ink-2"}`}
      >
        {column.wanted === null ? "" : column.wanted.toFixed(0)}
      </text>
    </g>
  );
}

/** An area: the tone it prints, its L*, what was wanted. */
export function Swatch({ frame, column, place, top }: FootProps) {
  const [x0, x1] = [(frame.xs[place] as number) + 1, (frame.xs[place + 1] as number) - 1];
  const middle = (x0 + x1) / 2;
  const white = column.segments.length === 0;
  const half = Math.max(1, Math.round((column.high - column.low) / 2));
  const off = column.wanted !== null && Math.abs(column.expected - column.wanted) >= FAR_OFF;
  const roomy = x1 - x0 > 62;
  return (
    <g textAnchor="middle">
      <rect
        x={x0}
        y={top}
        width={x1 - x0}
        height="32"
        fill={
          white ? "var(--color-paper-lift)" : `url(#${frame.id}-g${grainTile(column.lstar).key})`
        }
        stroke="var(--color-ink)"
        strokeWidth="1"
      />
      <text
        x={middle}
        y={top + 58}
        fontSize={frame.size === "phone" ? 17 : 21}
        className="num font-bold"
      >
        {column.expected.toFixed(0)}
        {roomy && !white ? (
          <tspan fontSize="13" className="fill-ink-2 font-normal">
            {` ±${half}`}
          </tspan>
        ) : null}
      </text>
      <text
        x={middle}
        y={top + 80}
        fontSize={column.wanted === null ? 13 : 15}
        className={`num ${off ? "fill-ferric-deep font-bold" : "fill-ink-2"}`}
      >
        {column.wanted === null ? "white" : column.wanted.toFixed(0)}
      </text>
    </g>
  );
}
