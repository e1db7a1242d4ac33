import { turnsOf } from "./turns";

const TURN = 2 * Math.PI;
const SIZE = 164;
const MIDDLE = SIZE / 2;
const RINGS = [66, 55, 44];

/** How far the screw is turned from contact: the outer ring the first full turn, the next the rest. */
export function Dial({
  quarters,
  label,
  size = SIZE,
}: {
  quarters: number;
  label?: string;
  size?: number;
}) {
  const turns = Math.min(RINGS.length, Math.max(0, quarters / 4));
  const at = Math.min(RINGS.length - 1, Math.max(0, Math.ceil(turns) - 1));
  const [x, y] = point(turns - at, RINGS[at] ?? 66);
  return (
    <svg
      width={size}
      height={size}
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="img"
      aria-label={label ?? `${turnsOf(quarters)} turns`}
    >
      <circle
        cx={MIDDLE}
        cy={MIDDLE}
        r={75}
        className="fill-paper-lift stroke-ink"
        strokeWidth={2.5}
      />
      {Array.from({ length: 12 }, (_, i) => i / 12).map((part) => {
        const long = (part * 4) % 1 === 0;
        const [ax, ay] = point(part, 75);
        const [bx, by] = point(part, long ? 82 : 79);
        return (
          <path
            key={part}
            d={`M${ax} ${ay}L${bx} ${by}`}
            className="stroke-ink"
            strokeWidth={long ? 2.5 : 1.5}
          />
        );
      })}
      {RINGS.slice(0, at + 1).map((radius, i) => (
        <path
          key={radius}
          d={arc(Math.min(1, turns - i), radius)}
          className="fill-none stroke-zinc-deep"
          strokeWidth={6}
        />
      ))}
      <circle cx={x} cy={y} r={6.5} className="fill-paper-lift stroke-ink" strokeWidth={2.5} />
      <text
        x={MIDDLE}
        y={MIDDLE + 15}
        textAnchor="middle"
        className="num font-text text-show font-bold"
      >
        {turnsOf(quarters)}
      </text>
    </svg>
  );
}

const point = (turn: number, radius: number): [number, number] => [
  round(MIDDLE + radius * Math.sin(TURN * turn)),
  round(MIDDLE - radius * Math.cos(TURN * turn)),
];

const round = (value: number) => Math.round(value * 10) / 10;

/** From the top, with the clock. */
function arc(turn: number, radius: number): string {
  if (turn <= 0) return "";
  const [sx, sy] = point(0, radius);
  if (turn >= 1) {
    const [hx, hy] = point(0.5, radius);
    return `M${sx} ${sy}A${radius} ${radius} 0 1 1 ${hx} ${hy}A${radius} ${radius} 0 1 1 ${sx} ${sy}`;
  }
  const [ex, ey] = point(turn, radius);
  return `M${sx} ${sy}A${radius} ${radius} 0 ${turn > 0.5 ? 1 : 0} 1 ${ex} ${ey}`;
}
