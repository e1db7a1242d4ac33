import type { Shapes } from "../../../api/client";

type Areas = Shapes["PlateToBlameOutput"]["areas"];

const MOST = 14;
const TOLERANCE = 3;

/** Each area beside the preview: left is too light, right too dark; hatched is ±3 L*. */
export function AreasOff({ areas }: { areas: Areas }) {
  return (
    <div>
      <div className="flex justify-between">
        <b>Each area, L* beside the preview</b>
        <span className="note">◂ too light · too dark ▸</span>
      </div>
      <ul className="mt-1 grid">
        {areas.map((each) => (
          <li
            key={each.name}
            className="grid grid-cols-[minmax(0,1fr)_56px_180px] items-center gap-2 border-b border-hair py-0.5 max-phone:grid-cols-[minmax(0,1fr)_56px]"
          >
            <span>{each.name}</span>
            <b
              className={`num text-right ${Math.abs(each.off_lstar) > TOLERANCE ? "text-ferric-deep" : ""}`}
            >
              {each.off_lstar > 0 ? "+" : ""}
              {each.off_lstar.toFixed(1)}
            </b>
            <Bar off={each.off_lstar} />
          </li>
        ))}
      </ul>
    </div>
  );
}

const HALF = 90;
const PER = HALF / MOST;

function Bar({ off }: { off: number }) {
  const wide = Math.min(MOST, Math.abs(off)) * PER;
  const light = off > 0;
  return (
    <svg width={2 * HALF} height={20} aria-hidden="true" className="max-phone:hidden">
      <path
        d={Array.from({ length: 7 }, (_, i) => `M${HALF + (i - 3) * PER} 0v20`).join("")}
        className="stroke-hair"
      />
      <rect
        x={light ? HALF - wide : HALF}
        y="6"
        width={Math.max(1.5, wide)}
        height="8"
        className={Math.abs(off) > TOLERANCE ? "fill-ferric-deep" : "fill-ink"}
      />
      <path d={`M${HALF} 0v20`} className="stroke-ink" strokeWidth="2" />
    </svg>
  );
}
