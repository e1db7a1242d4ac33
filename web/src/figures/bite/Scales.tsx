import { clock } from "../../ui/times";
import type { Frame } from "./frame";
import type { BiteRow } from "./model";

const FILL = { done: "fill-ink", now: "fill-verdigris", planned: "fill-ink-3" };
const STROKE = { done: "stroke-ink", now: "stroke-verdigris", planned: "stroke-ink-3" };
const NAME = { done: "fill-ink", now: "fill-verdigris", planned: "fill-ink" };
const WORD = { done: "bitten", now: "in the bath", planned: "planned" };

/** Left: each bite's length by the clock. Right: minutes in the bath, as at the strip. */
export function Scales({ frame, ticks }: { frame: Frame; ticks: number[] }) {
  const bites = spread(frame);
  const right = (frame.xs.at(-1) as number) + 20;
  return (
    <g>
      {frame.size === "large" ? null : (
        <text x="2" y={frame.top - 8} fontSize="13" fill="var(--color-ink-2)">
          Bite
        </text>
      )}
      {bites.map(({ bite, y }) => (
        <BiteLabel key={bite.number} frame={frame} bite={bite} y={y} />
      ))}
      <path d={`M${right} ${frame.top}V${frame.top + frame.height}`} stroke="var(--color-ink)" />
      <path
        d={`M${right} ${frame.top}h6M${right} ${frame.top + frame.height}h6`}
        stroke="var(--color-ink)"
      />
      <text x={right - 2} y={frame.top - 8} fontSize="13" fill="var(--color-ink-2)">
        min
      </text>
      {ticks.map((minute) => (
        <g key={minute}>
          <path d={`M${right} ${frame.y(minute * 60)}h6`} stroke="var(--color-ink)" />
          <text
            className="num"
            x={right + 9}
            y={frame.y(minute * 60) + 4.5}
            fontSize="13"
            fill="var(--color-ink-2)"
          >
            {minute}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Keep labels of short bites from running into one another. */
function spread(frame: Frame): { bite: BiteRow; y: number }[] {
  const gap = frame.size === "large" ? 34 : 20;
  let last = Number.NEGATIVE_INFINITY;
  return frame.section.bites.map((bite) => {
    const middle = (frame.y(bite.from) + frame.y(bite.to)) / 2;
    const y = Math.max(middle, last + gap);
    last = y;
    return { bite, y };
  });
}

function BiteLabel({ frame, bite, y }: { frame: Frame; bite: BiteRow; y: number }) {
  const x = frame.left - 20;
  const large = frame.size === "large";
  return (
    <g>
      <path
        d={`M${x} ${frame.y(bite.from) + 2}V${frame.y(bite.to) - 2}`}
        className={STROKE[bite.phase]}
        strokeWidth={bite.phase === "planned" ? 1.3 : 3}
        strokeDasharray={bite.phase === "planned" ? "3 3" : undefined}
      />
      <path d={`M${x - 5} ${frame.y(bite.to)}h10`} stroke="var(--color-ink)" strokeWidth="1.1" />
      <text
        className={`num ${NAME[bite.phase]} font-bold`}
        x={x - 9}
        y={y + 6}
        textAnchor="end"
        fontSize={large ? 21 : 15}
      >
        {clock(bite.seconds)}
      </text>
      {large ? (
        <g>
          <text
            className={`font-slab ${NAME[bite.phase]} font-semibold`}
            x="2"
            y={y - 1}
            fontSize="15"
          >
            Bite {bite.number}
          </text>
          <text x="2" y={y + 14} fontSize="13" className={FILL[bite.phase]}>
            {WORD[bite.phase]}
          </text>
        </g>
      ) : (
        <text className={`num ${FILL[bite.phase]}`} x="2" y={y + 5} fontSize="13">
          {bite.number}
        </text>
      )}
    </g>
  );
}
