import { useId } from "react";
import type { Units } from "../../ui/units";
import { metalFill } from "./metal";

export const USUAL = { wide: 200, high: 150 };
const PX_PER_MM = 1.89;
const MOST_HIGH_PX = 292;
const LEAST_INSET_PX = 4;

export type Laid = { wide: number; high: number; scale: number };

/** How a plate is drawn in so much room: its scale falls by steps until it lies in it. */
export function laidOut(wideMm: number, highMm: number, roomPx: number): Laid {
  let scale = PX_PER_MM;
  while (wideMm * scale > roomPx || highMm * scale > MOST_HIGH_PX) scale /= Math.SQRT2;
  return { wide: wideMm * scale, high: highMm * scale, scale };
}

type Props = {
  laid: Laid;
  metal: string;
  /** Nobody typed its size yet. */
  ghost: boolean;
  /** How far the bevel runs in; null: it has none. */
  bevelMm: number | null;
  units: Units;
};

/** The plate as it lies on the table, a ruler along its foot; both grow with what is typed. */
export function PlateOnTable({ laid, metal, ghost, bevelMm, units }: Props) {
  const id = useId().replaceAll(":", "");
  const { face, defs } = metalFill(metal, id);
  const { wide, high, scale } = laid;
  const inset = bevelMm === null ? 0 : Math.max(LEAST_INSET_PX, bevelMm * scale);
  return (
    <svg
      className="block overflow-visible motion-safe:transition-all"
      width={wide}
      height={high + 30}
      aria-hidden="true"
    >
      {defs}
      <rect
        x="1"
        y="1"
        width={Math.max(1, wide - 2)}
        height={Math.max(1, high - 2)}
        rx="2"
        fill={ghost ? "none" : face}
        stroke={ghost ? "var(--color-ink-3)" : "var(--color-ink)"}
        strokeWidth="2"
        strokeDasharray={ghost ? "7 5" : undefined}
      />
      {!ghost && inset > 0 && wide > 3 * inset && high > 3 * inset ? (
        <rect
          x={inset}
          y={inset}
          width={wide - 2 * inset}
          height={high - 2 * inset}
          fill="none"
          stroke="var(--color-ink)"
          strokeOpacity=".62"
          strokeDasharray="5 4"
        />
      ) : null}
      <Ruler laid={laid} units={units} />
    </svg>
  );
}

/** Every centimetre, or half inch, with a number at each fifth, or inch. */
function Ruler({ laid, units }: { laid: Laid; units: Units }) {
  const inches = units.length_unit === "in";
  const step = inches ? 12.7 : 10;
  const named = inches ? 2 : 5;
  const count = Math.floor(laid.wide / laid.scale / step + 1e-6);
  const sparse = Math.ceil(46 / (named * step * laid.scale));
  const ticks = Array.from({ length: count + 1 }, (_, n) => n);
  const far = named * sparse;
  return (
    <g transform={`translate(0 ${laid.high + 8})`} className="stroke-ink-2">
      <path d={`M0 .5H${laid.wide}`} />
      {ticks.map((n) => (
        <path key={n} d={`M${n * step * laid.scale + 0.5} 0v${n % named === 0 ? 7 : 4}`} />
      ))}
      {ticks
        .filter((n) => n % far === 0)
        .map((n) => (
          <text
            key={n}
            x={n * step * laid.scale}
            y="20"
            textAnchor={n === 0 ? "start" : "middle"}
            className="num fill-ink-2 stroke-none text-note"
          >
            {inches ? n / 2 : n}
            {n > 0 && n + far > count ? (inches ? " in" : " cm") : ""}
          </text>
        ))}
    </g>
  );
}
