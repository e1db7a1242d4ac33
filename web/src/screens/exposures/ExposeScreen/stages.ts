import type { Exposure, StagePlan } from "../../../api/exposures";
import { underWay } from "../../../device/exposureFollow";
import type { Lit } from "../../../device/useExposure";
import type { Drawn } from "../../../figures/exposure/StageBars";

/** The stages as they are drawn: planned, and as far as each is. */
export function drawnOf(exposure: Exposure, lit: Lit): Drawn[] {
  const now = underWay(lit.state);
  return exposure.sheet.stages.map((plan, i) => ({
    plan,
    stage: lit.stands.stages[i] ?? null,
    now: i === lit.stands.next,
    begun: now && i === lit.stands.next ? now.at_seconds : null,
  }));
}

/** The stage under way, or the next; null when all are done. */
export const nextPlan = (exposure: Exposure, lit: Lit): StagePlan | null =>
  lit.stands.next === null ? null : (exposure.sheet.stages[lit.stands.next] ?? null);

/** The stage that was last touched, once it is over: what is to be looked at, what was missed. */
export function lastOver(exposure: Exposure, lit: Lit) {
  const span = lit.state.spans.at(-1);
  if (!span || span.ended_seconds === null) return null;
  const at = exposure.sheet.stages.findIndex(
    (plan) => plan.stage === span.stage && plan.step === span.step,
  );
  const [plan, stage] = [exposure.sheet.stages[at], lit.stands.stages[at]];
  return plan && stage ? { plan, stage, span } : null;
}

/** Checks of the last stage that nobody answered yet. */
export const unanswered = (exposure: Exposure, lit: Lit) =>
  (lastOver(exposure, lit)?.plan.checks ?? []).filter(
    ({ check }) => !lit.state.checks.some((made) => made.check === check),
  );

/** Whether the next is what is missing of one that was short, or once more of one not right yet. */
export function isRest(exposure: Exposure, lit: Lit): boolean {
  const { next, stages } = lit.stands;
  return (
    next !== null && (stages[next]?.given_seconds ?? 0) > 0 && nextPlan(exposure, lit) !== null
  );
}
