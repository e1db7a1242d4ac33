import type { Tracing, Work } from "../../../api/works";
import { sizeOf } from "../../../frame/works/words";
import { useUser } from "../../../ui/useUser";

type Props = {
  work: Work;
  told: Tracing;
  done: Set<number>;
  follow: (piece: number, followed: boolean) => void;
};

/** The back of the sheet: its edge, the plate under it dashed, each part to touch when followed. */
export function TracedSheet({ work, told, done, follow }: Props) {
  const { units } = useUser();
  const [wide, high] = [work.sheet_width_mm, work.sheet_height_mm];
  const [x, y] = told.plate_at_mm;
  return (
    <figure className="mt-3">
      <svg viewBox={`-2 -2 ${wide + 4} ${high + 4}`} className="max-h-160 w-full">
        <title>The back of the sheet with the mirrored drawing</title>
        <rect width={wide} height={high} className="fill-paper-lift stroke-ink" strokeWidth=".8" />
        <rect
          x={x}
          y={y}
          width={work.width_mm}
          height={work.height_mm}
          className="fill-none stroke-ink-3"
          strokeWidth=".6"
          strokeDasharray="4 3"
        />
        <g transform={`translate(${x} ${y})`}>
          {told.pieces.map((each) => {
            const over = done.has(each.number);
            return (
              // biome-ignore lint/a11y/useSemanticElements: a part of a drawing is no button of HTML
              <g
                key={each.number}
                role="button"
                tabIndex={0}
                aria-pressed={over}
                aria-label={`Part ${each.number}`}
                className="cursor-pointer"
                onClick={() => follow(each.number, !over)}
                onKeyDown={(event) => {
                  if (event.key !== "Enter" && event.key !== " ") return;
                  event.preventDefault();
                  event.stopPropagation();
                  follow(each.number, !over);
                }}
              >
                <path
                  d={each.outline}
                  className="fill-transparent stroke-transparent"
                  strokeWidth="6"
                  pointerEvents="all"
                />
                <path
                  d={each.outline}
                  fillRule="evenodd"
                  className={over ? "fill-verdigris stroke-verdigris" : "fill-ink stroke-ink"}
                  strokeWidth=".4"
                  strokeDasharray={over ? "1 1" : undefined}
                />
              </g>
            );
          })}
        </g>
      </svg>
      <figcaption className="note">
        Black: to follow. Green: followed. Dashed: the plate,{" "}
        {sizeOf(work.width_mm, work.height_mm, units)}, under the sheet of{" "}
        {sizeOf(wide, high, units)}.
      </figcaption>
    </figure>
  );
}
