import type { Change } from "../../../api/proofs";

const CELL = 10;
const LEAST_LSTAR = 1.2;
const FULL_LSTAR = 12;

/** Where a proof changed: ink lines aslant where darker, brown dashes where lighter; their weight is
 * how much. */
export function Difference({ change }: { change: Change }) {
  const { columns, rows, cells } = change;
  const marks = cells.flatMap((by, i) =>
    Math.abs(by) < LEAST_LSTAR
      ? []
      : [{ by, x: (i % columns) * CELL, y: Math.floor(i / columns) * CELL, key: i }],
  );
  return (
    <figure>
      <svg
        viewBox={`0 0 ${columns * CELL} ${rows * CELL}`}
        className="block w-full border-[1.5px] border-ink bg-paper-lift"
        role="img"
        aria-label={change.text}
      >
        {marks.map(({ by, x, y, key }) =>
          by < 0 ? (
            <path
              key={key}
              d={`M${x} ${y + CELL}l${CELL} ${-CELL}`}
              className="stroke-ink"
              strokeWidth={weight(by)}
            />
          ) : (
            <path
              key={key}
              d={`M${x + 1} ${y + CELL / 2}h${CELL - 3}`}
              className="stroke-copper-deep"
              strokeWidth={weight(by)}
            />
          ),
        )}
      </svg>
      <figcaption className="note mt-1 flex flex-wrap gap-x-5">
        <span>
          <b aria-hidden="true">╱</b> darker
        </span>
        <span className="text-copper-deep">
          <b aria-hidden="true">–</b> lighter
        </span>
        <span>The heavier, the more; blank under {LEAST_LSTAR} L*.</span>
      </figcaption>
    </figure>
  );
}

const weight = (by: number) => 0.6 + 4 * Math.min(1, Math.abs(by) / FULL_LSTAR);
