import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { weekdayOf } from "../../../ui/times";
import type { Made } from "../../../api/baths";

/** The order of pouring with its warnings, the fit, the cost, and the label to print. */
export function Pouring({ made }: { made: Made }) {
  return (
    <>
      <div className="print:hidden">
        <h2 className="text-lead">In this order</h2>
        <ol className="mt-1.5 grid gap-2.5">
          {made.pour.map((step, place) => (
            <li key={step.text} className="grid grid-cols-[28px_minmax(0,1fr)] gap-2">
              <b className="num text-h2 leading-none text-copper-deep">{place + 1}</b>
              <span>
                <b>{step.text}</b>
                {step.warning ? (
                  <Care level={made.level} className="mt-0.5 text-note">
                    {step.warning}
                  </Care>
                ) : null}
              </span>
            </li>
          ))}
        </ol>
        {made.fit ? (
          <p className={`mt-3 ${made.fit.fits ? "" : "font-semibold text-ferric-deep"}`}>
            {made.fit.text}{" "}
            {made.fit.fits ? (
              <span className="note">
                Needs {made.fit.needed_l.toFixed(2)} L, holds {made.fit.holds_l.toFixed(2)} L below
                its rim.
              </span>
            ) : null}
          </p>
        ) : null}
        <p className="note mt-2">
          {made.cost === null ? "" : `It costs ${made.cost.toFixed(2)}. `}
          {made.missing_prices.length > 0 ? `Without ${made.missing_prices.join(", ")}. ` : ""}
          Local rules and the supplier's sheet come first.
        </p>
      </div>
      <Label made={made} />
    </>
  );
}

/** The label: what is in it, for what, what to do when it goes wrong, since when. */
function Label({ made }: { made: Made }) {
  const { roomName, zone } = useHere();
  return (
    <section aria-label="Label" className="mt-4">
      <span className="flex items-center justify-between gap-3 print:hidden">
        <h2 className="text-lead">Its label</h2>
        <Button onClick={() => window.print()}>Print it</Button>
      </span>
      <div className="mt-2 border-[1.5px] border-ink bg-white px-4 py-3">
        {made.label.map((line, place) => (
          <p key={line} className={place === 0 ? "font-slab text-h2 font-bold" : "text-note"}>
            {line}
          </p>
        ))}
        <p className="mt-1 text-note">
          {roomName}. Made up {weekdayOf(Date.now() / 1000, zone)}.
        </p>
      </div>
    </section>
  );
}
