import { nowSeconds } from "./clock";
import { dipUnderWay, localRun } from "./local";
import { allWaiting, keptRuns } from "./store";

const LOOK_EVERY_MS = 60_000;
const FORGOTTEN_SECONDS = 24 * 3600;
/** A run last seen in its bath so long ago was lifted by another device. */

/** Tell whether a plate is in a bath, as far as this device knows. */
export async function biteUnderWay(now = nowSeconds()): Promise<boolean> {
  const waiting = await allWaiting();
  return (await keptRuns()).some((run) => {
    if (run.ended_at !== null || now - run.now_seconds > FORGOTTEN_SECONDS) return false;
    const mine = waiting.filter((each) => each.subject.id === run.id && !each.refused);
    const local = localRun(
      run,
      mine.map((each) => each.event),
    );
    return dipUnderWay(local) !== null;
  });
}

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
