import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach } from "vitest";
import type { Lamp, Test } from "../../api/exposures";
import { fakeServer, fault, listed, refuse, testId, told } from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const ID = testId("New film, chalked");
const AT = `/exposure-tests/${ID}`;
const READ = told<Test>(AT);
const LAMP = told<{ items: Lamp[] }>("/lamps").items[0] as Lamp;
const clock = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.round(seconds % 60)).padStart(2, "0")}`;

/** The test as it stands at the server, put in place of the one that was read. */
const showing = (test: Partial<Test>, as = {}) => {
  const server = fakeServer({ [`GET ${AT}`]: { body: { ...READ, ...test } } });
  openAt("/exposure", as);
  return server;
};

beforeEach(() => {
  fakeServer();
});

test("both times are the answer, with their bands, and why", async () => {
  openAt("/exposure");
  expect(await screen.findByRole("heading", { name: READ.name })).toBeVisible();
  const pair = READ.pair as NonNullable<Test["pair"]>;
  expect(screen.getByText(clock(pair.screen_seconds), { selector: "b" })).toBeVisible();
  expect(
    screen.getByText(`(${clock(pair.low.image_seconds)} to ${clock(pair.high.image_seconds)})`),
  ).toBeVisible();
  expect(screen.getByText(pair.why)).toBeVisible();
  expect(
    await screen.findByRole("img", { name: /^Two-way test: dot screen \d/ }),
  ).toBeInTheDocument();
});

test("an older lamp lengthens both times, and the times it makes stand beside", async () => {
  const today = {
    screen_seconds: 100,
    image_seconds: 220,
    times: 1.2,
    low: 1.1,
    high: 1.3,
    text: "412 h of about 800.",
  };
  showing({ today });
  expect(await screen.findByText("1:40, then 3:40")).toBeVisible();
  expect(screen.getByText("(×1.10 to 1.30)")).toBeVisible();
});

test("a pair that holds nothing is told with what to do", async () => {
  const pair = READ.pair as NonNullable<Test["pair"]>;
  const text = "No pair holds both: give the screen longer steps or a denser film.";
  showing({ pair: { ...pair, shadow_open: false, warnings: [{ code: "no-pair", text }] } });
  expect(await screen.findByText(text)).toBeVisible();
});

test("a test that waits says so, and which strips lie under the card when", async () => {
  showing({ readings: [], pair: null, today: null, waits: "to expose" });
  expect(await screen.findByRole("heading", { name: /Which strips to cover when/ })).toBeVisible();
  expect(screen.getByText(/From 6 patches on it tells a pair; it has 25/)).toBeVisible();
  const rows = within(screen.getAllByRole("table")[0] as HTMLElement).getAllByRole("row");
  expect(within(rows[1] as HTMLElement).getByText(/Lay the dot screen on/)).toBeVisible();
  expect(rows).toHaveLength(11);
});

test("patches that give no pair keep their reason", async () => {
  const why = fault("patches", "A two-way test needs at least two screen times.");
  showing({ pair: null, today: null, fault: why });
  await waitFor(() => expect(alerts().join()).toContain("at least two screen times"));
});

test("a patch is walked to by arrows, read, and sent with the others on its version", async () => {
  const server = showing({});
  await screen.findByRole("heading", { name: READ.name });
  await userEvent.keyboard("{ArrowRight}");
  const before = READ.readings.find(
    (each) => each.screen_seconds === 80 && each.image_seconds === 160,
  );
  expect(await screen.findByRole("heading", { name: "Screen 1:20, image 2:40" })).toBeVisible();
  expect(screen.getByLabelText("Clear film")).toHaveValue(String(before?.paper_lstar));
  await userEvent.keyboard("{Enter}");
  expect(screen.getByLabelText("Clear film")).toHaveFocus();
  server.answer(`PUT ${AT}`, { body: { ...READ, version: READ.version + 1 } });
  await type("5 %", "91,4");
  await press("Keep the reading");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const body = server.last().body as unknown as { version: number; patches: Test["readings"] };
  expect(body.version).toBe(READ.version);
  expect(body.patches).toHaveLength(25);
  expect(body.patches.at(-1)).toMatchObject({ screen_seconds: 80, highlight_lstar: 91.4 });
  expect(body.patches.at(-1)?.spread).toBe(before?.spread);
});

test("two who read at once: mine is kept beside what the other read meanwhile", async () => {
  const server = showing({});
  await screen.findByRole("heading", { name: READ.name });
  await userEvent.keyboard("{ArrowRight}");
  await type("5 %", "91,4");
  const other = READ.readings.map((each, i) => (i === 0 ? { ...each, solid_lstar: 11 } : each));
  const now = { ...READ, version: READ.version + 1, readings: other };
  server.answer(`GET ${AT}`, { body: now });
  server.answer(`PUT ${AT}`, refuse(409, fault("version", "Changed.", { code: "stale" })));
  await press("Keep the reading");
  expect(await screen.findByRole("button", { name: "Keep mine" })).toBeVisible();
  expect(screen.getByLabelText("5 %")).toHaveValue("91,4");
  server.answer(`PUT ${AT}`, { body: { ...now, version: now.version + 1 } });
  await press("Keep mine");
  await waitFor(() => expect(server.sent).toHaveLength(2));
  const body = server.last().body as unknown as { version: number; patches: Test["readings"] };
  expect(body.version).toBe(now.version);
  expect(body.patches[0]?.solid_lstar).toBe(11);
  expect(body.patches.at(-1)).toMatchObject({ highlight_lstar: 91.4 });
});

test("a reading that is no tone is refused at its field, and what was typed stays", async () => {
  const server = showing({});
  await screen.findByRole("heading", { name: READ.name });
  await userEvent.keyboard("{ArrowDown}");
  await type("Solid", "250");
  await press("Keep the reading");
  await waitFor(() => expect(alerts().join()).toContain("105"));
  expect(screen.getByLabelText("Solid")).toHaveValue("250");
  expect(server.sent).toHaveLength(0);
});

test("a test is planned by key, in one's own units, with what stands as guesses", async () => {
  const server = showing({}, { length_unit: "in" });
  await screen.findByRole("heading", { name: READ.name });
  server.answer("POST /exposure-tests", { status: 201, body: { ...READ, id: "new" } });
  await userEvent.keyboard("n");
  expect(await screen.findByLabelText("Name")).toHaveFocus();
  await type("Name", "Second film");
  await type("Piece, wide", "4");
  await type("Image, the middle one", "3:00");
  await press("Plan it");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const { planned, lamp } = server.last().body as {
    planned: Record<string, number>;
    lamp: string;
  };
  expect(lamp).toBe(LAMP.id);
  expect(planned).toMatchObject({ image_seconds: 180, screen_seconds: 80, screen_steps: 5 });
  expect(planned.width_mm).toBeCloseTo(101.6, 3);
});

test.each([
  ["step wedge", ["Exposed for", "1:30"], ["Last step that holds", "6,5"]],
  ["meter", ["Light at the plate", "3,9"], ["Lamp's hours", "415"]],
  ["dose of an exposure", ["Dose", "610"], ["Exposed for", "2:30"]],
] as const)("the lamp is measured by a %s", async (by, first, second) => {
  const server = showing({});
  await screen.findByRole("heading", { name: READ.name });
  server.answer(`POST /lamps/${LAMP.id}/measurements`, { body: LAMP });
  await userEvent.keyboard("l");
  if (by !== "step wedge") await pick("By", by);
  await type(first[0], first[1]);
  await type(second[0], second[1]);
  await press("Log the reading");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const { body } = server.last();
  if (by === "step wedge")
    expect(body).toMatchObject({ kind: "wedge", seconds: 90, held_step: 6.5 });
  if (by === "meter")
    expect(body).toMatchObject({ kind: "irradiance", mw_per_cm2: 3.9, hours: 415 });
  if (by === "dose of an exposure")
    expect(body).toMatchObject({ kind: "dose", mj_per_cm2: 610, seconds: 150 });
});

test("a reading that was none is taken back on its version", async () => {
  const server = showing({});
  const row = LAMP.measurements[0] as Lamp["measurements"][number];
  await userEvent.click(await screen.findByText(`What was measured of ${LAMP.name}`));
  server.answer(`PUT /lamps/${LAMP.id}/measurements/${row.id}`, { body: LAMP });
  await userEvent.click(screen.getAllByRole("button", { name: "Take back" })[0] as HTMLElement);
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(server.last().body).toEqual({ version: row.version, taken_back: true });
});

test("a keeper changes the lamp; its bed and nine points stay as they are", async () => {
  const server = showing({});
  server.answer("PUT /lamps", { body: LAMP });
  await press("Change the lamp");
  await type("Hours burnt", "0");
  await press("Keep the lamp");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(server.last().body).toMatchObject({ id: LAMP.id, hours: 0, nine: LAMP.nine });
});

test("a lamp that somebody changed meanwhile is asked about", async () => {
  const server = showing({});
  const stale = fault("version", "Someone changed this lamp.", { code: "stale" });
  server.answer("PUT /lamps", refuse(409, stale));
  await press("Change the lamp");
  await type("Name", "Seven tubes");
  await press("Keep the lamp");
  expect(await screen.findByRole("button", { name: "Keep mine" })).toBeVisible();
  expect(screen.getByLabelText("Name")).toHaveValue("Seven tubes");
});

test("a printer is not offered to change the lamp", async () => {
  showing({}, { role: "printer" });
  await screen.findByRole("heading", { name: READ.name });
  expect(screen.queryByRole("button", { name: "Change the lamp" })).toBeNull();
});

test("an empty room begins with the lamp, then with a test", async () => {
  const nothing = { body: listed([]) };
  const server = fakeServer({
    "GET /lamps": nothing,
    "GET /exposure-tests": nothing,
    "GET /charts": nothing,
  });
  openAt("/exposure");
  expect(await screen.findByRole("heading", { name: "No lamp is known." })).toBeVisible();
  server.answer("PUT /lamps", { body: LAMP });
  server.answer("GET /lamps", { body: listed([LAMP]) });
  await press("Enter a lamp");
  await type("Name", "Six tubes");
  await press("Enter the lamp");
  expect(
    await screen.findByRole("heading", { name: `Nobody knows the times of ${LAMP.name}.` }),
  ).toBeVisible();
  expect(server.last().body).toMatchObject({ name: "Six tubes", kind: "tubes", hours: null });
  await press("Plan a two-way test");
  expect(await screen.findByLabelText("Name")).toBeVisible();
});

test("without a chart of this pair nothing is drawn, and why it matters is said", async () => {
  const server = showing({});
  server.answer("GET /charts", { body: listed([]) });
  expect(await screen.findByText(/No step chart was printed by this pair yet/)).toBeVisible();
});
