import { saidMinutes } from "../../ui/words";
import type { Told } from "./usePutIn";

/** What the plate goes through to its first proof, in hands and in waits. */
export function Way({ of: { told } }: { of: Told }) {
  if (!told || told.legs.length === 0)
    return (
      <div>
        <h2 className="text-h3">Then it goes through its course.</h2>
        <p className="note">Choose how the image gets in: its steps and their time follow.</p>
      </div>
    );
  return (
    <div className="min-w-0">
      <h2 className="text-h3">
        To its first proof: about <b className="num">{saidMinutes(told.hands_minutes)}</b> of hands
        {told.wait_minutes > 0 ? (
          <>
            , <b className="num">{saidMinutes(told.wait_minutes)}</b> of waiting
          </>
        ) : null}
        , a guess until you have timed one.
      </h2>
      <ol className="mt-2.5 flex flex-wrap gap-y-3 max-phone:hidden">
        {told.legs.map((leg, n) => (
          <li
            key={`${leg.title} ${leg.part}`}
            className="grid min-w-21 flex-1 content-start gap-0.5"
          >
            <b className={`font-slab text-body ${n === 0 ? "font-bold" : "font-medium"}`}>
              {leg.title}
            </b>
            <svg width="100%" height="11" aria-hidden="true">
              <path
                d="M0 5.5H400"
                className="stroke-ink"
                strokeDasharray="1.5 4"
                strokeWidth="1.5"
              />
              <rect
                x=".75"
                y=".75"
                width="9"
                height="9"
                className={n === 0 ? "fill-ink stroke-ink" : "fill-paper stroke-ink"}
                strokeWidth="1.5"
              />
            </svg>
            <span className="note num">{saidMinutes(leg.hands_minutes)}</span>
            <span className="note num">
              {leg.wait_minutes > 0 ? `+ ${saidMinutes(leg.wait_minutes)} wait` : ""}
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}
