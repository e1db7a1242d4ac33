import type { Frame } from "./frame";
import { GOALS } from "./goals";

const DOWN = [20, 57, 80];

/** Below the plate: what each area comes to, with its band, and what was wanted. */
export function Footer({ frame }: { frame: Frame }) {
  const top = frame.top + frame.height + 38;
  const { Foot, words } = GOALS[frame.section.goal.kind];
  return (
    <g>
      {words(frame.size === "phone").map((word, i) => (
        <text key={word} x="2" y={top + (DOWN[i] ?? 0)} fontSize="13" fill="var(--color-ink-2)">
          {word}
        </text>
      ))}
      {frame.section.columns.map((column, i) => (
        <Foot key={column.name} frame={frame} column={column} place={i} top={top} />
      ))}
    </g>
  );
}
