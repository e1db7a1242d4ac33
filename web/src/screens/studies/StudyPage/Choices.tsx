import { useEffect, useRef } from "react";
import { printUrl, type Study } from "../../../api/studies";
import { useHere } from "../../../frame/useHere";
import { counted } from "../../../ui/numbers";
import { saidMinutes } from "../../../ui/words";

const [HEIGHT, TOP, FLOOR] = [88, 22, 74];
const THUMB_PX = 260;

/** For each number of tones: how far off the print is, how it looks, how long it takes in all. */
export function Choices({ study, choose }: { study: Study; choose: (count: number) => void }) {
  const { room } = useHere();
  const { choices } = study;
  const chosen = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    chosen.current?.scrollIntoView?.({ block: "nearest", inline: "center" });
  }, []);
  return (
    <section aria-label="How many tones" className="mt-3">
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <h3 className="text-body font-semibold">Typically off by, L*</h3>
        <span className="note">
          {study.floor_lstar > 0.05
            ? `Blacks the strip never reached stay ${study.floor_lstar.toFixed(1)} off. `
            : ""}
          A tone that brings less than half an L* does not pay.
        </span>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by keys */}
      <div className="overflow-x-auto" tabIndex={0}>
        <div className="min-w-200">
          <Curve study={study} />
          <div
            className="grid gap-x-2"
            style={{ gridTemplateColumns: `repeat(${choices.length}, minmax(0, 1fr))` }}
          >
            {choices.map((each) => (
              <button
                key={each.count}
                ref={each.count === study.cut?.count ? chosen : undefined}
                type="button"
                aria-pressed={each.count === study.cut?.count}
                onClick={() => choose(each.count)}
                className="grid gap-1 rounded-plate border-2 border-transparent p-1.5 text-left aria-pressed:border-copper-deep aria-pressed:bg-paper-lift"
              >
                <img
                  src={printUrl(room, study, { width: THUMB_PX, count: each.count })}
                  alt={`As ${counted(each.count, "tone")} print it`}
                  width={THUMB_PX}
                  height={Math.round((THUMB_PX * study.height_mm) / study.width_mm)}
                  className="h-auto w-full border border-ink"
                />
                <span className="flex flex-wrap justify-between gap-x-2">
                  <span>
                    <b>{counted(each.bites, "bite")}</b>
                    <small className="note ml-1.5">{each.count} tones</small>
                  </span>
                  <span className="num text-ink-2">
                    {each.minutes === null ? "" : saidMinutes(each.minutes)}
                  </span>
                </span>
              </button>
            ))}
          </div>
        </div>
      </div>
    </section>
  );
}

/** The curve over the pictures: what each tone more brings. */
function Curve({ study }: { study: Study }) {
  const { choices, cut } = study;
  const wide = 100 / choices.length;
  const most = Math.max(...choices.map((each) => each.rms_lstar), 1);
  const y = (rms: number) => FLOOR - ((FLOOR - TOP) * rms) / most;
  const x = (i: number) => wide * (i + 0.5);
  const line = choices.map((each, i) => `${x(i)},${y(each.rms_lstar)}`).join(" ");
  const told = choices.map((each) => `${each.count} tones ${each.rms_lstar.toFixed(1)}`).join(", ");
  return (
    <div className="relative h-22">
      <svg
        viewBox={`0 0 100 ${HEIGHT}`}
        preserveAspectRatio="none"
        className="absolute inset-0 size-full"
      >
        <title>{`How far off the print is: ${told}.`}</title>
        <polygon
          points={`${x(0)},${FLOOR} ${line} ${x(choices.length - 1)},${FLOOR}`}
          fill="var(--color-paper-sunk)"
        />
        <polyline
          points={line}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
        {study.floor_lstar > 0.05 ? (
          <path
            d={`M0 ${y(study.floor_lstar)}H100`}
            stroke="var(--color-ferric-deep)"
            strokeDasharray="6 4"
            strokeWidth="1.5"
            vectorEffect="non-scaling-stroke"
          />
        ) : null}
      </svg>
      {choices.map((each, i) => {
        const here = each.count === cut?.count;
        return (
          <span
            key={each.count}
            className={`absolute -translate-x-1/2 whitespace-nowrap ${here ? "text-copper-deep" : ""}`}
            style={{ left: `${x(i)}%`, top: y(each.rms_lstar) - 22 }}
          >
            <b className={`num ${here ? "text-h3" : ""}`}>{each.rms_lstar.toFixed(1)}</b>
            {each.brings_lstar == null ? null : (
              <small className="num ml-1.5 text-ink-2">−{each.brings_lstar.toFixed(1)}</small>
            )}
            <i
              className={`absolute top-[17px] left-3 block rounded-full ${here ? "size-3 bg-copper-deep" : "size-2 bg-ink"}`}
            />
          </span>
        );
      })}
    </div>
  );
}
