import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Plan } from "../../api/plans";
import type { Plate } from "../../api/plates";
import { PlateEdge } from "../../figures/PlateEdge";
import { plasticSaid } from "../../ui/materials";
import { Fact, MarkHead } from "../../ui/Section";
import { Said } from "../../ui/Said";
import { roman, wallClock } from "../../ui/times";
import { shownLength } from "../../ui/units";
import { useHere } from "../useHere";

/** The plate's head, as a plate mark: on its own page. */
export function Head({ plate, plan }: { plate: Plate; plan: Plan | null }) {
  const { zone, room } = useHere();
  const run = plate.run;
  const sheet = plan?.sheet.plan;
  return (
    <MarkHead
      title={plate.name}
      about={
        <>
          <PlateEdge metal={plate.metal} longMm={130} />
          <Facts plate={plate} />
        </>
      }
    >
      {plate.works.map((each) => (
        <Fact key={each.id} name={`Plate ${each.place} of ${each.of}`}>
          <Link className="underline underline-offset-4" to={`/r/${room}/works/${each.id}`}>
            {each.name}
          </Link>
        </Fact>
      ))}
      {plan && sheet ? (
        <>
          <Fact name="Bath">{plan.bath_name}</Fact>
          <Fact name={<Said>{`Bites, against ${plan.process.against}`}</Said>}>
            ×<span className="num">{sheet.speed.toFixed(2)}</span>{" "}
            <small className="note">
              ({sheet.speed_low.toFixed(2)} to {sheet.speed_high.toFixed(2)})
            </small>
          </Fact>
        </>
      ) : null}
      {run?.in_bath && run.lift_seconds && !run.stale ? (
        <Fact name="Lift at">
          <span className="num text-verdigris">{wallClock(run.lift_seconds, zone)}</span>
        </Fact>
      ) : null}
    </MarkHead>
  );
}

/** The plate's name beside the tabs: over its other pages, whose own content is tall. */
export function ShortHead({ plate, children }: { plate: Plate; children: ReactNode }) {
  return (
    <header className="flex flex-wrap items-end justify-between gap-x-6 border-b border-hair">
      <h1 className="pb-1 text-h2">{plate.name}</h1>
      {children}
    </header>
  );
}

function Facts({ plate }: { plate: Plate }) {
  const { me } = useHere();
  const unit = me.length_unit;
  return (
    <span>
      {plasticSaid(plate.facts.plastic) || plate.metal},{" "}
      <span className="num">{shownLength(plate.thickness_mm, me)}</span> {unit} ·{" "}
      <span className="num">
        {shownLength(plate.width_mm, me)} × {shownLength(plate.height_mm, me)}
      </span>{" "}
      {unit} · {plate.routes.join(", then ")} · {told(plate.facts)}
      {plate.state_number ? `after State ${roman(plate.state_number)}` : "before State I"}
    </span>
  );
}

/** Facts of the plate that matter later. */
function told(facts: Plate["facts"]): string {
  const said = [
    facts.face_marked ? "face marked" : "",
    facts.back ? `back ${facts.back}` : "",
    facts.trimmed_again ? "trimmed again" : "",
    facts.history_unknown ? "past unknown" : "",
  ].filter(Boolean);
  return said.length > 0 ? `${said.join(", ")} · ` : "";
}
