import type { Test } from "../../../api/exposures";
import { Care } from "../../../ui/Care";
import { clock } from "../../../ui/times";
import { patchesRead } from "./words";

const LEAST_TO_FIT = 6;
const SAME = 0.015;

/** The two times, how sure, and what they are on the lamp of today. */
export function Answer({ test }: { test: Test }) {
  if (!test.pair) return <NotYet test={test} />;
  const { pair, today } = test;
  const band = (way: "screen_seconds" | "image_seconds") =>
    `(${clock(pair.low[way])} to ${clock(pair.high[way])})`;
  return (
    <>
      <div className="plate-mark mt-1.5 flex items-stretch pl-5.5 max-desk:flex-wrap max-desk:px-4">
        <p className="flex flex-1 flex-wrap items-baseline gap-x-3 py-2.5 font-slab text-h1 leading-tight font-semibold max-phone:text-h2">
          <span className="whitespace-nowrap">
            Dot screen <b className="num text-show leading-none">{clock(pair.screen_seconds)}</b>
          </span>
          <small className="font-text text-h3 font-normal text-ink-2">
            {band("screen_seconds")}
          </small>
          <span className="whitespace-nowrap">
            then image <b className="num text-show leading-none">{clock(pair.image_seconds)}</b>
          </span>
          <small className="font-text text-h3 font-normal text-ink-2">
            {band("image_seconds")}
          </small>
        </p>
        {today ? (
          <dl className="grid content-center gap-0.5 border-hair px-5 py-2 desk:border-l max-desk:pl-0">
            <dt className="note">
              on today's lamp, times ×<span className="num">{today.times.toFixed(2)}</span>
            </dt>
            <dd className="num text-lead font-bold">
              {Math.abs(today.times - 1) < SAME
                ? "the same"
                : `${clock(today.screen_seconds)}, then ${clock(today.image_seconds)}`}{" "}
              <small className="text-note font-normal text-ink-2">
                (×{today.low.toFixed(2)} to {today.high.toFixed(2)})
              </small>
            </dd>
          </dl>
        ) : null}
      </div>
      <p className="mt-2">{pair.why}</p>
      {pair.warnings.map((each) => (
        <Care key={each.code + each.text} className="mt-1.5">
          {each.text}
        </Care>
      ))}
    </>
  );
}

function NotYet({ test }: { test: Test }) {
  const read = test.readings.length;
  const asked = test.plan ? test.plan.screen_seconds.length * test.plan.image_seconds.length : 0;
  return (
    <div className="plate-mark mt-1.5 px-5.5 py-2.5">
      <p className="font-slab text-h1 leading-tight font-semibold max-phone:text-h2">
        {read === 0 ? "Expose it, wash it out, print it, then read it." : patchesRead(read)}
      </p>
      <p className="mt-1 text-ink-2">
        {read < LEAST_TO_FIT
          ? `From ${LEAST_TO_FIT} patches on it tells a pair${asked ? `; it has ${asked}` : ""}.`
          : ""}
      </p>
      {test.fault && read >= LEAST_TO_FIT ? (
        <Care role="alert" className="mt-1.5">
          {test.fault.text}
        </Care>
      ) : null}
    </div>
  );
}
