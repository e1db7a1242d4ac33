import type { ShelfBath } from "../../../api/baths";
import { useWidth } from "../../../figures/useWidth";

export type Span = { low: number; high: number };
const HEIGHT = 38;
const UNKNOWN_PX = 420;
const WORD_PX = 110;
const STEP = 0.25;

/** The ends of one scale for all rows. */
export function spanOf(baths: ShelfBath[]): Span {
  const low = Math.min(0.75, ...baths.map((each) => each.speed.low));
  const high = Math.max(1.25, ...baths.map((each) => each.speed.high));
  return { low: Math.floor(low / STEP) * STEP, high: Math.ceil(high / STEP) * STEP };
}

type Props = { speed: ShelfBath["speed"]; span: Span; guess: boolean };

/** The figures of the scale, once under all rows. */
export function SpeedScale({ span }: { span: Span }) {
  const [ref, width] = useWidth(UNKNOWN_PX);
  const room = Math.max(width - WORD_PX, 60);
  const count = Math.round((span.high - span.low) / STEP);
  return (
    <div ref={ref}>
      {width > 0 ? (
        <svg width={width} height="16" aria-hidden="true" className="block overflow-visible">
          {Array.from({ length: count + 1 }, (_, i) => span.low + i * STEP).map((tick, i) => (
            <text
              key={tick}
              x={(i / count) * room}
              y="12"
              textAnchor="middle"
              className="num text-note"
            >
              ×{tick.toFixed(2)}
            </text>
          ))}
        </svg>
      ) : null}
    </div>
  );
}

/** Where the speed lies, 19 in 20: hatched; a guess is dashed. */
export function SpeedBand({ speed, span, guess }: Props) {
  const [ref, width] = useWidth(UNKNOWN_PX);
  const x = (value: number) =>
    ((value - span.low) / (span.high - span.low)) * Math.max(width - WORD_PX, 60);
  const count = Math.round((span.high - span.low) / STEP);
  const told = `${speed.low.toFixed(2)} to ${speed.high.toFixed(2)}`;
  return (
    <div ref={ref}>
      {width > 0 ? (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`Between ${told}`}
          className="block"
        >
          {Array.from({ length: count + 1 }, (_, i) => span.low + i * STEP).map((tick) => (
            <path
              key={tick}
              d={`M${x(tick)} 0V${HEIGHT}`}
              className={tick === 1 ? "stroke-ink-3" : "stroke-hair"}
            />
          ))}
          <rect
            x={x(speed.low)}
            y="7"
            width={Math.max(2, x(speed.high) - x(speed.low))}
            height="24"
            fill="url(#bath-band)"
            className="stroke-ink-2"
            strokeDasharray={guess ? "4 3" : undefined}
          />
          <path d={`M${x(speed.value)} 4V34`} className="stroke-ink" strokeWidth="3.4" />
          <text
            x={x(speed.high) + 8}
            y="24"
            className={`${guess ? "" : "halo "}text-note ${guess ? "fill-ferric-deep!" : ""}`}
          >
            {guess ? "a guess" : told}
          </text>
        </svg>
      ) : null}
    </div>
  );
}
