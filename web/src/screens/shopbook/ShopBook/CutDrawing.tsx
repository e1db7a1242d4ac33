import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { shownLength } from "../../../ui/units";

/** How a sheet is cut; the rest is two sides, which the schema's own type loses. */
export type Layout = Omit<Shapes["CutSheetOutput"], "largest_rest_mm" | "rest_at_mm"> & {
  largest_rest_mm: number[];
  rest_at_mm: number[];
};

/** Text is this share of the sheet's longer side. */
const TEXT_SHARE = 1 / 38;

/** From the beginning of a cut to its number, in sizes of the text. */
const NUMBER_OFF = 1.5;

type Props = { layout: Layout; width: number; height: number };
type Piece = Layout["placed"][number];
type Cut = Layout["cuts"][number];

/** The sheet with its plates and its cuts, at its own proportions. */
export function CutDrawing({ layout, width, height }: Props) {
  const size = Math.max(width, height) * TEXT_SHARE;
  return (
    <svg
      viewBox={`-2 -2 ${width + 4} ${height + 4}`}
      className="max-h-115 w-full"
      role="img"
      aria-label="Layout of the sheet"
    >
      <rect
        width={width}
        height={height}
        className="fill-paper-sunk stroke-ink"
        strokeWidth={size / 8}
      />
      {layout.usable_rest_cm2 > 0 ? <Rest layout={layout} size={size} /> : null}
      {layout.placed.map((piece) => (
        <Placed key={`${piece.name} ${piece.x_mm} ${piece.y_mm}`} piece={piece} size={size} />
      ))}
      {layout.cuts.map((cut) => (
        <CutLine key={cut.number} cut={cut} size={size} />
      ))}
    </svg>
  );
}

/** What is left whole and wide enough to be used. */
function Rest({ layout, size }: { layout: Layout; size: number }) {
  const { me } = useHere();
  const [x = 0, y = 0] = layout.rest_at_mm;
  const [width = 0, height = 0] = layout.largest_rest_mm;
  return (
    <g textAnchor="middle" className="fill-ink-2">
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        className="fill-paper stroke-ink-3"
        strokeWidth={size / 10}
        strokeDasharray={`${size * 0.5} ${size * 0.5}`}
      />
      <text x={x + width / 2} y={y + height / 2} fontSize={size}>
        left to use
      </text>
      <text
        x={x + width / 2}
        y={y + height / 2 + size * 1.15}
        fontSize={size * 0.9}
        className="num"
      >
        {shownLength(width, me)} × {shownLength(height, me)}
      </text>
    </g>
  );
}

function Placed({ piece, size }: { piece: Piece; size: number }) {
  const { me } = useHere();
  const x = piece.x_mm + piece.width_mm / 2;
  const y = piece.y_mm + piece.height_mm / 2;
  const fits = (piece.width_mm * 1.6) / Math.max(6, piece.name.length);
  return (
    <g textAnchor="middle">
      <rect
        x={piece.x_mm}
        y={piece.y_mm}
        width={piece.width_mm}
        height={piece.height_mm}
        className="fill-paper-lift stroke-ink"
        strokeWidth={size / 10}
      />
      <text className="font-semibold" x={x} y={y} fontSize={Math.min(size, fits)}>
        {piece.name}
      </text>
      <text x={x} y={y + size * 1.15} fontSize={size * 0.9} className="num">
        {shownLength(piece.width_mm, me)} × {shownLength(piece.height_mm, me)}
      </text>
    </g>
  );
}

function CutLine({ cut, size }: { cut: Cut; size: number }) {
  const across = cut.along === "across";
  const [x1, y1] = across ? [cut.from_mm, cut.at_mm] : [cut.at_mm, cut.from_mm];
  const [x2, y2] = across ? [cut.to_mm, cut.at_mm] : [cut.at_mm, cut.to_mm];
  // near where the cut begins, clear of the corner: the middle is where the names stand
  const off = Math.min(size * NUMBER_OFF, (cut.to_mm - cut.from_mm) / 2);
  const [x, y] = across ? [x1 + off, y1] : [x1, y1 + off];
  return (
    <g>
      <path
        d={`M${x1} ${y1}L${x2} ${y2}`}
        className="stroke-copper-deep"
        strokeWidth={size / 5}
        strokeDasharray={`${size * 0.6} ${size * 0.3}`}
      />
      <circle cx={x} cy={y} r={size * 0.8} className="fill-copper-deep" />
      <text
        x={x}
        y={y + size * 0.33}
        fontSize={size * 0.9}
        textAnchor="middle"
        className="num fill-paper-lift font-bold"
      >
        {cut.number}
      </text>
    </g>
  );
}
