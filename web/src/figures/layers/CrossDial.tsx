import type { Lies } from "../../api/works";

/** Six times as large on a screen of 96 dots to the inch. */
const PX_PER_MM = (6 * 96) / 25.4;
const SIZE = 56;
const MIDDLE = SIZE / 2;
const ARM = 13;
const MOST = MIDDLE - 5;

type Props = {
  /** Null: the key itself, which the others lie to. */
  lies: Pick<Lies, "right_mm" | "down_mm" | "clockwise_deg" | "within"> | null;
  size?: number;
};

/** Where a plate's cross lies on the key's dashed one, six times as large. */
export function CrossDial({ lies, size = SIZE }: Props) {
  const off = lies ? Math.hypot(lies.right_mm, lies.down_mm) * PX_PER_MM : 0;
  const held = off > MOST ? MOST / off : 1;
  const x = MIDDLE + (lies?.right_mm ?? 0) * PX_PER_MM * held;
  const y = MIDDLE + (lies?.down_mm ?? 0) * PX_PER_MM * held;
  const colour = lies && !lies.within ? "stroke-ferric-deep" : "stroke-ink";
  return (
    <svg width={size} height={size} viewBox={`0 0 ${SIZE} ${SIZE}`} aria-hidden="true">
      <circle
        cx={MIDDLE}
        cy={MIDDLE}
        r={MIDDLE - 1}
        className="fill-paper-lift stroke-ink"
        strokeWidth="1.3"
      />
      <path
        d={`M4 ${MIDDLE}H${SIZE - 4}M${MIDDLE} 4V${SIZE - 4}`}
        className="stroke-ink-3"
        strokeDasharray="2 3"
      />
      <path
        d={`M${x - ARM} ${y}h${2 * ARM}M${x} ${y - ARM}v${2 * ARM}`}
        className={colour}
        strokeWidth="2.4"
        transform={`rotate(${lies?.clockwise_deg ?? 0} ${x} ${y})`}
      />
    </svg>
  );
}
