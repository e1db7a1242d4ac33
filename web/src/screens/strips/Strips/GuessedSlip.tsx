import { useId } from "react";
import { Patterns } from "../../../figures/Patterns";
import { grainTile } from "../../../figures/grain";
import { clock } from "../../../ui/times";

const [PATCH, GAP, HEIGHT, EDGE, FOOT] = [98, 3, 88, 20, 38];

/** The strip that is not there yet: its patches as they may print, each with its time. */
export function GuessedSlip({ patches }: { patches: { seconds: number; lstar: number }[] }) {
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const width = 2 * EDGE + patches.length * (PATCH + GAP) - GAP;
  const height = HEIGHT + EDGE + FOOT;
  const times = patches.map(({ seconds }) => clock(seconds)).join(", ");
  return (
    <svg
      viewBox={`-1 -1 ${width + 2} ${height + 2}`}
      className="block w-full max-w-160"
      role="img"
      aria-label={`A strip to make: ${patches.length} patches, ${times} in the bath in all`}
    >
      <Patterns id={id} tones={patches.map(({ lstar }) => lstar)} />
      <rect
        width={width}
        height={height}
        className="fill-none stroke-ink-3"
        strokeWidth="1.5"
        strokeDasharray="7 5"
      />
      {patches.map(({ seconds, lstar }, n) => {
        const x = EDGE + n * (PATCH + GAP);
        return (
          <g key={seconds}>
            <rect
              x={x}
              y={EDGE}
              width={PATCH}
              height={HEIGHT}
              fill={`url(#${id}-g${grainTile(lstar).key})`}
              fillOpacity=".6"
              className="stroke-ink-3"
              strokeDasharray="4 3"
            />
            <text
              x={x + PATCH / 2}
              y={EDGE + HEIGHT + 25}
              textAnchor="middle"
              fontSize="17"
              className="num fill-ink font-bold"
            >
              {clock(seconds)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
