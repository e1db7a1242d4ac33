import type { Batch } from "../../api/editions";
import { Care } from "../../ui/Care";
import { TimeWord } from "../../ui/Ticking";
import { wallClock, type Zone } from "../../ui/times";
import { useNow } from "../../ui/useNow";
import { useWidth } from "../useWidth";
import { waves } from "./Stack";

const PLACES: Record<Batch["school"], string> = {
  "soft-soak": "in water",
  "hard-soak": "in water",
  "sponge-bag": "in the bag",
  pack: "in the pack",
  tap: "in the towel",
};
const BAR = 24;
const AFTER = 0.2;

/** Hours and minutes of damp. */
export function dampFor(seconds: number): string {
  const minutes = Math.max(0, Math.floor(seconds / 60));
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;
}

/** How long paper has been damp: waves must wait, dashed will keep, hatched goes bad; the wedge is now. */
export function PaperClock({ batch, zone }: { batch: Batch; zone: Zone }) {
  const [ref, width] = useWidth(580);
  const now = useNow(5000);
  const late = now > batch.latest_seconds;
  const span = (batch.latest_seconds - batch.at_seconds) * (1 + AFTER);
  const x = (at: number) =>
    Math.max(0, Math.min(1, (at - batch.at_seconds) / span)) * Math.max(1, width - 4) + 2;
  const [ready, latest] = [x(batch.ready_seconds), x(batch.latest_seconds)];
  return (
    <div ref={ref} className="min-w-0">
      <p className="flex items-baseline gap-x-3 text-h3 text-ink-2">
        Paper {PLACES[batch.school]}
        <b className={`num text-far ${late ? "text-ferric-deep" : "text-ink"}`}>
          <TimeWord told={(at) => dampFor(at - batch.at_seconds)} />
        </b>
        <span className="ml-auto">
          {batch.left} {batch.left === 1 ? "piece" : "pieces"}
          {batch.name ? `, ${batch.name}` : ""}
        </span>
      </p>
      {late ? (
        <Care role="alert">Take it out now: longer washes the size out, or it turns musty.</Care>
      ) : null}
      {width > 0 ? (
        <svg
          width={width}
          height={62}
          className="block"
          role="img"
          aria-label={`In at ${wallClock(batch.at_seconds, zone)}, ready ${wallClock(batch.ready_seconds, zone)}, out by ${wallClock(batch.latest_seconds, zone)}`}
        >
          <defs>
            <clipPath id="must-wait">
              <rect x={2} y={10} width={ready - 2} height={BAR} />
            </clipPath>
            <pattern id="washes-out" width="9" height="9" patternUnits="userSpaceOnUse">
              <path d="M0 9 9 0" className="stroke-ferric-deep" strokeWidth="2" />
            </pattern>
          </defs>
          <path
            d={[16, 22, 28].map((y) => waves(2, y, ready)).join("")}
            clipPath="url(#must-wait)"
            className="fill-none stroke-plastic-line"
            strokeWidth={1.6}
          />
          <rect
            x={2}
            y={10}
            width={ready - 2}
            height={BAR}
            className="fill-none stroke-ink"
            strokeWidth={1.5}
          />
          <path
            d={`M${ready} 10H${latest}M${ready} ${10 + BAR}H${latest}`}
            className="stroke-ink"
            strokeWidth={1.5}
            strokeDasharray="7 4"
          />
          <rect
            x={latest}
            y={10}
            width={Math.max(0, width - 3 - latest)}
            height={BAR}
            fill="url(#washes-out)"
            className="stroke-ferric-deep"
            strokeWidth={1.5}
          />
          <path d={`M${x(now)} 8v32`} className="stroke-ink" strokeWidth={3} />
          <path d={`M${x(now) - 9} 0h18l-9 12z`} className="fill-ink" />
          <text x={2} y={56} className="text-body">
            {wallClock(batch.at_seconds, zone)} in
          </text>
          {x(now) > 90 && x(now) < latest - 90 ? (
            <text x={x(now)} y={56} textAnchor="middle" className="text-body">
              now
            </text>
          ) : null}
          <text
            x={Math.min(latest + 40, width - 2)}
            y={56}
            textAnchor="end"
            className="fill-ferric-deep text-body font-bold"
          >
            out by {wallClock(batch.latest_seconds, zone)}
          </text>
        </svg>
      ) : null}
    </div>
  );
}
