import type { Plan } from "../api/plans";
import { Mark } from "../ui/Mark";

/** What to beware of in a plan, with what to do; and when there is nothing, that is said too. */
export function StageWarnings({ plan, fine }: { plan: Plan; fine: string }) {
  const { warnings } = plan.sheet.plan;
  return (
    <section className="section" aria-live="polite">
      <h2>Before you {plan.process.hands.dip.toLowerCase()}</h2>
      {warnings.length === 0 ? (
        <p style={{ margin: "6px 0 0" }}>{fine}</p>
      ) : (
        warnings.map((warning) => (
          <p
            key={warning.code + (warning.area ?? warning.bite)}
            className="care"
            style={{ margin: "8px 0 0" }}
          >
            <Mark name="care" />
            <span>{warning.text}</span>
          </p>
        ))
      )}
    </section>
  );
}
