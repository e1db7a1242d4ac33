import type { BathPage } from "../../api/baths";
import { type Frame, LEFT, TRACKS } from "./frame";

const { top, bottom } = TRACKS.bites;
const BAR_PX = 6;
const LEAST_PX = 3;

/** One bar a plate, as long as the grams it gave. */
export function BitesTrack({ frame, page }: { frame: Frame; page: BathPage }) {
  const most = Math.max(...page.given.map((g) => g.grams), 1);
  const total = page.given.reduce((sum, each) => sum + each.grams, 0);
  const today = frame.x(frame.now);
  return (
    <g>
      <text x={0} y={top + 4} className="font-slab text-body font-bold">
        Bites
      </text>
      <text x={0} y={top + 20} className="fill-ink-2! text-note">
        {page.bath.metal},
      </text>
      <text x={0} y={top + 35} className="fill-ink-2! text-note">
        grams
      </text>
      <path d={`M${LEFT} ${top}H${frame.width}`} className="stroke-ink" strokeWidth="1.8" />
      {page.given.map((each) => (
        <rect
          key={each.at + each.grams}
          x={frame.x(each.at) - BAR_PX / 2}
          y={top}
          width={BAR_PX}
          height={LEAST_PX + ((bottom - top - LEAST_PX) * each.grams) / most}
          className="fill-copper stroke-copper-dark"
        />
      ))}
      {page.busy ? (
        <rect x={today - 4} y={top} width="8" height="12" className="fill-verdigris" />
      ) : null}
      <text
        x={today + 10}
        y={top + 16}
        className={`halo text-note font-bold ${page.busy ? "fill-verdigris!" : ""}`}
      >
        {page.busy ? `${page.busy} is in it` : "free"}
      </text>
      <text x={today + 10} y={top + 33} className="halo fill-ink-2! text-note">
        {page.given.length} in all, {total.toFixed(0)} g
      </text>
    </g>
  );
}
