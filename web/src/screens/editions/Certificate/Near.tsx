import type { Edition } from "../../../api/editions";

const WIDE = 470;
const HIGH = 110;

/** How near each numbered impression came to the OK, as far as it was read. */
export function Near({ edition }: { edition: Edition }) {
  const read = edition.rows.filter(
    (each) => each.state === "signed" && each.series === "edition" && each.off_lstar !== null,
  );
  if (read.length < 2 || !edition.wears) return null;
  const tolerance = edition.tolerance_lstar;
  const x = (number: number) => 40 + ((number - 0.5) / edition.size) * (WIDE - 44);
  const y = (off: number) => 18 + (Math.max(-1, off) / Math.max(tolerance * 1.3, 1)) * (HIGH - 44);
  return (
    <section>
      <h3>How near the OK: {edition.wears.toLowerCase()}, L* lighter</h3>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        className="block w-full"
        role="img"
        aria-label={`Read on ${read.length} impressions`}
      >
        <path d={`M40 ${y(0)}H${WIDE}`} className="stroke-ink" strokeWidth={1.5} />
        <path d={`M40 ${y(tolerance)}H${WIDE}`} className="stroke-ink" strokeDasharray="6 4" />
        <text x={0} y={y(0) + 5} className="text-body">
          OK
        </text>
        <text x={0} y={y(tolerance) + 5} className="num text-body">
          +{tolerance}
        </text>
        {read.map((each) => (
          <circle
            key={each.pull}
            cx={x(each.number ?? 0)}
            cy={y(each.off_lstar ?? 0)}
            r={4}
            className="fill-ink"
          />
        ))}
        {[1, ...[5, 10, 15, 20, 25, 30, 40, 50].filter((n) => n <= edition.size)].map((n) => (
          <text key={n} x={x(n)} y={HIGH - 4} textAnchor="middle" className="num text-body">
            {n}
          </text>
        ))}
      </svg>
    </section>
  );
}
