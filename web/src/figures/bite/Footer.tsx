import type { Frame } from "./BiteSection";
import { printFill } from "./BiteSection";
import type { Column } from "./model";

const FAR_OFF = 3;
const DOWN = [20, 57, 80];
const FAR_OFF_UM = 6;

/** Below the plate: the tone each area prints, with its band, and the tone that was wanted. */
export function Footer({ frame }: { frame: Frame }) {
  const top = frame.top + frame.height + 38;
  const phone = frame.size === "phone";
  const lines = frame.section.columns.some((column) => column.lines);
  const words = lines
    ? ["wide", phone ? "µm" : "µm deep", "wanted"]
    : [
        phone ? "prints" : "prints as",
        phone ? "L*" : "L* expected",
        phone ? "wanted" : "L* wanted",
      ];
  return (
    <g>
      {words.map((word, i) => (
        <text key={word} x="2" y={top + (DOWN[i] ?? 0)} fontSize="13" fill="#463E36">
          {word}
        </text>
      ))}
      {frame.section.columns.map((column, i) =>
        column.lines ? (
          <Groove key={column.name} frame={frame} lines={column.lines} place={i} top={top} />
        ) : (
          <Swatch key={column.name} frame={frame} column={column} place={i} top={top} />
        ),
      )}
    </g>
  );
}

/** A group of lines: its section at 1 µm a third of a pixel, its depth, what was wanted. */
function Groove({
  frame,
  lines,
  place,
  top,
}: {
  frame: Frame;
  lines: NonNullable<Column["lines"]>;
  place: number;
  top: number;
}) {
  const [x0, x1] = [(frame.xs[place] as number) + 1, (frame.xs[place + 1] as number) - 1];
  const middle = (x0 + x1) / 2;
  const off = lines.wanted !== null && Math.abs(lines.depth - lines.wanted) >= FAR_OFF_UM;
  const half = Math.min((x1 - x0) / 2 - 3, lines.width / 6);
  return (
    <g textAnchor="middle">
      <path
        d={`M${x0} ${top + 4}H${middle - half}Q${middle - half} ${top + 30} ${middle} ${top + 30}Q${middle + half} ${top + 30} ${middle + half} ${top + 4}H${x1}`}
        fill="none"
        stroke="#1B1714"
        strokeWidth="1.6"
      />
      <text x={middle} y={top + 20} fontSize="13" fontWeight="600" className="n">
        {lines.width.toFixed(0)}
      </text>
      <text x={middle} y={top + 58} fontSize="21" fontWeight="700" className="n">
        {lines.depth.toFixed(0)}
        {x1 - x0 > 62 ? (
          <tspan fontSize="13" fontWeight="500" style={{ fill: "#463E36" }}>
            {` ±${Math.max(1, Math.round(lines.half))}`}
          </tspan>
        ) : null}
      </text>
      <text
        x={middle}
        y={top + 80}
        fontSize="15"
        fontWeight={off ? 720 : 450}
        className="n"
        style={{ fill: off ? "#754A04" : "#463E36" }}
      >
        {lines.wanted === null ? "" : lines.wanted.toFixed(0)}
      </text>
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
        fill={white ? "#FAF6EC" : printFill(frame, column, column.expected)}
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
