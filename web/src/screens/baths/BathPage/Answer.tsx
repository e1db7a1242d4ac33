import type { ReactNode } from "react";
import type { BathPage } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { dayOf } from "../../../ui/times";

const DAY_MS = 86_400_000;

/** The answer: how fast it bites today, and how long it will live. */
export function Answer({ page }: { page: BathPage }) {
  const { zone, me } = useHere();
  const { value, low, high } = page.speed;
  const { life } = page;
  const on = (days: number) =>
    dayOf(new Date(page.now_seconds * 1000 + days * DAY_MS).toISOString(), zone);
  return (
    <div className="plate-mark mt-1.5 flex items-stretch pl-5.5 max-desk:flex-wrap max-desk:px-4">
      <p className="flex flex-1 flex-wrap items-baseline gap-x-3 py-2.5 font-slab text-h1 leading-tight font-semibold max-phone:text-h2">
        Today it bites
        <b className="num text-show leading-none text-copper-deep">×{value.toFixed(2)}</b>
        <small className="font-text text-h2 font-normal text-ink-2 max-phone:text-lead">
          ({low.toFixed(2)} to {high.toFixed(2)}){page.guess ? ", a guess: from the table" : ""}
        </small>
      </p>
      <dl className="flex max-phone:flex-wrap">
        {life.days ? (
          <Fact name="Lives, at your pace">
            to {on(life.days.value)}{" "}
            <small>
              ({on(life.days.low)} to {on(life.days.high)})
            </small>
          </Fact>
        ) : (
          <Fact name="Life left">{Math.round((1 - life.used_share) * 100)} %</Fact>
        )}
        <Fact
          name={
            page.like
              ? `or plates like ${page.like}`
              : `or plates of ${me.length_unit === "in" ? "6 × 4 in" : "15 × 10 cm"}`
          }
        >
          {Math.round(life.plates.value)} more{" "}
          <small>
            ({Math.round(life.plates.low)} to {Math.round(life.plates.high)})
          </small>
        </Fact>
      </dl>
    </div>
  );
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="grid content-center gap-0.5 border-hair px-5 py-2 not-first:border-l max-desk:pl-0 max-desk:not-first:pl-5 max-phone:not-first:border-l-0 max-phone:not-first:pl-0">
      <dt className="note">{name}</dt>
      <dd className="num text-lead font-bold whitespace-nowrap [&>small]:text-note [&>small]:font-normal [&>small]:text-ink-2">
        {children}
      </dd>
    </div>
  );
}
