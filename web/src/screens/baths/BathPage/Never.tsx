import { Link } from "react-router";
import type { BathPage } from "../../../api/baths";
import { VesselSide } from "../../../figures/bath/VesselSide";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { CautionCard } from "../../../ui/CautionCard";
import { weekdayOf } from "../../../ui/times";

const MOST = 2;

/** The vessel with its danger, what may never go in, and when it is checked next. */
export function Never({ page }: { page: BathPage }) {
  const { room } = useHere();
  return (
    <section className="mt-3 grid items-start gap-x-6.5 gap-y-4 border-t-2 border-ink pt-2 desk:grid-cols-[auto_minmax(0,1fr)_262px]">
      <div className="overflow-x-auto">
        <VesselSide of={page} />
      </div>
      <div>
        {page.cautions.slice(0, MOST).map((caution) => (
          <CautionCard key={caution.key} caution={caution} />
        ))}
        {page.refuses.map((text) => (
          <p key={text} className="note">
            {text}
          </p>
        ))}
        <p className="mt-1 text-note">
          Local rules and the supplier's sheet come first.{" "}
          <Link className="font-semibold underline" to={`/r/${room}/baths/${page.bath.id}/wrong`}>
            If it goes wrong, to print
          </Link>
        </p>
      </div>
      <Next page={page} />
    </section>
  );
}

function Next({ page }: { page: BathPage }) {
  const { room, zone } = useHere();
  const { life } = page;
  const refresh = life.refreshes[0];
  return (
    <div>
      <h2 className="text-lead">
        {page.due
          ? `Next check: ${weekdayOf(Date.parse(page.due) / 1000, zone)}`
          : "Check it before a bite"}
      </h2>
      <p className="note mt-1">
        {page.due
          ? "By then today's answer could be off by ×0.08 either way. A patch takes 8 minutes."
          : "Its speed may be off by more than ×0.08 either way: a patch takes 8 minutes."}
      </p>
      <p className="mt-2 text-note">
        <b>{life.text}</b>
        {refresh && life.advice !== "retire"
          ? ` A quarter new (${refresh.litres.toFixed(1)} L): ${refresh.load_g_per_l.toFixed(1)} g/L, ×${refresh.speed.toFixed(2)} as fast as now.`
          : ""}
      </p>
      {page.bath.vessel === "bottle" || page.bath.retired ? null : (
        <ButtonLink look="quiet" to={`/r/${room}/strips/bite?bath=${page.bath.id}`}>
          Bite a test strip
        </ButtonLink>
      )}
    </div>
  );
}
