import { useNowOf } from "../../ui/useNow";
import type { Frame } from "./frame";
import { printFill } from "./goals";
import type { ReachedBy } from "./reachedNow";
import { wave } from "./shapes";

/** A wave that moves less than this is not drawn again [px]. */
const FINEST_PX = 0.5;

/** What moves while a plate is in the bath: the depth reached in the open areas, and its wave. */
export function NowLayer({ frame, reached }: { frame: Frame; reached: ReachedBy }) {
  const y = useNowOf((now) => Math.round(frame.y(reached(now)) / FINEST_PX) * FINEST_PX, 1000);
  const open = frame.section.columns.flatMap((column, i) => {
    const segment = column.segments.find((each) => each.phase === "now");
    return segment ? [{ i, segment }] : [];
  });
  const [first, last] = [open.at(0)?.i, open.at(-1)?.i];
  if (first === undefined || last === undefined) return null;
  const path = wave(frame.xs[first] as number, frame.xs[last + 1] as number, y, 3, 16);
  return (
    <g fill="none">
      {open.map(({ i, segment }) => {
        const x = frame.xs[i] as number;
        const top = frame.y(segment.from);
        const at = Math.min(frame.y(segment.to), y);
        return (
          <rect
            key={i}
            x={x}
            y={top}
            width={(frame.xs[i + 1] as number) - x}
            height={Math.max(0, at - top)}
            fill={printFill(frame, segment.lstar)}
          />
        );
      })}
      <path d={path} className="stroke-paper-lift" strokeWidth="5" />
      <path d={path} className="stroke-verdigris" strokeWidth="2.6" />
    </g>
  );
}
