import { clock } from "../../ui/times";
import type { Frame } from "./frame";
import type { BiteRow } from "./model";

const COLOUR = { done: "#1B1714", now: "#1D6B5B", planned: "#62574B" };
const WORD = { done: "bitten", now: "in the bath", planned: "planned" };

/** Left: each bite's length by the clock. Right: minutes in the bath, as at the strip. */
export function Scales({ frame, ticks }: { frame: Frame; ticks: number[] }) {
  const bites = spread(frame);
  const right = (frame.xs.at(-1) as number) + 20;
  return (
    <g>
      {frame.size === "large" ? null : (
        <text x="2" y={frame.top - 8} fontSize="13" fill="#463E36">
          Bite
        </text>
      )}
      {bites.map(({ bite, y }) => (
        <BiteLabel key={bite.number} frame={frame} bite={bite} y={y} />
      ))}
      <path d={`M${right} ${frame.top}V${frame.top + frame.height}`} stroke="#1B1714" />
      <path
        d={`M${right} ${frame.top}h6M${right} ${frame.top + frame.height}h6`}
        stroke="#1B1714"
      />
      <text x={right - 2} y={frame.top - 8} fontSize="13" fill="#463E36">
        min
      </text>
      {ticks.map((minute) => (
        <g key={minute}>
          <path d={`M${right} ${frame.y(minute * 60)}h6`} stroke="#1B1714" />
          <text
            className="n"
            x={right + 9}
            y={frame.y(minute * 60) + 4.5}
            fontSize="13"
            fill="#463E36"
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
  const colour = COLOUR[bite.phase];
  return (
    <g>
      <path
        d={`M${x} ${frame.y(bite.from) + 2}V${frame.y(bite.to) - 2}`}
        stroke={colour}
        strokeWidth={bite.phase === "planned" ? 1.3 : 3}
        strokeDasharray={bite.phase === "planned" ? "3 3" : undefined}
      />
      <path d={`M${x - 5} ${frame.y(bite.to)}h10`} stroke="#1B1714" strokeWidth="1.1" />
      <text
        className="n"
        x={x - 9}
        y={y + 6}
        textAnchor="end"
        fontSize={large ? 21 : 15}
        fontWeight="680"
        fill={bite.phase === "now" ? "#1D6B5B" : "#1B1714"}
        style={{ fill: bite.phase === "now" ? "#1D6B5B" : "#1B1714" }}
      >
        {clock(bite.seconds)}
      </text>
      {large ? (
        <g>
          <text
            className="slab"
            x="2"
            y={y - 1}
            fontSize="15"
            fontWeight="600"
            style={{ fill: colour === "#62574B" ? "#1B1714" : colour }}
          >
            Bite {bite.number}
          </text>
          <text x="2" y={y + 14} fontSize="13" style={{ fill: colour }}>
            {WORD[bite.phase]}
          </text>
        </g>
      ) : (
        <text className="n" x="2" y={y + 5} fontSize="13" style={{ fill: colour }}>
          {bite.number}
        </text>
      )}
    </g>
  );
}
