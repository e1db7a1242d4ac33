import type { Look } from "../../../api/marks";

type Line = NonNullable<Look["seen"]["missed"]>["lines"][number];
type Props = {
  lines: Line[];
  /** The place of the one that is told. */
  at: number;
  point: (at: number) => void;
  width: number;
  height: number;
  label: string;
};

const LEAST_MM = 6;

/** Numbered rings round what is in the drawing and not in the scratches. */
export function Rings({ lines, at, point, width, height }: Props) {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="none"
      aria-hidden="true"
      className="absolute inset-0 size-full overflow-visible"
    >
      {lines.map((line, place) => {
        const wide = Math.max(LEAST_MM, line.width_mm + 5);
        const high = Math.max(LEAST_MM, line.height_mm + 5);
        const [x, y] = [line.x_mm + line.width_mm / 2, line.y_mm + line.height_mm / 2];
        const now = place === at;
        return (
          <g key={line.number} onPointerDown={() => point(place)}>
            <ellipse
              cx={x}
              cy={y}
              rx={wide / 2}
              ry={high / 2}
              className="fill-none stroke-ferric-deep"
              strokeWidth={now ? 3.5 : 2}
              strokeDasharray="6 3"
              vectorEffect="non-scaling-stroke"
            />
            <Tag
              number={line.number}
              x={Math.max(0, x - wide / 2 - 2)}
              y={Math.max(0, y - high / 2 - 5)}
            />
          </g>
        );
      })}
    </svg>
  );
}

function Tag({ number, x, y }: { number: number; x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect width={number > 9 ? 11 : 8} height={9} className="fill-ferric-deep" />
      <text
        x={number > 9 ? 5.5 : 4}
        y={6.9}
        textAnchor="middle"
        fontSize={7}
        className="num fill-paper-lift font-bold"
      >
        {number}
      </text>
    </g>
  );
}
