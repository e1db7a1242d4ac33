import type { Plan } from "../../../api/plans";
import { biteSection, columnWidths, depthOf, endOf } from "../../../figures/bite/model";
import { clock } from "../../../ui/times";

const [WIDTH, HEIGHT, LEFT, TOP, FLOOR] = [560, 250, 112, 26, 210];
const [NARROWEST, CAP] = [52, 9];

/** The section in line, tones as the density of a hatch: it survives a copier and a wet sleeve. */
export function CardSection({ plan }: { plan: Plan }) {
  const section = biteSection(plan.areas, plan.sheet, plan.in_bath, endOf(plan));
  const shares = section.columns.map((column) => column.share);
  const xs = [LEFT];
  for (const width of columnWidths(shares, WIDTH - LEFT - 16, NARROWEST)) {
    xs.push((xs.at(-1) as number) + width);
  }
  const y = (seconds: number) => TOP + depthOf(seconds, section.deepest, FLOOR - TOP - 24, false);
  const ends = section.columns.map((c) => c.segments.at(-1)?.to ?? 0);
  const right = xs.at(-1) as number;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full">
      <title>Bite section for printing</title>
      {section.columns.map((column, i) => {
        const [x0, x1] = [xs[i] as number, xs[i + 1] as number];
        const end = y(ends[i] as number);
        return (
          <g key={column.name}>
            <text x={(x0 + x1) / 2} y={14} textAnchor="middle" fontSize="13" className="font-slab">
              {column.name}
            </text>
            <Hatch x0={x0} x1={x1} y0={TOP} y1={end} gap={gapOf(column.lstar)} />
            <path d={`M${x0} ${end}H${x1}`} stroke="currentColor" strokeWidth={CAP} />
          </g>
        );
      })}
      <path
        d={`M${LEFT} ${TOP}V${FLOOR}H${right}V${TOP}`}
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
      />
      {section.bites.map((bite) => (
        <g key={bite.number}>
          <text x={0} y={y(bite.to) - 3} fontSize="13">
            bite {bite.number}
          </text>
          <text x={60} y={y(bite.to) - 3} fontSize="14" className="num font-bold">
            {clock(bite.seconds)}
          </text>
          <path
            d={`M${LEFT - 12} ${y(bite.to)}H${LEFT - 3}`}
            stroke="currentColor"
            strokeWidth="1.3"
          />
        </g>
      ))}
    </svg>
  );
}

const gapOf = (lstar: number) => 4 + 16 * Math.max(0, Math.min(1, lstar / 100));

type Box = { x0: number; x1: number; y0: number; y1: number; gap: number };

function Hatch({ x0, x1, y0, y1, gap }: Box) {
  const lines: string[] = [];
  const high = y1 - y0;
  for (let at = x0 - high; at < x1; at += gap) {
    const [from, to] = [Math.max(at, x0), Math.min(at + high, x1)];
    if (to > from) lines.push(`M${from} ${y0 + from - at}L${to} ${y0 + to - at}`);
  }
  return <path d={lines.join("")} stroke="currentColor" strokeWidth="1.2" fill="none" />;
}
