import { memo } from "react";
import type { ShelfBath } from "../../api/baths";
import { BathPatterns } from "./BathPatterns";
import { type Drawn, drawnVessel, liquidOf, PX_PER_MM, sludgeOf } from "./vessel";

const SIGN_H = 26;
const SIGN_GAP = 34;
const TUBE = 84;
const FOOT = 14;
const TUBE_H = 126;
const SLOPE = 9;

type Props = { of: ShelfBath; sign?: boolean };

/** A vessel from its side at true scale: liquid, sediment, the plate in it, its danger, its load. */
export const VesselSide = memo(function VesselSide({ of, sign = true }: Props) {
  const { bath } = of;
  const drawn = drawnVessel(bath);
  const above = sign && of.signs.length > 0 ? SIGN_H + SIGN_GAP : 12;
  const height = Math.max(drawn.high + above, TUBE_H + 16) + FOOT;
  const floor = height - FOOT;
  const board = sign && of.signs[0] ? signWidth(of.signs[0].word) : 0;
  const wide = Math.max(drawn.wide, board);
  const full = wide + TUBE + 20;
  return (
    <svg
      width={full}
      height={height}
      className="overflow-visible"
      role="img"
      aria-label={spoken(of)}
    >
      <BathPatterns />
      <g transform={`translate(${10 + (wide - drawn.wide) / 2} ${floor - drawn.high})`}>
        <Liquid drawn={drawn} mordant={bath.mordant} busy={of.busy !== ""} />
        {of.plates.some((plate) => plate.in_it) ? <Lying drawn={drawn} of={of} /> : null}
        <path
          d={wall(drawn)}
          className="fill-none stroke-ink"
          strokeWidth="3"
          strokeDasharray={drawn.measured ? undefined : "7 4"}
        />
        {sign && of.signs[0] ? <SignBoard drawn={drawn} word={of.signs[0].word} /> : null}
      </g>
      <Tube of={of} x={wide + 30} floor={floor} />
      <path
        d={`M0 ${floor + 1.5}H${drawn.wide + TUBE + 24}`}
        className="stroke-ink"
        strokeWidth="3"
      />
      <rect x="0" y={floor + 3} width={full} height={FOOT - 3} className="fill-paper-edge" />
    </svg>
  );
});

function wall({ kind, wide, high }: Drawn): string {
  if (kind === "tank") return `M0 0V${high}H${wide}V0M-6 0H${wide + 6}`;
  if (kind === "bottle") {
    const neck = Math.round(wide * 0.3);
    return `M${neck} 0V14Q0 22 0 ${34}V${high}H${wide}V34Q${wide} 22 ${wide - neck} 14V0Z`;
  }
  return `M-8 0H0L${SLOPE} ${high}H${wide - SLOPE}L${wide} 0H${wide + 8}`;
}

type LiquidProps = { drawn: Drawn; mordant: string; busy: boolean };

function Liquid({ drawn, mordant, busy }: LiquidProps) {
  const { kind, wide, high, deep } = drawn;
  const lean = kind === "tray" ? SLOPE : 0;
  const side = kind === "tray" ? (SLOPE * (high - deep)) / high : 0;
  const top = high - deep;
  const body = `M${side} ${top}H${wide - side}L${wide - lean} ${high}H${lean}Z`;
  const sludge = sludgeOf(mordant);
  const waves = Math.max(1, Math.floor((wide - 2 * side) / 14));
  return (
    <g>
      <path d={body} className={liquidOf(mordant)} />
      <path d={body} fill="url(#bath-liquor)" />
      {sludge ? (
        <rect x={lean + 1} y={high - 5} width={wide - 2 * lean - 2} height="5" className={sludge} />
      ) : null}
      <path
        d={`M${side} ${top}q3.5 -4 7 0${"t7 0".repeat(waves * 2 - 1)}`}
        className={`fill-none ${busy ? "stroke-verdigris" : "stroke-ink-2"}`}
        strokeWidth="2.2"
      />
    </g>
  );
}

/** The plate that lies in it, on its feet, or hangs. */
function Lying({ drawn, of }: { drawn: Drawn; of: ShelfBath }) {
  const plate = of.plates.find((each) => each.in_it);
  if (!plate) return null;
  const wide = Math.min(plate.width_mm * PX_PER_MM, drawn.wide - 24);
  const x = (drawn.wide - wide) / 2;
  const colour = plate.metal === "zinc" ? "fill-zinc" : "fill-copper";
  if (drawn.kind === "tank") {
    const top = drawn.high - drawn.deep + 14;
    return (
      <rect
        x={x}
        y={top}
        width={wide}
        height={drawn.deep - 22}
        className={`${colour} stroke-ink`}
      />
    );
  }
  const y = drawn.high - 15;
  return (
    <g className="stroke-ink">
      <path d={`M${x + 6} ${y + 8}v7M${x + wide - 6} ${y + 8}v7`} strokeWidth="1.6" />
      <path d={`M${x} ${y + 8}l5 -8H${x + wide - 5}l5 8z`} className={colour} />
    </g>
  );
}

const signWidth = (word: string) => 46 + word.length * 8.2;

/** Danger, and always its word. */
function SignBoard({ drawn, word }: { drawn: Drawn; word: string }) {
  const wide = signWidth(word);
  const x = (drawn.wide - wide) / 2;
  const y = -SIGN_GAP - SIGN_H + 18;
  return (
    <g>
      <path
        d={`M${x + 16} ${y + SIGN_H}V${drawn.high - drawn.deep - 4}M${x + wide - 16} ${y + SIGN_H}V${drawn.high - drawn.deep - 4}`}
        className="stroke-ink"
        strokeWidth="1.6"
      />
      <rect x={x} y={y} width={wide} height={SIGN_H} rx="2" className="fill-vermilion" />
      <path d={`M${x + 18} ${y + 5}l9 16h-18z`} className="fill-white" />
      <path d={`M${x + 18} ${y + 11}v5`} className="stroke-vermilion" strokeWidth="1.8" />
      <text x={x + 33} y={y + 18} className="fill-white! text-body font-bold">
        {word}
      </text>
    </g>
  );
}

/** A glass tube: dissolved metal against where the bath is spent. */
function Tube({ of, x, floor }: { of: ShelfBath; x: number; floor: number }) {
  const { bath } = of;
  const share = Math.min(1, bath.load_g_per_l / bath.end_g_per_l);
  const top = floor - TUBE_H;
  const spent = 18;
  const level = floor - (TUBE_H - spent) * share;
  const word = Math.min(Math.max(level + 5, top + 34), floor - 22);
  return (
    <g>
      <rect
        x={x}
        y={top}
        width="16"
        height={TUBE_H}
        className="fill-white stroke-ink"
        strokeWidth="1.6"
      />
      <rect x={x} y={top} width="16" height={spent} fill="url(#bath-spent)" />
      <rect
        x={x + 1}
        y={level}
        width="14"
        height={floor - level}
        className={liquidOf(bath.mordant)}
      />
      <text x={x + 22} y={top + 12} className="fill-ferric-deep! text-note">
        spent <tspan className="num">{bath.end_g_per_l.toFixed(0)}</tspan>
      </text>
      <text x={x + 22} y={word} className="text-body font-bold">
        {bath.load_g_per_l.toFixed(0)} g/L
      </text>
      <text x={x + 22} y={word + 15} className="fill-ink-2! text-note">
        in it
      </text>
    </g>
  );
}

function spoken(of: ShelfBath): string {
  const { bath } = of;
  const signs = of.signs.map((sign) => sign.word).join(", ");
  const share = Math.round((100 * bath.load_g_per_l) / bath.end_g_per_l);
  return `${bath.name}: ${bath.vessel} of ${bath.volume_l} L, ${share} % spent.${signs ? ` Danger: ${signs}.` : ""}`;
}
