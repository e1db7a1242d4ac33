import { afterEach, beforeEach, expect, it, vi } from "vitest";

let steady = 0;
let wall = 1_700_000_000_000;

beforeEach(() => {
  vi.resetModules();
  localStorage.clear();
  vi.spyOn(performance, "now").mockImplementation(() => steady);
  vi.spyOn(Date, "now").mockImplementation(() => wall);
});
afterEach(() => vi.restoreAllMocks());

async function asked(serverMs: number, tripMs: number) {
  const clock = await import("./clock");
  vi.stubGlobal("fetch", async () => {
    steady += tripMs;
    return new Response(JSON.stringify({ now_ms: serverMs }));
  });
  await clock.measureOffset();
  return clock;
}

it("takes the middle of the trip for the server's time", async () => {
  steady = 1_000;
  const clock = await asked(5_000_000, 40);
  expect(clock.nowSeconds()).toBeCloseTo((5_000_000 + 20) / 1000, 6);
  expect(clock.clockOffset().spreadMs).toBe(20);
});

it("stays where it is when the wall clock is set ten minutes on in a bite", async () => {
  steady = 0;
  const clock = await asked(9_000_000, 10);
  const dip = clock.nowSeconds();
  steady += 60_000;
  wall += 60_000 + 600_000;
  expect(clock.nowSeconds() - dip).toBeCloseTo(60, 6);
});

it("reads the wall clock only where it never met the server, and says how unsure that is", async () => {
  steady = 500;
  const clock = await import("./clock");
  expect(clock.nowSeconds()).toBeCloseTo(wall / 1000, 3);
  expect(clock.clockOffset().spreadMs).toBeGreaterThan(1_000);
});
