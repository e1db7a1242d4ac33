import { useId } from "react";
import type { Strip } from "../api/strips";
import { clock } from "../ui/times";
import { Patterns } from "./Patterns";
import { useWidth } from "./useWidth";

const HEIGHT = 380;
const BOX = { left: 52, right: 18, top: 16, bottom: 62 };
const TICKS = [10, 20, 30, 60, 120, 180, 300, 480, 720, 1200, 1800, 3600, 7200];

/** A stroke shorter than its dot would not be seen [px]. */
const LEAST_STROKE = 7;

export type Asked = { lstar: number; seconds: number; low: number; high: number };

type Scale = { x: (seconds: number) => number; y: (lstar: number) => number; width: number };

function scaleOf(strip: Strip, width: number): Scale {
  const times = [...strip.line.map((p) => p.seconds), ...strip.readings.map((p) => p.seconds)];
  const positive = times.filter((t) => t > 0);
  const [first, last] = [Math.min(...positive, 15) * 0.8, Math.max(...positive, 60) * 1.12];
  const span = width - BOX.left - BOX.right;
  return {
    width,
    x: (s) => BOX.left + (span * Math.log(Math.max(s, first) / first)) / Math.log(last / first),
    y: (l) => BOX.top + ((100 - l) / 100) * (HEIGHT - BOX.top - BOX.bottom),
  };
}

type Props = { strip: Strip; asked: Asked | null; chosen: number | null };

/** A strip's curve with its band; patches, those left out, and a question asked. */
export function ToneCurve(props: Props) {
  return (
    <div>
      <Drawn {...props} />
      <InDips strip={props.strip} />
    </div>
  );
}

function Drawn({ strip, asked, chosen }: Props) {
  const [ref, width] = useWidth(760);
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const scale = scaleOf(strip, Math.max(320, width));
  if (width === 0) return <div ref={ref} data-figure className="min-h-95 overflow-x-auto" />;
  return (
    <div ref={ref} data-figure className="overflow-x-auto">
      <svg
        width={scale.width}
        height={HEIGHT}
        viewBox={`0 0 ${scale.width} ${HEIGHT}`}
        role="img"
        aria-label={`Curve of ${strip.name}: L* against time in the bath`}
      >
        <Patterns id={id} tones={[90, 80, 70, 60, 50, 40, 30, 20]} />
        <Axes scale={scale} id={id} />
        <Band strip={strip} scale={scale} id={id} />
        {strip.readings.map((patch, i) => (
          <Patch
            key={`${patch.seconds} ${patch.lstar}`}
            strip={strip}
            place={i}
            scale={scale}
            chosen={chosen === i}
          />
        ))}
        {asked ? <Question asked={asked} scale={scale} /> : null}
      </svg>
    </div>
  );
}

/** Why the dots of a strip bitten in dips stand left of their time in all. */
function InDips({ strip }: { strip: Strip }) {
  const wetting = strip.fit?.wetting_seconds;
  if (strip.bitten !== "dips" || wetting == null) return null;
  return (
    <p className="note">
      The curve is for a single dip. A dot stands at the time one dip needs to bite as far; its
      stroke ends at the time in all. Each dip loses about{" "}
      <span className="num">{Number(wetting).toFixed(0)}</span> s until the liquid bites.
    </p>
  );
}

function Axes({ scale, id }: { scale: Scale; id: string }) {
  const right = scale.width - BOX.right;
  const bottom = scale.y(0);
  let last = Number.NEGATIVE_INFINITY;
  const shown = TICKS.filter((seconds) => {
    const x = scale.x(seconds);
    if (x <= BOX.left || x > right || x - last < 46) return false;
    last = x;
    return true;
  });
  return (
    <g>
      {[90, 80, 70, 60, 50, 40, 30, 20, 10].map((l) => (
        <g key={l}>
          <path
            d={`M${BOX.left} ${scale.y(l)}H${right}`}
            stroke="var(--color-ink)"
            strokeOpacity=".14"
          />
          <text
            className="num fill-ink-3"
            x={BOX.left - 26}
            y={scale.y(l) + 4.5}
            textAnchor="end"
            fontSize="13"
          >
            {l}
          </text>
          <rect
            x={BOX.left - 18}
            y={scale.y(l + 5)}
            width="14"
            height={scale.y(l - 5) - scale.y(l + 5)}
            fill={l === 10 ? "var(--color-ink)" : `url(#${id}-g${l})`}
          />
        </g>
      ))}
      <text x={4} y={scale.y(97)} fontSize="13">
        L*
      </text>
      <rect
        x={BOX.left - 18}
        y={scale.y(95)}
        width="14"
        height={scale.y(5) - scale.y(95)}
        fill="none"
        stroke="var(--color-ink)"
      />
      <path d={`M${BOX.left} ${bottom}H${right}`} stroke="var(--color-ink)" strokeWidth="1.5" />
      {shown.map((seconds) => (
        <g key={seconds}>
          <path d={`M${scale.x(seconds)} ${bottom}v6`} stroke="var(--color-ink)" />
          <text
            className="num fill-ink-3"
            x={scale.x(seconds)}
            y={bottom + 20}
            textAnchor="middle"
            fontSize="13"
          >
            {clock(seconds)}
          </text>
        </g>
      ))}
    </g>
  );
}

function Band({ strip, scale, id }: { strip: Strip; scale: Scale; id: string }) {
  if (strip.line.length === 0) return null;
  const path = (pick: (p: Strip["line"][number]) => number) =>
    strip.line.map((p) => `${scale.x(p.seconds).toFixed(1)} ${scale.y(pick(p)).toFixed(1)}`);
  const area = `M${path((p) => p.lstar_high).join("L")}L${path((p) => p.lstar_low)
    .reverse()
    .join("L")}Z`;
  return (
    <g>
      <path d={area} fill={`url(#${id}-band)`} stroke="var(--color-ink-3)" strokeWidth=".8" />
      <path
        d={`M${path((p) => p.lstar).join("L")}`}
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth="2.6"
      />
    </g>
  );
}

function Patch({
  strip,
  place,
  scale,
  chosen,
}: {
  strip: Strip;
  place: number;
  scale: Scale;
  chosen: boolean;
}) {
  const patch = strip.readings[place];
  if (!patch) return null;
  const out = isOut(strip, place);
  const [x, y] = [scale.x(strip.one_dip_seconds[place] ?? patch.seconds), scale.y(patch.lstar)];
  const inAll = scale.x(patch.seconds);
  return (
    <g>
      {inAll - x >= LEAST_STROKE ? (
        <path
          d={`M${x} ${y}H${inAll}m0 -4v8`}
          className="fill-none stroke-ink-3"
          strokeWidth="1.5"
        />
      ) : null}
      {chosen ? (
        <circle cx={x} cy={y} r="12" fill="none" stroke="var(--color-ink)" strokeWidth="2" />
      ) : null}
      {out ? (
        <g stroke="var(--color-ferric-deep)" strokeWidth="2.2" fill="var(--color-paper)">
          <circle cx={x} cy={y} r="7" />
          <path d={`M${x - 4} ${y - 4}l8 8M${x + 4} ${y - 4}l-8 8`} />
        </g>
      ) : (
        <circle
          cx={x}
          cy={y}
          r="6"
          fill="var(--color-ink)"
          stroke="var(--color-paper)"
          strokeWidth="2"
        />
      )}
    </g>
  );
}

/** Left out by hand, or flagged by the fit. */
export function isOut(strip: Strip, place: number): boolean {
  return Boolean(strip.readings[place]?.left_out) || Boolean(fittedAt(strip, place)?.outlier);
}

type Fitted = {
  seconds: number;
  lstar: number;
  fitted: number;
  outlier: boolean;
  why: string | null;
};

/** What the fit says of a patch; patches left out by hand are not in the fit. */
export function fittedAt(strip: Strip, place: number): Fitted | null {
  const patch = strip.readings[place];
  const all = (strip.fit?.patches ?? []) as Fitted[];
  if (!patch || patch.left_out) return null;
  return all.find((each) => each.seconds === patch.seconds) ?? null;
}

function Question({ asked, scale }: { asked: Asked; scale: Scale }) {
  const [x, y, bottom] = [scale.x(asked.seconds), scale.y(asked.lstar), scale.y(0)];
  const [low, high] = [scale.x(asked.low), scale.x(asked.high)];
  return (
    <g>
      <path
        d={`M${BOX.left} ${y}H${x}V${bottom}`}
        fill="none"
        stroke="var(--color-copper-deep)"
        strokeWidth="2.6"
      />
      <rect
        x={low}
        y={bottom - 9}
        width={Math.max(2, high - low)}
        height="9"
        fill="var(--color-copper)"
      />
      <path d={`M${x} ${bottom - 9}v9`} stroke="var(--color-paper-lift)" strokeWidth="2" />
      <rect x={x - 34} y={bottom + 27} width="68" height="28" fill="var(--color-copper-deep)" />
      <text
        className="num fill-white font-bold"
        x={x}
        y={bottom + 47}
        textAnchor="middle"
        fontSize="18"
      >
        {clock(asked.seconds)}
      </text>
      <path d={`M${BOX.left - 20} ${y - 13}h30l12 13-12 13h-30Z`} fill="var(--color-copper-deep)" />
      <text
        className="num fill-white font-bold"
        x={BOX.left - 4}
        y={y + 6}
        textAnchor="middle"
        fontSize="17"
      >
        {asked.lstar.toFixed(0)}
      </text>
    </g>
  );
}
