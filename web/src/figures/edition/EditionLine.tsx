import type { Edition, Impression } from "../../api/editions";
import { wallClock, weekdayOf, type Zone } from "../../ui/times";
import { useWidth } from "../useWidth";
import { type Column, columnsOf, laidOut, leads, sheetWord } from "./columns";
import { WearUnder } from "./WearUnder";

const LINE_HIGH = 128;
const CHART_HIGH = 226;

type Props = {
  edition: Edition;
  zone: Zone;
  chosen: string | null;
  choose: (pull: string) => void;
};

/** Sheets hang in the order they were pulled; the column under each carries its reading. */
export function EditionLine({ edition, zone, chosen, choose }: Props) {
  const [ref, width] = useWidth(1058);
  const columns = columnsOf(edition);
  const at = laidOut(columns.length, width);
  const chart = edition.forecast !== null;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by keys
    <div ref={ref} className="min-w-0 overflow-x-auto" tabIndex={0}>
      {width > 0 ? (
        <svg
          width={at.whole}
          height={LINE_HIGH + (chart ? CHART_HIGH : 0)}
          role="img"
          aria-label={`${edition.sentence} ${edition.done} of ${edition.size} done, ${edition.spoiled} spoiled.`}
          className="block"
        >
          <Defs />
          <path
            d={`M0 12H${at.whole}`}
            className="stroke-ink"
            strokeWidth={1.6}
            strokeDasharray="4 2"
          />
          {columns.map((column, i) => (
            <Sheet
              key={keyOf(column)}
              column={column}
              x={at.x(i)}
              wide={Math.min(at.wide - 4, 64)}
              zone={zone}
              now={edition.now_seconds}
              chosen={column.kind === "pull" && column.row.pull === chosen}
              choose={choose}
            />
          ))}
          <Days
            edition={edition}
            zone={zone}
            x={(row) => at.x(row + (leads(edition) ? 1 : 0))}
            wide={at.wide}
          />
          {chart ? (
            <g transform={`translate(0 ${LINE_HIGH})`}>
              <WearUnder
                edition={edition}
                columns={columns}
                at={at}
                high={CHART_HIGH}
                chosen={chosen}
              />
            </g>
          ) : null}
        </svg>
      ) : null}
    </div>
  );
}

const keyOf = (column: Column) =>
  column.kind === "ok"
    ? "ok"
    : column.kind === "pull"
      ? column.row.pull
      : `to come ${column.number}`;

function Defs() {
  return (
    <defs>
      <pattern id="pale-sheet" width="8" height="8" patternUnits="userSpaceOnUse">
        <path d="M0 8 8 0" className="stroke-ferric" strokeWidth="1.3" />
      </pattern>
    </defs>
  );
}

type SheetProps = {
  column: Column;
  x: number;
  wide: number;
  zone: Zone;
  now: number;
  chosen: boolean;
  choose: (pull: string) => void;
};

const TOP = 18;
const HIGH = 62;

function Sheet({ column, x, wide, zone, now, chosen, choose }: SheetProps) {
  const left = x - wide / 2;
  const row = column.kind === "pull" ? column.row : null;
  const away = row !== null && (row.state === "spoiled" || row.state === "void");
  const pale = column.kind === "to-come" && column.pale;
  const damp = row?.dry_seconds !== null && row?.dry_seconds !== undefined && row.dry_seconds > now;
  return (
    <g
      onPointerDown={row ? () => choose(row.pull) : undefined}
      className={row ? "cursor-pointer" : undefined}
    >
      {column.kind === "to-come" ? null : (
        <rect x={x - 4} y={4} width={8} height={19} className="fill-copper-pale stroke-ink" />
      )}
      <rect
        x={left}
        y={TOP}
        width={wide}
        height={HIGH}
        fill={pale ? "url(#pale-sheet)" : undefined}
        className={`${pale ? "stroke-ferric-deep" : column.kind === "to-come" ? "fill-none stroke-ink" : "fill-paper-lift stroke-ink"}`}
        strokeWidth={chosen ? 3 : 1.2}
        strokeDasharray={column.kind === "to-come" ? "5 3" : undefined}
      />
      {row && !away ? (
        <rect
          x={left + 6}
          y={TOP + 8}
          width={wide - 12}
          height={(wide - 12) * 0.62}
          className="fill-ink-3"
        />
      ) : null}
      {away ? (
        <path
          d={`M${left} ${TOP}L${left + wide} ${TOP + HIGH}M${left + wide} ${TOP}L${left} ${TOP + HIGH}`}
          className="stroke-ink"
          strokeWidth={1.8}
        />
      ) : null}
      <text
        x={x}
        y={TOP + (column.kind === "to-come" ? 38 : 51)}
        textAnchor="middle"
        className={`num font-bold ${sheetWord(column).length > 2 ? "text-note" : "text-lead"} ${pale ? "fill-ferric-deep" : ""}`}
      >
        {row?.state === "void" ? row.label : away ? "" : sheetWord(column)}
      </text>
      {damp ? (
        <path
          d={`M${left + 4} ${TOP + HIGH - 5}${"q3-3 6 0t6 0".repeat(Math.max(1, Math.floor((wide - 8) / 12)))}`}
          className="fill-none stroke-verdigris"
          strokeWidth={1.6}
        />
      ) : null}
      {row ? (
        <text x={x} y={TOP + HIGH + 15} textAnchor="middle" className="num text-note">
          {away ? (row.state === "void" ? "void" : "spoiled") : wallClock(row.at_seconds, zone)}
        </text>
      ) : null}
    </g>
  );
}

/** Which sheets were pulled on which day. */
function Days({
  edition,
  zone,
  x,
  wide,
}: {
  edition: Edition;
  zone: Zone;
  x: (column: number) => number;
  wide: number;
}) {
  return (
    <>
      {daysOf(edition.rows, zone).map(({ day, from, to }) => (
        <g key={`${day} ${from}`}>
          <path
            d={`M${x(from) - wide / 2 + 2} 102v5H${x(to) + wide / 2 - 2}v-5`}
            className="fill-none stroke-ink-3"
          />
          <text
            x={from === to ? x(from) : x(from) - wide / 2 + 2}
            y={123}
            textAnchor={from === to ? "middle" : "start"}
            className="text-note"
          >
            {(to - from + 1) * wide > 70 ? day : day.slice(4)}
          </text>
        </g>
      ))}
    </>
  );
}

function daysOf(rows: Impression[], zone: Zone) {
  const days: { day: string; from: number; to: number }[] = [];
  rows.forEach((row, i) => {
    const day = weekdayOf(row.at_seconds, zone);
    const last = days.at(-1);
    if (last?.day === day) last.to = i;
    else days.push({ day, from: i, to: i });
  });
  return days;
}
