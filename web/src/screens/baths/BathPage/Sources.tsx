import type { BathPage } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { dayOf } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { CHECK_NAMES } from "./names";
import { SourceKey } from "./SourceKey";

type Source = BathPage["sources"][number];
const BAR_H = 292;
const BAR_W = 28;
const LEAST = 0.01;
const MOST_TOLD = 5;
const FILLS: Record<string, string> = {
  coupon: "var(--color-copper)",
  "check-patch": "url(#bath-grain)",
  hydrometer: "url(#bath-liquor)",
  lines: "url(#bath-grooves)",
  strip: "url(#bath-steps)",
  thermometer: "url(#bath-ticks)",
};

/** The share of each piece of evidence in today's answer. */
export function Sources({ page }: { page: BathPage }) {
  const drawn = page.sources.filter((source) => source.share >= LEAST);
  const told = drawn.slice(0, MOST_TOLD);
  const rest = page.sources.length - told.length;
  return (
    <section className="border-t-2 border-ink pt-2">
      <h2 className="text-lead">Where ×{page.speed.value.toFixed(2)} comes from</h2>
      <div className="mt-2 flex gap-4">
        <Bar sources={drawn} />
        <ul className="grid min-w-0 flex-1 content-start gap-2.5">
          {told.map((source) => (
            <Told key={source.check ?? source.kind} source={source} bath={page.bath} />
          ))}
          {rest > 0 ? (
            <li className="note">
              {rest} older or weaker {rest === 1 ? "one adds" : "ones add"} the rest.
            </li>
          ) : null}
        </ul>
      </div>
      {page.guess ? (
        <p className="note mt-3">
          A guess: nothing was measured in it yet. A check patch takes 8 minutes.
        </p>
      ) : null}
      <SourceKey page={page} />
    </section>
  );
}

function Bar({ sources }: { sources: Source[] }) {
  const total = sources.reduce((sum, each) => sum + each.share, 0) || 1;
  let top = 0;
  return (
    <svg width={BAR_W + 2} height={BAR_H + 2} aria-hidden="true" className="flex-none">
      {sources.map((source) => {
        const high = (source.share / total) * BAR_H;
        const y = top;
        top += high;
        return (
          <rect
            key={source.check ?? source.kind}
            x="1"
            y={y + 1}
            width={BAR_W}
            height={high}
            fill={FILLS[source.kind]}
            className="stroke-ink"
          />
        );
      })}
    </svg>
  );
}

function Told({ source, bath }: { source: Source; bath: BathPage["bath"] }) {
  const { me, zone } = useHere();
  const warm = `${shownTemperature(bath.temperature_c, me)} ${temperatureUnit(me)}`;
  const { speed } = source;
  return (
    <li className="leading-snug">
      <b className="flex justify-between gap-2">
        <span>{CHECK_NAMES[source.kind]}</span>
        <span className="num">{Math.round(source.share * 100)} %</span>
      </b>
      {speed ? (
        <span className="num">
          ×{speed.value.toFixed(2)} ±{((speed.high - speed.low) / 3.92).toFixed(2)}
        </span>
      ) : null}
      <span className="note block">
        {source.at ? `${dayOf(source.at, zone)}: ` : ""}
        {source.kind === "thermometer"
          ? `${warm}, ${bath.load_g_per_l.toFixed(0)} g/L`
          : source.text}
      </span>
    </li>
  );
}
