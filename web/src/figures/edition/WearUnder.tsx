import type { Edition } from "../../api/editions";
import { type Column, LEFT, leads } from "./columns";

type At = { wide: number; whole: number; x: (column: number) => number };
type Props = {
  edition: Edition;
  columns: Column[];
  at: At;
  high: number;
  chosen: string | null;
};

const TOP = 26;
const BOTTOM = 34;

/** Down is lighter than the OK: dots were read, the line is expected, the floor is past the tolerance. */
export function WearUnder({ edition, columns, at, high, chosen }: Props) {
  const forecast = edition.forecast;
  if (!forecast) return null;
  const ok = forecast.forecast[edition.ok_place - 1]?.lstar ?? forecast.forecast[0]?.lstar ?? 0;
  const tolerance = edition.tolerance_lstar;
  const lightest =
    Math.max(tolerance + 1.5, ...edition.rows.map((each) => each.off_lstar ?? 0)) + 0.3;
  const darkest = Math.min(-0.8, ...edition.rows.map((each) => each.off_lstar ?? 0)) - 0.3;
  const y = (off: number) =>
    TOP +
    ((Math.min(lightest, Math.max(darkest, off)) - darkest) / (lightest - darkest)) *
      (high - TOP - BOTTOM);
  // a place of the forecast is a pull: its column comes after the OK's, where that hangs by itself
  const lead = leads(edition) ? 1 : 0;
  const x = (place: number) => at.x(place - 1 + lead);
  const last = columns.length - lead;
  const points = forecast.forecast.slice(0, last);
  const path = (rows: { impression: number; lstar: number }[]) =>
    rows
      .map(
        (p, i) =>
          `${i === 0 ? "M" : "L"}${x(p.impression).toFixed(1)} ${y(p.lstar - ok).toFixed(1)}`,
      )
      .join("");
  const band = `${points.map((p, i) => `${i === 0 ? "M" : "L"}${x(p.impression).toFixed(1)} ${y(p.low - ok).toFixed(1)}`).join("")}${[
    ...points,
  ]
    .reverse()
    .map((p) => `L${x(p.impression).toFixed(1)} ${y(p.high - ok).toFixed(1)}`)
    .join("")}Z`;
  const made = edition.rows.length;
  const paleColumn = columnOf(columns, edition.pale_from);
  return (
    <>
      <Floor y={y(tolerance)} low={high - BOTTOM} whole={at.whole} tolerance={tolerance} />
      {Array.from({ length: Math.floor(lightest) + 1 }, (_, i) => i).map((off) => (
        <g key={off}>
          <path d={`M${LEFT} ${y(off)}H${at.whole}`} className="stroke-hair" />
          <text x={LEFT - 8} y={y(off) + 5} textAnchor="end" className="num text-note">
            {off === 0 ? "OK" : `+${off}`}
          </text>
        </g>
      ))}
      <text x={0} y={12} className="text-note">
        L* lighter{edition.wears ? `, ${edition.wears.toLowerCase()}` : ""}
      </text>
      <path d={band} className="fill-paper-edge opacity-70" />
      <path d={path(points.slice(0, made))} className="fill-none stroke-ink" strokeWidth={2.5} />
      <path
        d={path(points.slice(Math.max(0, made - 1)))}
        className="fill-none stroke-ink"
        strokeWidth={2.5}
        strokeDasharray="7 5"
      />
      {forecast.again ? (
        <path
          d={path(forecast.again.forecast.slice(0, Math.max(0, last - forecast.again.after)))}
          className="fill-none stroke-copper-deep"
          strokeWidth={2.5}
          strokeDasharray="2 4"
        />
      ) : null}
      <Dots edition={edition} x={x} y={y} ok={ok} chosen={chosen} />
      {paleColumn > 0 ? (
        <Answer edition={edition} x={at.x(paleColumn)} columns={columns} at={at} high={high} />
      ) : null}
    </>
  );
}

/** Where a number of the edition hangs, or will hang; -1 where it is none of it. */
const columnOf = (columns: Column[], number: number | null) =>
  columns.findIndex((each) =>
    each.kind === "to-come"
      ? each.number === number
      : each.kind === "pull" && each.row.series === "edition" && each.row.number === number,
  );

function Floor({
  y,
  low,
  whole,
  tolerance,
}: {
  y: number;
  low: number;
  whole: number;
  tolerance: number;
}) {
  return (
    <>
      <rect
        x={LEFT}
        y={y}
        width={whole - LEFT}
        height={Math.max(0, low - y)}
        fill="url(#pale-sheet)"
        opacity={0.5}
      />
      <path d={`M${LEFT} ${y}H${whole}`} className="stroke-ferric-deep" strokeWidth={2} />
      <text x={LEFT + 8} y={y - 6} className="fill-ferric-deep text-body font-bold halo">
        tolerance, {tolerance} L* lighter than the OK
      </text>
    </>
  );
}

type DotsProps = {
  edition: Edition;
  x: (place: number) => number;
  y: (off: number) => number;
  ok: number;
  chosen: string | null;
};

/** Read from each sheet, with the reading's doubt; a cross is a spoiled pull: it wears the plate as well. */
function Dots({ edition, x, y, ok, chosen }: DotsProps) {
  return (
    <>
      <circle
        cx={x(leads(edition) ? 0 : edition.ok_place)}
        cy={y(0)}
        r={6}
        className="fill-paper-lift stroke-ink"
        strokeWidth={2.5}
      />
      {edition.rows.map((row) => {
        const cx = x(row.place);
        const expected = (edition.forecast?.forecast[row.place - 1]?.lstar ?? ok) - ok;
        if (row.off_lstar === null)
          return row.state === "spoiled" ? (
            <path
              key={row.pull}
              d={`M${cx - 5} ${y(expected) - 5}l10 10m0-10l-10 10`}
              className="stroke-ink"
              strokeWidth={2}
            />
          ) : null;
        const spread = row.spread ?? 0;
        return (
          <g key={row.pull}>
            <path
              d={`M${cx} ${y(row.off_lstar - spread)}V${y(row.off_lstar + spread)}`}
              className="stroke-ink"
              strokeWidth={1.5}
            />
            <circle
              cx={cx}
              cy={y(row.off_lstar)}
              r={row.pull === chosen ? 8 : 5}
              className="fill-ink"
            />
          </g>
        );
      })}
    </>
  );
}

type AnswerProps = { edition: Edition; x: number; columns: Column[]; at: At; high: number };

/** The number from which it no longer matches, and how sure that is. */
function Answer({ edition, x, columns, at, high }: AnswerProps) {
  const column = (number: number | null) =>
    number === null ? columns.length : columnOf(columns, number);
  const low = Math.max(0, column(edition.pale_low));
  const from = at.x(low) - at.wide / 2;
  const to = Math.min(at.whole, at.x(column(edition.pale_high)) + at.wide / 2);
  return (
    <>
      <rect
        x={from}
        y={high - BOTTOM - 6}
        width={Math.max(4, to - from)}
        height={12}
        className="fill-ferric"
      />
      <path d={`M${x} 0V${high - BOTTOM + 6}`} className="stroke-ferric-deep" strokeWidth={2.5} />
      <rect x={x - 46} y={high - 27} width={92} height={26} className="fill-ferric-deep" />
      <text x={x} y={high - 8} textAnchor="middle" className="num fill-white! text-lead font-bold">
        no. {edition.pale_from}
      </text>
      {edition.pale_high === null ? (
        <text
          x={at.whole - 2}
          y={high - 8}
          textAnchor="end"
          className="fill-ferric-deep text-note font-bold"
        >
          past {edition.size} ▸
        </text>
      ) : null}
    </>
  );
}
