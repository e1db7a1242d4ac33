import type { Wear } from "../../../api/marks";

const MOST = 400;

/** The answer: until which impression it matches, how sure, and what that rests on. */
export function Sentence({ wear, pulled }: { wear: Wear; pulled: number }) {
  const { forecast, wanted, ok_impression: ok, tolerance_lstar: tolerance } = wear;
  const high = forecast.high >= MOST ? "400 and more" : String(forecast.high);
  return (
    <div className="plate-mark mt-1.5 flex items-stretch pl-5.5 max-desk:flex-wrap max-desk:px-4">
      <div className="flex-1 py-2.5">
        <h2 className="font-slab text-h1 leading-tight font-semibold max-phone:text-h2">
          {forecast.text}{" "}
          <small className="font-text text-h3 font-normal whitespace-nowrap text-ink-2">
            (last good <span className="num">{forecast.low}</span> to{" "}
            <span className="num">{high}</span>)
          </small>
        </h2>
        <p className="text-ink-2">
          <span className="num">{pulled}</span> pulled of <span className="num">{wanted}</span>{" "}
          wanted; the chance that the last still matches is{" "}
          <b className="num text-ink">{Math.round(100 * forecast.chance_of_wanted)} %</b>. Within{" "}
          <span className="num">{tolerance}</span> L* of no. <span className="num">{ok}</span>.
        </p>
      </div>
      <dl className="grid content-center gap-0.5 border-hair px-5 py-2 desk:border-l max-desk:pl-0">
        <dt className="note">
          the burr, {Math.round(100 * forecast.burr_share)} % of the darkness
        </dt>
        <dd className="num text-lead font-bold">
          {forecast.burr_impressions.toFixed(0)} impressions{" "}
          <small className="text-note font-normal text-ink-2">
            ({forecast.burr_low.toFixed(0)} to {forecast.burr_high.toFixed(0)})
          </small>
        </dd>
      </dl>
    </div>
  );
}
