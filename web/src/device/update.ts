import { nowSeconds } from "./clock";
import { dipUnderWay, localRun } from "./local";
import { underWay } from "./exposureFollow";
import { allWaiting, keptExposures, keptRuns } from "./store";
import { litHere } from "./useExposure";
import type { Waiting } from "./waiting";

const LOOK_EVERY_MS = 60_000;
const FORGOTTEN_SECONDS = 24 * 3600;
/** A run last seen in its bath so long ago was lifted by another device. */

/** Tell whether a plate is in a bath or under the lamp, as far as this device knows. */
export async function biteUnderWay(now = nowSeconds()): Promise<boolean> {
  const waiting = await allWaiting();
  const open = <Seen extends { id: string; ended_at: string | null; now_seconds: number }>(
    seen: Seen,
  ) => seen.ended_at === null && now - seen.now_seconds <= FORGOTTEN_SECONDS;
  const [runs, exposures] = await Promise.all([keptRuns(), keptExposures()]);
  return (
    runs.filter(open).some((run) => dipUnderWay(localRun(run, mine(waiting, run.id))) !== null) ||
    exposures
      .filter(open)
      .some((lit) => underWay(litHere(lit, mine(waiting, lit.id)).state) !== null)
  );
}

const mine = (waiting: Waiting[], id: string) =>
  waiting.filter((each) => each.subject.id === id && !each.refused).map((each) => each.event);

type Registration = Pick<ServiceWorkerRegistration, "waiting">;

/** Let a new build that waits take over, unless a bite is under way. */
export async function takeOver(registration: Registration): Promise<void> {
  if (registration.waiting && !(await biteUnderWay())) {
    registration.waiting.postMessage("take-over");
  }
}

/** Look for a new build again and again; it is taken between bites, and seen at the next opening. */
export function updateBetweenBites(registration: ServiceWorkerRegistration): void {
  const look = () => {
    takeOver(registration).catch(() => {});
  };
  look();
  setInterval(() => {
    registration.update().then(look, () => {});
  }, LOOK_EVERY_MS);
}
