import "fake-indexeddb/auto";
import { openDB } from "idb";
import type { EventIn, Run } from "../api/runs";
import { runEarlier } from "../testing/run";
import { keepEvent, keepRun, keptRun, waitingEvents } from "./store";
import { biteUnderWay, takeOver } from "./update";
import { flushAll } from "./flush";

const DIP = "11111111-1111-4111-8111-111111111111";
const RUN = "22222222-2222-4222-8222-222222222222";

const dipped: EventIn = {
  id: DIP,
  kind: "dip",
  device: "d",
  sequence: 1,
  monotonic_ms: 1_000_000,
  offset_ms: 0,
  offset_spread_ms: 5,
  data: { open: ["sky"], celsius: 18 },
};

/** A run as the version before kept it: no goal, no bath line, events without their device. */
const old = {
  id: RUN,
  care: "feather",
  part: "lines",
  bath_temperature_c: 18,
  now_seconds: 1_100,
  ended_at: null,
  events: [{ id: "e", kind: "rocked", at_seconds: 900, data: {}, by: "Keeper" }],
  state: { dips: [] },
  sheet: {
    plan: { done: [], bites: [] },
    grid_reference_seconds: [0, 100],
    areas: [
      {
        name: "sky",
        lstar: [94, 60],
        lstar_low: [93, 58],
        lstar_high: [95, 62],
        wanted_lstar: 60,
        wanted_depth_um: 20,
        depth_um: [0, 20],
        depth_um_low: [0, 18],
        depth_um_high: [0, 22],
      },
    ],
  },
  areas: [{ name: "sky" }],
} as unknown as Run;

beforeEach(async () => {
  await waitingEvents("nobody"); // the store exists
  const base = await openDB("keen-bite", 1);
  await base.clear("events");
  await base.clear("runs");
  base.close();
});

async function leaveBehind(store: string, value: unknown, key?: string) {
  const base = await openDB("keen-bite", 1);
  await base.put(store, value, key);
  base.close();
}

test("an event that waited under the old shape belongs to its run, and is sent", async () => {
  const before = { id: DIP, user: "u", room: "r", run: RUN, at: 5, event: dipped };
  await leaveBehind("events", before);
  expect(await waitingEvents("u")).toEqual([
    { id: DIP, user: "u", room: "r", at: 5, event: dipped, subject: { kind: "run", id: RUN } },
  ]);
  const sent: Request[] = [];
  vi.stubGlobal("fetch", async (request: Request | string) => {
    if (request instanceof Request) sent.push(request.clone());
    return new Response(JSON.stringify({ id: RUN, now_ms: 0 }), {
      headers: { "Content-Type": "application/json" },
    });
  });
  await flushAll("u");
  expect(new URL(sent[0]?.url ?? "").pathname).toBe(`/api/rooms/r/runs/${RUN}/events`);
  expect(await sent[0]?.json()).toEqual({ events: [dipped] });
  expect(await waitingEvents("u")).toEqual([]);
});

test("what is kept while others are sent goes with the next sending, once", async () => {
  const waiting = (id: string, sequence: number) =>
    keepEvent({
      id,
      user: "u",
      room: "r",
      subject: { kind: "run", id: RUN },
      at: sequence,
      event: { ...dipped, id, sequence },
    });
  const sent: string[][] = [];
  const held: (() => void)[] = [];
  vi.stubGlobal("fetch", async (request: Request | string) => {
    const asked = request instanceof Request && request.method === "POST";
    if (asked) {
      const { events } = (await request.json()) as { events: EventIn[] };
      sent.push(events.map((each) => each.id));
      await new Promise<void>((resolve) => held.push(resolve));
    }
    return new Response(JSON.stringify({ id: RUN, now_ms: 0 }), {
      headers: { "Content-Type": "application/json" },
    });
  });
  const later = DIP.replaceAll("1", "3");
  await waiting(DIP, 1);
  const first = flushAll("u");
  await vi.waitFor(() => expect(held).toHaveLength(1));
  await waiting(later, 2);
  const [second, third] = [flushAll("u"), flushAll("u")];
  held[0]?.();
  await first;
  await vi.waitFor(() => expect(held).toHaveLength(2));
  held[1]?.();
  await Promise.all([second, third]);
  expect(sent).toEqual([[DIP], [later]]);
  expect(await waitingEvents("u")).toEqual([]);
});

test("a run kept by the version before has its goal when it is read", async () => {
  await leaveBehind("runs", old, `u r ${RUN}`);
  const run = await keptRun("u", "r", RUN);
  expect(run?.sheet.goal).toMatchObject({ kind: "depth", unit: "µm" });
  expect(run?.sheet.areas[0]).toMatchObject({
    wanted: 20,
    goal: { value: [0, 20], low: [0, 18], high: [0, 22] },
  });
  expect(run?.process.hands.dip).toBe("Dip");
  expect(run?.care.event).toBe("feathered");
  expect([run?.bath_line, run?.events[0]?.device]).toEqual([[], ""]);
});

test("a new build waits while a plate is in the bath, and takes over after the lift", async () => {
  const said: unknown[] = [];
  const waiting = { postMessage: (word: unknown) => said.push(word) } as unknown as ServiceWorker;
  await leaveBehind("runs", old, `u r ${RUN}`);
  const subject = { kind: "run" as const, id: RUN };
  await keepEvent({ id: DIP, user: "u", room: "r", subject, at: 1, event: dipped });
  expect(await biteUnderWay(1_200)).toBe(true);
  expect(await biteUnderWay(1_100 + 25 * 3600)).toBe(false);
  vi.spyOn(performance, "now").mockReturnValue(0);
  vi.spyOn(Date, "now").mockReturnValue(1_200_000);
  await takeOver({ waiting });
  expect(said).toEqual([]);
  const lift: EventIn = {
    ...dipped,
    id: RUN,
    kind: "lift",
    sequence: 2,
    monotonic_ms: 1_060_000,
    data: { dip: DIP, remembered: false },
  };
  await keepEvent({ id: RUN, user: "u", room: "r", subject, at: 2, event: lift });
  expect(await biteUnderWay(1_200)).toBe(false);
  await takeOver({ waiting });
  expect(said).toEqual(["take-over"]);
  await takeOver({ waiting: null });
  vi.restoreAllMocks();
});

test("a run of this version is kept as it is", async () => {
  const now = runEarlier(0);
  await keepRun("u", "r", now);
  expect(await keptRun("u", "r", now.id)).toEqual(now);
  expect(await keptRun("someone else", "r", now.id)).toBeUndefined();
});

test("one kept before areas were opened at the tray has words for it", async () => {
  const now = runEarlier(0);
  const { opening: _, ...hands } = now.process.hands;
  const kept = { ...now, process: { ...now.process, hands } } as Run;
  await keepRun("u", "r", kept);
  expect((await keptRun("u", "r", now.id))?.process.hands.opening.verb).toBe("Open");
});
