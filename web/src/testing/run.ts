import type { Run } from "../api/runs";
import { fold, happened } from "../device/fold";
import { type Body, plateId, told } from "./server";

/** The demo's run under way, moved in time, and a server that keeps what it is sent. */

export const LANTERN = plateId("Lantern Row");
export const RUN = told<{ run: { id: string } }>(`/plates/${LANTERN}`).run.id;
const A_CLOCK_TIME = 1e9;

/** The run as if everything had happened so many seconds earlier. */
export const runEarlier = (seconds: number): Run => earlier(told<Run>(`/runs/${RUN}`), seconds);

function earlier<T>(value: T, seconds: number): T {
  if (typeof value === "number" && value > A_CLOCK_TIME) return (value - seconds) as T;
  if (Array.isArray(value)) return value.map((each) => earlier(each, seconds)) as T;
  if (!value || typeof value !== "object") return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [key, earlier(each, seconds)]),
  ) as T;
}

/** Its answer to events: it has them, and has not planned the rest anew yet. */
export function withEvents(run: Run, body: Body): Run {
  const sent = (body.events as Parameters<typeof happened>[0][]).map(happened);
  return { ...run, events: [...run.events, ...sent] as Run["events"] };
}

/** The run before its first dip, or out of the bath after its last. */
export function runWithout(run: Run, kinds: string[]): Run {
  const events = run.events.filter((event) => !kinds.includes(event.kind));
  return { ...run, events, state: fold(events, run.bath_line) };
}

/** All bites made: nothing is planned any more. */
export const runFinished = (run: Run): Run => ({
  ...run,
  sheet: { ...run.sheet, plan: { ...run.sheet.plan, bites: [] } },
});
