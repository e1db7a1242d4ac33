import type { Plan, PlanIn } from "../../../api/plans";
import type { Study } from "../../../api/studies";

type Area = PlanIn["areas"][number];

/** The plan that a study's areas make: in the bath and by the strip the study goes by. */
export function planOf(study: Study, kept: Plan | null, id: string): PlanIn | null {
  const bath = study.bath ?? kept?.bath;
  if (!bath) return null;
  return {
    id: kept?.id ?? (id || study.id),
    version: kept?.version ?? 0,
    part: "tones",
    bath,
    strip: study.strip ?? null,
    method: kept?.method ?? "stop-out",
    round_to_seconds: kept?.round_to_seconds ?? 5,
    areas: study.plan_areas as Area[],
    measured: kept?.measured ?? [],
    open_again: kept?.open_again ?? [],
    anew: false,
  };
}

/** Whether what is kept has the areas of the study as they are now. */
export function isPlanned(study: Study, kept: Plan | null): boolean {
  if (!kept) return false;
  const tones = (areas: { name: string; lstar?: number | null }[]) =>
    areas.map(({ name, lstar }) => `${name} ${lstar ?? "white"}`).join();
  return tones(kept.areas) === tones(study.plan_areas as Area[]);
}
