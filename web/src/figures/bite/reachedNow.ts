import type { Plan } from "../../api/plans";
import type { Plate } from "../../api/plates";

/** Reference seconds reached in the open areas, by the time now. */
export type ReachedBy = (now: number) => number;

const FURTHEST = 1.3;

/** How far the bite under way is at any time, for the wave in the figure; null out of the bath. */
export function reachedIn(plate: Plate, plan: Plan): ReachedBy | null {
  const { run } = plate;
  const bite = plan.sheet.plan.bites[0];
  if (!run?.in_bath || run.dip_seconds == null || run.lift_seconds == null || !bite) return null;
  const dip = run.dip_seconds;
  const length = Math.max(1, run.lift_seconds - dip);
  const area = plan.sheet.areas.find((each) => each.name === bite.areas[0]?.name);
  const from = area?.reached_reference_seconds ?? 0;
  return (now) => {
    const share = Math.min(FURTHEST, Math.max(0, (now - dip) / length));
    return from + share * bite.reference_seconds;
  };
}
