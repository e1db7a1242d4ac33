import type { Exposure } from "../api/exposures";
import type { EventIn } from "../api/runs";
import { foldExposure } from "../device/exposureFold";
import { followExposure } from "../device/exposureFollow";
import { happened } from "../device/happened";
import { type Body, NOW_MS, plateId, told } from "./server";

/** The demo's exposure as if it were under way, and a server that keeps what it is sent. */

export const UMBRELLAS = plateId("Paper Umbrellas");
const DONE = told<{ items: { id: string }[] }>(`/exposures?plate=${UMBRELLAS}`);
export const EXPOSURE = DONE.items[0]?.id ?? "";

/** As the server told it: ended, every stage done. */
export const ended = (): Exposure => told<Exposure>(`/exposures/${EXPOSURE}`);

type Told = Exposure["events"];

/** Followed anew by other events. */
export function withOnly(exposure: Exposure, events: Told): Exposure {
  const state = foldExposure(events as never);
  return {
    ...exposure,
    events,
    state,
    stands: followExposure(exposure.sheet, state),
    now_seconds: NOW_MS / 1000,
  };
}

/** Before its first stage. */
export const fresh = (): Exposure => withOnly({ ...ended(), ended_at: null, outcome: "" }, []);

/** Its first stages one after another for so many seconds each, the last so long ago. */
export function after(given: [stage: string, seconds: number][], ago = 30): Exposure {
  let at = NOW_MS / 1000 - ago - given.reduce((sum, [, seconds]) => sum + seconds + 10, 0);
  const events = given.flatMap(([stage, seconds], n) => {
    const like = { device: "there", clock_was_wrong: false, by: "Keeper", spread_ms: 5 };
    const began = `began-${n}`;
    const both = [
      { id: began, kind: "began", at_seconds: at, data: { stage, step: 1 } },
      { id: `ended-${n}`, kind: "ended", at_seconds: at + seconds, data: { began } },
    ].map((each, k) => ({ ...like, sequence: 2 * n + k, received_at: "", ...each }));
    at += seconds + 10;
    return both;
  });
  return withOnly(fresh(), events as unknown as Told);
}

/** What it answers to events: it has them. */
export function taking(exposure: Exposure, body: Body): Exposure {
  const sent = (body.events as EventIn[]).map(happened) as unknown as Told;
  return withOnly(exposure, [...exposure.events, ...sent]);
}
