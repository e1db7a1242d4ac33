import { useId } from "react";
import { metalFill } from "./metal";

const TIMES = 22;
const MOST_PX = 60;
const WIDE = 196;

type Props = {
  metal: string;
  thickMm: number;
  bevel: { run_mm: number; height_mm: number } | null;
};

/** The plate's edge cut through, some twenty times as large, with the bevel it asks for. */
export function EdgeCut({ metal, thickMm, bevel }: Props) {
  const id = useId().replaceAll(":", "");
  const { face, cut, defs } = metalFill(metal, id);
  const times = Math.min(TIMES, MOST_PX / thickMm);
  const thick = Math.max(4, thickMm * times);
  const run = (bevel?.run_mm ?? 0) * times;
  const down = Math.min(thick, (bevel?.height_mm ?? 0) * times);
  const outline = `M0 0H${WIDE - run}L${WIDE} ${down}V${thick}H0Z`;
  return (
    <svg
      className="block flex-none overflow-visible"
      width={WIDE + 34}
      height={thick + 8}
      aria-hidden="true"
    >
      {defs}
      <g transform="translate(0 4)">
        <path d={outline} fill={face} />
        <path d={outline} fill={cut} />
        <path
          d={`M0 0H${WIDE - run}L${WIDE} ${down}V${thick}`}
          className="fill-none stroke-ink"
          strokeWidth="2"
        />
        <path d={`M0 ${thick}H${WIDE}`} className="stroke-ink" strokeWidth="2" />
        {metal === "polymer" ? (
          <path d={`M0 ${thick * 0.55}H${WIDE}V${thick}H0Z`} fill="var(--color-polymer-back)" />
        ) : null}
        {bevel ? (
          <path
            d={`M${WIDE - run} 0H${WIDE}V${down}`}
            className="fill-none stroke-copper-deep"
            strokeDasharray="4 3"
            strokeWidth="1.5"
          />
        ) : null}
        <path
          d={`M${WIDE + 14} 0h14M${WIDE + 14} ${thick}h14M${WIDE + 21} 1V${thick - 1}`}
          className="stroke-copper-deep"
          strokeWidth="1.5"
        />
      </g>
    </svg>
  );
}
