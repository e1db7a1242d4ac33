import { useUser } from "../../ui/useUser";
import { inUnits } from "../../ui/inUnits";
import type { BathPage } from "../../api/baths";
import { bandOf, type Frame, LEFT, pathOf, scaleOf, stepFor, TRACKS } from "./frame";

type Moment = BathPage["line"][number];
type Props = { frame: Frame; page: BathPage; marked: string | null };
const { top } = TRACKS.speed;

/** The speed over time with its band, each check with its error, today's answer, the forecast. */
export function SpeedTrack({ frame, page, marked }: Props) {
  const { units } = useUser();
  const all = [...page.line, ...page.forecast];
  const low = Math.min(1, ...all.map((m) => m.low));
  const high = Math.max(1, ...all.map((m) => m.high), ...page.checks.map((c) => c.value));
  const { y, ticks } = scaleOf(TRACKS.speed, low, high, stepFor(high - low));
  const line = (moments: Moment[], key: "value" | "low" | "high") =>
    moments.map((m): [number, number] => [frame.x(m.at), y(m[key])]);
  const band = (moments: Moment[]) => bandOf(line(moments, "low"), line(moments, "high"));
  return (
    <g>
      <text x={0} y={top - 8} className="font-slab text-body font-bold">
        Speed
      </text>
      {ticks.map((tick) => (
        <g key={tick}>
          <path
            d={`M${LEFT} ${y(tick)}H${frame.width}`}
            className={tick === 1 ? "stroke-ink-3" : "stroke-hair"}
            strokeDasharray={tick === 1 ? "6 4" : undefined}
            strokeOpacity={tick === 1 ? 1 : 0.5}
          />
          <text x={LEFT - 8} y={y(tick) + 4.5} textAnchor="end" className="num text-note">
            ×{tick.toFixed(1)}
          </text>
        </g>
      ))}
      <path
        d={band(page.line)}
        fill="url(#bath-band)"
        className="stroke-ink-3"
        strokeOpacity=".6"
      />
      <path
        d={pathOf(line(page.line, "value"))}
        className="fill-none stroke-ink"
        strokeWidth="2.2"
      />
      <path
        d={band(page.forecast)}
        fill="url(#bath-band)"
        fillOpacity=".6"
        className="stroke-ink-3"
        strokeDasharray="3 3"
      />
      <path
        d={pathOf(line(page.forecast, "value"))}
        className="fill-none stroke-ink"
        strokeWidth="1.6"
        strokeDasharray="6 4"
      />
      <text x={LEFT + 8} y={y(1) + 17} className="halo fill-ink-2! text-note">
        {page.strip_name
          ? `×1: as fast as at strip ${page.strip_name}`
          : inUnits("×1: the table's rate, fresh at 20 °C", units)}
      </text>
      {page.checks.map((check) => (
        <CheckSign
          key={check.id}
          kind={check.kind}
          x={frame.x(check.at)}
          y={[y(check.high), y(check.value), y(check.low)]}
          marked={check.id === marked}
        />
      ))}
      <Today frame={frame} value={page.speed.value} y={y(page.speed.value)} />
      <Due frame={frame} page={page} />
    </g>
  );
}

type SignProps = {
  kind: string;
  x: number;
  y: [high: number, value: number, low: number];
  marked: boolean;
};

const SURFACES: Record<string, string> = {
  "check-patch": "url(#bath-grain)",
  lines: "url(#bath-grooves)",
};

/** A coupon is a plate on edge, a patch a square of grain, lines one of grooves; with its error. */
function CheckSign({ kind, x, y: [high, value, low], marked }: SignProps) {
  const [a, b] = [Math.max(high, top - 4), Math.min(low, TRACKS.speed.bottom + 6)];
  return (
    <g className="stroke-ink" strokeWidth="1.6">
      <path d={`M${x - 4} ${a}H${x + 4}M${x} ${a}V${b}M${x - 4} ${b}H${x + 4}`} />
      {kind === "coupon" ? (
        <path
          d={`M${x - 8} ${value + 5}L${x - 5} ${value - 6}H${x + 5}L${x + 8} ${value + 5}Z`}
          className="fill-copper"
        />
      ) : (
        <rect x={x - 6} y={value - 6} width="12" height="12" fill={SURFACES[kind]} />
      )}
      {marked ? <circle cx={x} cy={value} r="13" className="fill-none" strokeWidth="2.5" /> : null}
    </g>
  );
}

function Today({ frame, value, y }: { frame: Frame; value: number; y: number }) {
  const x = frame.x(frame.now) + 6;
  return (
    <g>
      <path d={`M${x} ${y}l12 -13h66v26h-66z`} className="fill-copper-deep" />
      <text x={x + 16} y={y + 6.5} className="num fill-white! text-h3 font-bold">
        ×{value.toFixed(2)}
      </text>
    </g>
  );
}

/** The day the band is too wide: a lozenge. */
function Due({ frame, page }: { frame: Frame; page: BathPage }) {
  if (page.due === null) return null;
  const x = frame.x(page.due);
  if (x > frame.width - 8) return null;
  return (
    <g className="stroke-ferric-deep">
      <path d={`M${x} ${top + 18}V${TRACKS.speed.bottom}`} strokeDasharray="3 3" />
      <path d={`M${x} ${top}l8 8 -8 8 -8 -8z`} className="fill-paper-lift" strokeWidth="2" />
      <text x={x + 13} y={top + 13} className="halo fill-ferric-deep! text-note font-semibold">
        check due
      </text>
    </g>
  );
}
