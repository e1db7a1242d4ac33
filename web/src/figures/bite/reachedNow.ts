import type { Plan } from "../../api/plans";
import type { Plate } from "../../api/plates";

/** Reference seconds reached in the bath now, for the wave in the figure; null out of the bath. */
export function reachedNow(plate: Plate, plan: Plan, now: number): number | null {
  const run = plate.run;
  const bite = plan.sheet.plan.bites[0];
  if (!run?.in_bath || run.dip_seconds === null || run.lift_seconds === null || !bite) return null;
  const share = (now - run.dip_seconds) / Math.max(1, run.lift_seconds - run.dip_seconds);
  const area = plan.sheet.areas.find((each) => each.name === bite.areas[0]?.name);
  const from = area?.reached_reference_seconds ?? 0;
  return from + Math.min(1.3, Math.max(0, share)) * bite.reference_seconds;
}
