import type { WallStrip } from "../../../api/strips";
import { pictureUrl } from "../../../api/proofs";
import { grainTile } from "../../../figures/grain";
import { useHere } from "../../../frame/useHere";
import type { Quad } from "../../../scan/Marked";
import { boxOf, CLOSE } from "../../../scan/marks";
import { clock } from "../../../ui/times";

const MOST_LINES = 24;

/** A strip as it was printed: its scan, else its patches in grain; struck through where it is out. */
export function WallSlip({ strip }: { strip: WallStrip }) {
  return (
    <div className="relative bg-paper-lift p-1.5 shadow-hung">
      {strip.picture && strip.picture_px && strip.marks.length > 0 ? (
        <Scan strip={strip} />
      ) : strip.hung.length > 0 ? (
        <Patches strip={strip} />
      ) : strip.planned.length > 0 ? (
        <Planned seconds={strip.planned} />
      ) : (
        <Lines count={strip.lines} />
      )}
      {strip.out_reason ? (
        <svg className="absolute inset-0 size-full" preserveAspectRatio="none" aria-hidden="true">
          <line
            x1="2%"
            y1="8%"
            x2="98%"
            y2="92%"
            className="stroke-ink"
            strokeWidth="2.2"
            strokeDasharray="11 6"
          />
        </svg>
      ) : null}
    </div>
  );
}

function Scan({ strip }: { strip: WallStrip }) {
  const { room } = useHere();
  const box = boxOf(strip.marks as Quad[], CLOSE);
  const [width, height] = strip.picture_px ?? [1, 1];
  return (
    <>
      <svg
        viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
        className="block h-10 w-full"
        preserveAspectRatio="xMidYMid slice"
        role="img"
        aria-label={`Scan of ${strip.name}`}
      >
        <image href={pictureUrl(room, strip.picture ?? "")} width={width} height={height} />
        {strip.hung.map((patch, place) =>
          patch.out ? (
            <polygon
              key={patch.seconds}
              points={(strip.marks[place] ?? []).join(" ")}
              className="fill-none stroke-ferric-deep"
              strokeWidth="3"
              vectorEffect="non-scaling-stroke"
            />
          ) : null,
        )}
      </svg>
      <Times seconds={strip.hung.map((patch) => patch.seconds)} />
    </>
  );
}

const TIMES = "flex gap-0.5 font-slab text-note italic";

/** The times in the bath, written under the patches. */
function Times({ seconds }: { seconds: number[] }) {
  return (
    <ol className={TIMES}>
      {seconds.map((each) => (
        <li key={each} className="num min-w-0 flex-1 text-center">
          {clock(each)}
        </li>
      ))}
    </ol>
  );
}

/** Patches that are still to be bitten: dashed, with their times. */
function Planned({ seconds }: { seconds: number[] }) {
  return (
    <>
      <div className="flex h-10 gap-0.5">
        {seconds.map((each) => (
          <span key={each} className="flex-1 border-[1.5px] border-dashed border-ink-3" />
        ))}
      </div>
      <Times seconds={seconds} />
    </>
  );
}

/** Squares of grain with their times; one that is left out stands in an amber frame. */
function Patches({ strip }: { strip: WallStrip }) {
  return (
    <ol className={TIMES}>
      {strip.hung.map((patch) => (
        <li key={`${patch.seconds} ${patch.lstar}`} className="min-w-0 flex-1 text-center">
          <span
            className={`block h-10 [image-rendering:pixelated] ${patch.out ? "outline-[2.5px] -outline-offset-2 outline-ferric-deep" : ""}`}
            style={{ backgroundImage: `url(${grainTile(patch.lstar).href})` }}
          />
          <span className="num">{clock(patch.seconds)}</span>
        </li>
      ))}
    </ol>
  );
}

/** A strip of lines: finer to stronger. */
function Lines({ count }: { count: number }) {
  const shown = Math.min(MOST_LINES, Math.max(3, count * 4));
  return (
    <svg viewBox={`0 0 ${shown * 12} 60`} className="block h-14 w-full" aria-hidden="true">
      {Array.from({ length: shown }, (_, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: lines are all alike but for their width
          key={i}
          d={`M${6 + i * 12} 6V54`}
          className="stroke-ink"
          strokeWidth={0.8 + (3.4 * i) / shown}
          strokeDasharray={count === 0 ? "4 4" : undefined}
        />
      ))}
    </svg>
  );
}
