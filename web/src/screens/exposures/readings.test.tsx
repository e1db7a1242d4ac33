import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Chart, Lamp, Patch, Test } from "../../api/exposures";
import type { Task } from "../../api/tasks";
import {
  type Body,
  fakeServer,
  fault,
  listed,
  NOW_MS,
  refuse,
  testId,
  told,
} from "../../testing/server";
import { alerts, openAt, press, type } from "../../testing/show";

const TEST = testId("New film, chalked");
const PUT = `PUT /exposure-tests/${TEST}`;
const known = () => told<Test>(`/exposure-tests/${TEST}`);
const TABLE = "POST /api/calc/read-table";
const tones = (count: number) =>
  Array.from({ length: count }, (_, n) => ({ name: "", lstar: 90 - (n % 4) * 20, spread: null }));
const table = (count: number) => ({
  body: { form: "csv", readings: tones(count), warnings: [], paper_lstar: 100 },
});

const task = (kind: string, result: unknown, more: Partial<Task> = {}): Task => ({
  id: "one",
  kind,
  about: "pic",
  given: {},
  state: "done",
  progress: 1,
  turn: 1,
  result: result as never,
  fault: null,
  created_at: new Date(NOW_MS).toISOString(),
  ended_at: null,
  ...more,
});
const PICTURE = { id: "pic", width_px: 800, height_px: 600, has_depth: false };
const CELL = { lstar: 90, spread: 0.4, doubt: 0.5, corners_px: [], warnings: [] };
const READ = {
  cells: [CELL],
  mark_px: [
    [0, 0],
    [9, 0],
    [9, 9],
    [0, 9],
  ],
  turned: 0,
  likeness: 0.97,
  paper_spread: 0.3,
  warnings: [],
};
const file = () => new File(["x"], "readings.csv", { type: "text/csv" });

/** What was sent there, first. */
const sentTo = (server: ReturnType<typeof fakeServer>, call: string): Body =>
  server.sent.find((each) => each.call === call)?.body ?? {};

function showing(answers: Parameters<typeof fakeServer>[0] = {}) {
  const server = fakeServer(answers);
  return { server, ...openAt(`/exposure/${TEST}`) };
}

test("a whole test is read out of a file, seen, then taken in one step", async () => {
  const { server } = showing({ [TABLE]: table(100) });
  await userEvent.click(await screen.findByText("Read all patches at once"));
  await userEvent.upload(screen.getByLabelText("File of readings"), file());
  expect(await screen.findByText("25 patches read.")).toBeVisible();
  expect(screen.getByText(/They take the place of 25/)).toBeVisible();
  server.answer(PUT, { body: { ...known(), version: 2 } });
  await press("Take these readings");
  await waitFor(() => expect(server.sent.some((each) => each.call === PUT)).toBe(true));
  const { patches } = sentTo(server, PUT) as { patches: Patch[] };
  expect(patches).toHaveLength(25);
  expect(patches[0]).toMatchObject({ paper_lstar: 90, solid_lstar: 30 });
  expect(patches[0]?.screen_seconds).toBeLessThan(patches[24]?.screen_seconds ?? 0);
});

test("a file with another number of tones is refused and nothing is changed", async () => {
  const { server } = showing({ [TABLE]: table(96) });
  await userEvent.click(await screen.findByText("Read all patches at once"));
  await userEvent.upload(screen.getByLabelText("File of readings"), file());
  expect((await alerts()).join(" ")).toMatch(/has 96 tones; this test has 100/);
  expect(server.sent.filter((each) => each.call === PUT)).toEqual([]);
});

test("a scan is read as a task; somebody's later change stands in the way of taking it", async () => {
  const patches = known().readings.slice(0, 9);
  const done = task("read-test", { ...READ, patches });
  const { server } = showing({ "GET /tasks?about=pic&kind=read-test": { body: listed([]) } });
  await userEvent.click(await screen.findByText("Read all patches at once"));
  server.answer("POST /files", { status: 201, body: PICTURE });
  server.answer(`POST /exposure-tests/${TEST}/scan`, { status: 202, body: done });
  server.answer("GET /tasks?about=pic&kind=read-test", { body: listed([done]) });
  await userEvent.upload(
    screen.getByLabelText("Read it from a scan"),
    new File(["x"], "scan.png", { type: "image/png" }),
  );
  expect(await screen.findByText("9 patches read.")).toBeVisible();
  server.answer(PUT, refuse(409, fault("version", "Someone changed it meanwhile.")));
  await press("Take these readings");
  expect((await alerts()).join(" ")).toMatch(/changed it meanwhile/);
  expect(screen.getByText("9 patches read.")).toBeVisible();
});

test("a step chart is typed, its faults shown, and kept for the pair", async () => {
  const { server } = showing();
  await screen.findByText("Read all patches at once");
  await userEvent.keyboard("h");
  await userEvent.selectOptions(await screen.findByLabelText("Steps"), "11");
  await press("Keep the chart");
  expect((await alerts()).length).toBeGreaterThan(0);
  const fields = [...document.querySelectorAll<HTMLInputElement>("fieldset input")];
  expect(fields.map((each) => each.labels?.[0]?.textContent)[10]).toBe("Step 11");
  for (const [n, field] of fields.entries())
    fireEvent.change(field, { target: { value: String(92 - 6 * n) } });
  const chart = told<{ items: Chart[] }>("/charts").items[0] as Chart;
  server.answer("POST /charts", { status: 201, body: chart });
  await press("Keep the chart");
  await waitFor(() => expect(server.sent.some(({ call }) => call === "POST /charts")).toBe(true));
  const body = sentTo(server, "POST /charts");
  expect(body).toMatchObject({ test: TEST, lamp: known().lamp });
  expect((body.steps as { film: number }[]).map((each) => each.film)).toEqual([
    0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1,
  ]);
}, 15_000);

test("a chart of many steps comes out of a file, not typed one by one", async () => {
  const readings = Array.from({ length: 101 }, (_, n) => ({
    name: "",
    lstar: 94 - 0.7 * n,
    spread: 0.6,
  }));
  const { server } = showing({
    [TABLE]: { body: { form: "cgats", readings, warnings: [], paper_lstar: 100 } },
  });
  await press("Read a chart");
  await userEvent.upload((await screen.findAllByLabelText("File of readings"))[0] as never, file());
  expect(await screen.findByText("101 steps, from a scan or file.")).toBeVisible();
  const chart = told<{ items: Chart[] }>("/charts").items[0] as Chart;
  server.answer("POST /charts", { status: 201, body: chart });
  await press("Keep the chart");
  await waitFor(() => expect(server.sent.some(({ call }) => call === "POST /charts")).toBe(true));
  const { steps } = sentTo(server, "POST /charts") as { steps: { spread: number }[] };
  expect(steps).toHaveLength(101);
  expect(steps[7]?.spread).toBe(0.6);
});

test("a test is renamed, and may be said to count no longer", async () => {
  const { server } = showing();
  await press("Change it");
  await type("Why it no longer counts", "another film");
  server.answer(PUT, { body: { ...known(), out_reason: "another film" } });
  await press("Keep it");
  await waitFor(() =>
    expect(sentTo(server, PUT)).toMatchObject({
      name: "New film, chalked",
      out_reason: "another film",
    }),
  );
});

test("nine points of a lamp's bed are typed in their places, all or none", async () => {
  const { server } = showing();
  await screen.findByText("Read all patches at once");
  await userEvent.keyboard("e");
  expect(await screen.findByLabelText("Top left")).toHaveValue("3.6");
  await type("Middle", "4,4");
  const lamp = told<{ items: Lamp[] }>("/lamps").items[0];
  server.answer("PUT /lamps", { body: lamp });
  await press("Keep the lamp");
  await waitFor(() => expect(server.sent.some(({ call }) => call === "PUT /lamps")).toBe(true));
  const { nine } = sentTo(server, "PUT /lamps") as { nine: number[] };
  expect(nine).toEqual([3.6, 3.9, 3.6, 3.9, 4.4, 3.9, 3.5, 3.8, 3.4]);
});

test("the image time by a wedge is told with its band, and taken into the plan", async () => {
  const { server } = showing({
    "POST /api/calc/exposure-wedge": {
      body: { seconds: 180, factor: 1.995, low: 152, high: 213 },
    },
  });
  await screen.findByText("Read all patches at once");
  await userEvent.keyboard("n");
  await userEvent.click(await screen.findByText("The image time by a step wedge"));
  await type("Wedge exposed for", "1:30");
  await type("Step that held last", "7");
  await type("Step that shall hold", "9");
  await press("How long?");
  expect(await screen.findByText(/2:32 to 3:33/)).toBeVisible();
  expect(server.last().body).toMatchObject({ seconds: 90, held_step: 7, wanted_step: 9 });
  await press("Take it for the image");
  expect(screen.getByLabelText("Image, the middle one")).toHaveValue("3:00");
});

test("a chart's steps come off a scan, with the doubt of each", async () => {
  const steps = Array.from({ length: 21 }, (_, n) => ({
    film: n / 20,
    lstar: 94 - 3.3 * n,
    spread: 0.5,
  }));
  const done = task("read-steps", { ...READ, steps }, { given: { steps: 21 } });
  const asked = "GET /tasks?about=pic&kind=read-steps";
  const { server } = showing({ [asked]: { body: listed([]) } });
  await press("Read a chart");
  server.answer("POST /files", { status: 201, body: PICTURE });
  server.answer(`POST /exposure-tests/${TEST}/scan`, { status: 202, body: done });
  server.answer(asked, { body: listed([done]) });
  const scans = await screen.findAllByLabelText("Read it from a scan");
  await userEvent.upload(scans[0] as never, new File(["x"], "scan.png", { type: "image/png" }));
  await waitFor(() =>
    expect(document.querySelectorAll<HTMLInputElement>("fieldset input")[20]?.value).toBe("28.0"),
  );
  expect(sentTo(server, `POST /exposure-tests/${TEST}/scan`)).toMatchObject({ steps: 21 });
  const chart = told<{ items: Chart[] }>("/charts").items[0] as Chart;
  server.answer("POST /charts", { status: 201, body: chart });
  await press("Keep the chart");
  await waitFor(() => expect(server.sent.some(({ call }) => call === "POST /charts")).toBe(true));
  const kept = sentTo(server, "POST /charts") as { steps: { spread: number }[] };
  expect(kept.steps.map((each) => each.spread)).toEqual(Array(21).fill(0.5));
});
