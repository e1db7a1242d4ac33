import type { Frame } from "./BiteSection";
import { grainFill } from "./BiteSection";
import type { Column } from "./model";

const FAR_OFF = 3;

/** Below the plate: the tone each area prints, with its band, and the tone that was wanted. */
export function Footer({ frame }: { frame: Frame }) {
  const top = frame.top + frame.height + 38;
  const phone = frame.size === "phone";
  return (
    <g>
      <text x="2" y={top + 20} fontSize="13" fill="#463E36">
        {phone ? "prints" : "prints as"}
      </text>
      <text x="2" y={top + 57} fontSize="13" fill="#463E36">
        {phone ? "L*" : "L* expected"}
      </text>
      <text x="2" y={top + 80} fontSize="13" fill="#463E36">
        {phone ? "wanted" : "L* wanted"}
      </text>
      {frame.section.columns.map((column, i) => (
        <Swatch key={column.name} frame={frame} column={column} place={i} top={top} />
      ))}
    </g>
  );
}

function Swatch({
  frame,
  column,
  place,
  top,
}: {
  frame: Frame;
  column: Column;
  place: number;
  top: number;
}) {
  const [x0, x1] = [(frame.xs[place] as number) + 1, (frame.xs[place + 1] as number) - 1];
  const middle = (x0 + x1) / 2;
  const white = column.segments.length === 0;
  const half = Math.max(1, Math.round((column.high - column.low) / 2));
  const off = column.wanted !== null && Math.abs(column.expected - column.wanted) >= FAR_OFF;
  const roomy = x1 - x0 > 62;
  return (
    <g textAnchor="middle">
      <rect
        x={x0}
        y={top}
        width={x1 - x0}
        height="32"
        fill={white ? "#FAF6EC" : grainFill(frame.id, column.expected)}
        stroke="#1B1714"
        strokeWidth="1"
      />
      <text
        x={middle}
        y={top + 58}
        fontSize={frame.size === "phone" ? 17 : 21}
        fontWeight="700"
        className="n"
      >
        {column.expected.toFixed(0)}
        {roomy && !white ? (
          <tspan fontSize="13" fontWeight="500" style={{ fill: "#463E36" }}>
            {` ±${half}`}
          </tspan>
        ) : null}
      </text>
      <text
        x={middle}
        y={top + 80}
        fontSize={column.wanted === null ? 13 : 15}
        fontWeight={off ? 720 : 450}
        className="n"
        style={{ fill: off ? "#754A04" : "#463E36" }}
      >
        {column.wanted === null ? "white" : column.wanted.toFixed(0)}
      </text>
    </g>
  );
}
