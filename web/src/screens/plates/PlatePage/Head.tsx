import type { Plan } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { PlateEdge } from "../../../figures/PlateEdge";
import { useHere } from "../../../frame/useHere";
import { roman, wallClock } from "../../../ui/times";
import { shownLength } from "../../../ui/units";

/** The plate's head, as a plate mark. */
export function Head({ plate, plan }: { plate: Plate; plan: Plan | null }) {
  const { me, zone } = useHere();
  const unit = me.length_unit;
  const run = plate.run;
  const sheet = plan?.sheet.plan;
  return (
    <header className="pm head">
      <div>
        <h1>{plate.name}</h1>
        <p className="sub m-0">
          <PlateEdge metal={plate.metal} longMm={130} />
          <span>
            {plate.metal}, <span className="n">{shownLength(plate.thickness_mm, me)}</span> {unit} ·{" "}
            <span className="n">
              {shownLength(plate.width_mm, me)} × {shownLength(plate.height_mm, me)}
            </span>{" "}
            {unit} · {plate.routes.join(", then ")} · {told(plate.facts)}
            {plate.state_number ? `after State ${roman(plate.state_number)}` : "before State I"}
          </span>
        </p>
      </div>
      {plan && sheet ? (
        <>
          <dl className="m-0" style={{ padding: "10px 20px", borderLeft: "1px solid var(--hair)" }}>
            <dt>Bath</dt>
            <dd>{plan.bath_name}</dd>
          </dl>
          <dl className="m-0" style={{ padding: "10px 20px", borderLeft: "1px solid var(--hair)" }}>
            <dt>Bites, against {plan.process.against}</dt>
            <dd>
              ×<span className="n">{sheet.speed.toFixed(2)}</span>{" "}
              <small className="note">
                ({sheet.speed_low.toFixed(2)} to {sheet.speed_high.toFixed(2)})
              </small>
            </dd>
          </dl>
        </>
      ) : null}
      {run?.in_bath && run.lift_seconds && !run.stale ? (
        <dl className="m-0" style={{ padding: "10px 20px", borderLeft: "1px solid var(--hair)" }}>
          <dt>Lift at</dt>
          <dd className="n" style={{ color: "var(--verdigris)" }}>
            {wallClock(run.lift_seconds, zone)}
          </dd>
        </dl>
      ) : null}
    </header>
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
