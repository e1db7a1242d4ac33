import type { Run } from "../api/runs";
import { fold } from "../device/fold";
import { happened } from "../device/happened";
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

type Plan = Run["sheet"]["plan"];
type Opens = { covers: boolean; verb: string; done: string; closed: string };

/** Nothing bitten yet, and opened up: the darkest first, before each later bite one more; lines have no white. */
export function runOpeningUp(run: Run, opening: Opens): Run {
  const { plan } = run.sheet;
  const fresh = runWithout(run, ["dip", "lift", "covered", "temperature"]);
  const names = run.sheet.areas.filter((area) => area.wanted !== null).map((area) => area.name);
  const [areas, like] = [[...plan.areas].reverse(), plan.bites[0] as Plan["bites"][number]];
  const darkFirst = [...names].reverse();
  const bites = darkFirst.map((name, place) => ({
    ...like,
    number: place + 1,
    areas: areas
      .filter((area) => darkFirst.slice(0, place + 1).includes(area.name))
      .map((area) => ({ ...area, finished: place === names.length - 1 })),
    stop_out_before: [],
    cover_before: place === 0 && opening.covers ? darkFirst.slice(1) : [],
    open_before: [name],
  }));
  const hands = { ...run.process.hands, opening: { ...run.process.hands.opening, ...opening } };
  const there = ({ name }: { name: string }) => opening.covers || names.includes(name);
  return {
    ...fresh,
    areas: run.areas.filter(there),
    process: { ...run.process, hands },
    sheet: {
      ...run.sheet,
      areas: run.sheet.areas.filter(there),
      plan: { ...plan, done: [], bites },
    },
  };
}

/** All bites made: nothing is planned any more. */
export const runFinished = (run: Run): Run => ({
  ...run,
  sheet: { ...run.sheet, plan: { ...run.sheet.plan, bites: [] } },
});
