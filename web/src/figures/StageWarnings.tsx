import type { Plan } from "../api/plans";
import { Care } from "../ui/Care";
import { Section } from "../ui/Section";

/** What to beware of in a plan, with what to do; and when there is nothing, that is said too. */
export function StageWarnings({ plan, fine }: { plan: Plan; fine: string }) {
  const { warnings } = plan.sheet.plan;
  return (
    <Section aria-live="polite">
      <h2>Before you {plan.process.hands.dip.toLowerCase()}</h2>
      {warnings.length === 0 ? <p className="mt-1.5">{fine}</p> : null}
      {warnings.map((warning) => (
        <Care key={warning.code + (warning.area ?? warning.bite)} className="mt-2">
          {warning.text}
        </Care>
      ))}
    </Section>
  );
}
