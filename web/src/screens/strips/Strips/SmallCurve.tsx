import type { WallStrip } from "../../../api/strips";

const [WIDTH, HEIGHT] = [124, 76];
const FIRST_SECONDS = 15;

/** The longest time any strip of the wall reaches: all small curves stand on the same axes. */
export const lastSeconds = (strips: WallStrip[]) =>
  Math.max(960, ...strips.flatMap((strip) => strip.line.map((point) => point.seconds)));

/** A curve at a glance, on the wall's own axes, with its band and its patches. */
export function SmallCurve({ strip, last }: { strip: WallStrip; last: number }) {
  const x = (s: number) =>
    (WIDTH * Math.log(Math.max(1, s / FIRST_SECONDS))) / Math.log(last / FIRST_SECONDS);
  const y = (lstar: number) => (HEIGHT * (98 - lstar)) / 88;
  const path = (pick: (point: WallStrip["line"][number]) => number) =>
    strip.line.map((point) => `${x(point.seconds).toFixed(1)} ${y(pick(point)).toFixed(1)}`);
  const back = path((p) => p.lstar_low).reverse();
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full max-w-29 overflow-visible"
      role="img"
      aria-label={strip.usable ? `Curve of ${strip.name}` : `${strip.name} gives no curve`}
    >
      <path d={`M0 0V${HEIGHT}H${WIDTH}`} className="fill-none stroke-ink" strokeWidth="1.4" />
      {strip.line.length > 0 ? (
        <>
          <path
            d={`M${path((p) => p.lstar_high).join("L")}L${back.join("L")}Z`}
            className="fill-line/30"
          />
          <path
            d={`M${path((p) => p.lstar).join("L")}`}
            className="fill-none stroke-ink"
            strokeWidth="1.8"
            strokeDasharray={strip.out_reason ? "5 3" : undefined}
          />
        </>
      ) : null}
      {strip.hung.map((patch) => (
        <Dot
          key={`${patch.seconds} ${patch.lstar}`}
          at={[x(patch.one_dip_seconds), y(patch.lstar)]}
          out={patch.out}
        />
      ))}
    </svg>
  );
}

function Dot({ at: [x, y], out }: { at: [number, number]; out: boolean }) {
  if (!out) return <circle cx={x} cy={y} r="2.6" className="fill-ink" />;
  return (
    <g className="fill-paper stroke-ferric-deep" strokeWidth="1.6">
      <circle cx={x} cy={y} r="5" />
      <path d={`M${x - 3} ${y - 3}l6 6m0-6l-6 6`} />
    </g>
  );
}
