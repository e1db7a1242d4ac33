import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { vi } from "vitest";
import type { Hatch, Marks, Wear } from "../../api/marks";
import { happened } from "../../device/happened";
import { foldMarks } from "../../device/marksFold";
import { dropEvents, waitingEvents } from "../../device/store";
import { type Body, fakeServer, fault, plateId, refuse, told } from "../../testing/server";
import { alerts, openAt, press, type } from "../../testing/show";

const USER = told<{ me: { id: string } }>("/api/session").me.id;
const CLOSING = plateId("Closing Time");
const BRIDGE = plateId("The Weighbridge");
const marksOf = (plate: string) => told<Marks>(`/plates/${plate}/marks`);
const hatchAt = (plate: string, { lstar, pressure }: Pick<Marks, "lstar" | "pressure">) =>
  told<Hatch>(`/plates/${plate}/hatch?lstar=${lstar}&pressure=${pressure}`);
const EVENTS = `POST /plates/${CLOSING}/marks/events`;

beforeEach(async () => {
  await dropEvents((await waitingEvents(USER)).map((each) => each.id));
});

/** The marks of a plate, on a server that keeps what it is told. */
async function atTheMarks(plate = CLOSING, as = {}, given = marksOf(plate)) {
  let now = given;
  const keep = vi.fn((body: Body): { status?: number; body?: unknown } => {
    now = { ...now, ...body, trial: now.trial, version: now.version + 1 } as Marks;
    return { body: now };
  });
  const server = fakeServer({
    [`GET /plates/${plate}/marks`]: () => ({ body: now }),
    [`PUT /plates/${plate}/marks`]: keep,
    [`POST /plates/${plate}/marks/events`]: (body: Body) => {
      const events = [...now.events, ...(body.events as never[]).map((each) => happened(each))];
      now = { ...now, events: events as never, state: foldMarks(events as never) };
      return { body: now };
    },
  });
  const page = openAt(`/plates/${plate}/marks`, as);
  await screen.findByLabelText("Tone, L*");
  return { server, keep, ...page };
}

/** What was logged, kind and data. */
const logged = (server: { sent: { call: string; body: Body }[] }, call = EVENTS) =>
  server.sent
    .filter((each) => each.call === call)
    .flatMap(({ body }) => body.events as { kind: string; data: Body }[])
    .map(({ kind, data }) => ({ kind, ...data }));

test("for a tone it says how far apart, how sure, and from what", async () => {
  await atTheMarks();
  const marks = marksOf(CLOSING);
  const plan = hatchAt(CLOSING, marks).rows[1]?.plan;
  const answer = await screen.findByRole("heading", { name: /^For/ });
  await waitFor(() =>
    expect(answer).toHaveTextContent(
      `${((plan?.spacing_um ?? 0) / 1000).toFixed(2)} mm apart, crossed`,
    ),
  );
  expect(screen.getByText("from Steel needle on acrylic")).toBeVisible();
});

test("arrows move the tone, digits the layers, N the pressure; the answer before stands meanwhile", async () => {
  const { server } = await atTheMarks();
  const next = { ...hatchAt(CLOSING, marksOf(CLOSING)), lstar: 42 };
  server.answer(`GET /plates/${CLOSING}/hatch?lstar=42&pressure=3`, { body: next });
  await screen.findByRole("heading", { name: /apart, crossed/ });
  await userEvent.keyboard("{ArrowUp}");
  await waitFor(() => expect(screen.getByLabelText("Tone, L*")).toHaveValue("42"));
  await userEvent.keyboard("3");
  expect(await screen.findByRole("heading", { name: /three ways/ })).toBeVisible();
  await userEvent.keyboard("1");
  expect(await screen.findByRole("heading", { name: /one way/ })).toBeVisible();
  await userEvent.keyboard("n");
  expect(screen.getByRole("button", { name: "4", pressed: true })).toBeVisible();
});

test("a tone no paper has is marked and asks nothing", async () => {
  await atTheMarks();
  await type("Tone, L*", "120");
  expect(screen.getByLabelText("Tone, L*")).toBeInvalid();
  await type("Tone, L*", "41,0");
  expect(screen.getByLabelText("Tone, L*")).toBeValid();
});

test("the lines that are missed are named, walked by the arrows, in the user's units", async () => {
  await atTheMarks(CLOSING, { length_unit: "in" });
  const missed = marksOf(CLOSING).looks[0]?.seen.missed;
  expect(missed?.lines).toHaveLength(3);
  expect(await screen.findByText(/^3 lines missed/)).toBeVisible();
  expect(screen.getByText(/^No\. 1,/)).toHaveTextContent("in long");
  await userEvent.keyboard("{ArrowRight}");
  expect(screen.getByText(/^No\. 2,/)).toBeVisible();
  await userEvent.keyboard("{ArrowLeft}{ArrowLeft}");
  expect(screen.getByText(/^No\. 3,/)).toBeVisible();
  expect(screen.getByRole("heading", { name: /^For/ })).toHaveTextContent("in apart");
});

test("photographs are sent one after another, then merged as a task", async () => {
  const { server } = await atTheMarks();
  const files = ["a", "b", "c"].map(
    (name) => new File(["x"], `${name}.png`, { type: "image/png" }),
  );
  server.answer("POST /files", () => ({ status: 201, body: { id: crypto.randomUUID() } }));
  const task = {
    id: "t",
    kind: "scratch-view",
    about: CLOSING,
    state: "waiting",
    progress: 0,
    turn: 1,
    result: null,
    fault: null,
    given: {},
    created_at: new Date().toISOString(),
    ended_at: null,
  };
  server.answer(`POST /plates/${CLOSING}/looks`, { status: 202, body: task });
  await userEvent.upload(screen.getByLabelText("Photographs of the plate"), files);
  await waitFor(() =>
    expect(server.sent.filter((each) => each.call.endsWith("/looks"))).toHaveLength(1),
  );
  const asked = server.sent.find((each) => each.call.endsWith("/looks"))?.body;
  expect(asked?.pictures).toHaveLength(3);
  expect(asked?.inked).toBe(false);
});

test("one photograph of clear plastic is refused in words", async () => {
  const { server } = await atTheMarks();
  server.answer("POST /files", () => ({ status: 201, body: { id: crypto.randomUUID() } }));
  server.answer(
    `POST /plates/${CLOSING}/looks`,
    refuse(
      422,
      fault("pictures", "One photograph shows only the scratches that its light crosses."),
    ),
  );
  const one = new File(["x"], "a.png", { type: "image/png" });
  await userEvent.upload(screen.getByLabelText("Photographs of the plate"), one);
  await waitFor(() => expect(alerts().join(" ")).toContain("only the scratches that its light"));
});

test("sitting down, resting and what is drawn are events of the device's queue", async () => {
  const { server } = await atTheMarks();
  await press("Sit down");
  expect(await screen.findByText(/^At it for/)).toBeVisible();
  await new Promise((resolve) => setTimeout(resolve, 1100));
  await press("Rest");
  await press("Stones is all drawn");
  await waitFor(() =>
    expect(logged(server)).toMatchObject([
      { kind: "sat-down", work: "hatching" },
      { kind: "got-up" },
      { kind: "marked", group: "Stones", share: 1 },
    ]),
  );
  expect(await screen.findByRole("button", { name: "Stones is not all drawn" })).toBeVisible();
});

test("with no line what is logged stands at once and waits", async () => {
  const { server } = await atTheMarks();
  server.cutLine(true);
  await press("Sit down");
  expect(await screen.findByRole("button", { name: "Rest" })).toBeVisible();
  await waitFor(async () => expect(await waitingEvents(USER)).toHaveLength(1));
});

test("groups are changed in one form, and a fault stands at its row", async () => {
  const { keep } = await atTheMarks();
  await press("Change the groups");
  const rows = await screen.findAllByRole("group", { name: /^Group / });
  expect(rows).toHaveLength(4);
  const first = within(rows[0] as HTMLElement);
  await userEvent.clear(first.getByLabelText("Wanted L*"));
  await userEvent.paste("38,5");
  keep.mockReturnValueOnce(
    refuse(422, fault("groups.0.width_mm", "Shutter reaches beyond the plate.", { unit: "mm" })),
  );
  await press("Keep the groups");
  await waitFor(() => expect(alerts().join(" ")).toContain("beyond the plate"));
  await press("Keep the groups");
  await waitFor(() => expect(keep).toHaveBeenCalledTimes(2));
  const body = keep.mock.calls[1]?.[0] as unknown as Marks;
  expect(body.groups[0]).toMatchObject({ name: "Shutter", lstar: 38.5, layers: 2, texture: null });
  expect(body.words).toBe("");
});

test("a group that is empty of a tone stays bare", async () => {
  const { keep } = await atTheMarks();
  await press("Change the groups");
  const rows = await screen.findAllByRole("group", { name: /^Group / });
  await userEvent.clear(within(rows[1] as HTMLElement).getByLabelText("Wanted L*"));
  await press("Keep the groups");
  await waitFor(() => expect(keep).toHaveBeenCalled());
  const body = keep.mock.calls[0]?.[0] as unknown as Marks;
  expect(body.groups[1]?.lstar ?? null).toBeNull();
});

test("lettering stands mirrored, and each letter is read by a touch", async () => {
  const { keep } = await atTheMarks(BRIDGE);
  expect(await screen.findByText("Every letter was read in the mirror.")).toBeVisible();
  expect(screen.getAllByText("100 % drawn")).toHaveLength(2); // nothing else is said of them
  const letters = screen.getAllByRole("button", { name: /letter \d+/ });
  expect(letters.map((each) => each.textContent?.[0]).join("")).toBe("EGDIRBHGIEWEHT");
  await userEvent.click(letters[0] as HTMLElement);
  await waitFor(() => expect(keep).toHaveBeenCalled());
  const body = keep.mock.calls[0]?.[0] as unknown as Marks;
  expect(body.letters_checked).not.toContain(15);
  expect(await screen.findByText("One letter is not read yet.")).toBeVisible();
});

test("an engraver sharpens by minutes, and slips are mended", async () => {
  const { server } = await atTheMarks(BRIDGE);
  const call = `POST /plates/${BRIDGE}/marks/events`;
  expect(await screen.findByText(/since it was sharpened; yours lasts/)).toBeVisible();
  await press("Sharpened");
  await userEvent.type(screen.getByLabelText("Where it slipped"), "left rail");
  await press("It slipped");
  expect(await screen.findByText("One slip to mend")).toBeVisible();
  await press("Mended");
  await waitFor(() =>
    expect(logged(server, call).map((each) => each.kind)).toEqual([
      "sharpened",
      "slipped",
      "mended",
    ]),
  );
  expect(await screen.findByText("Every slip is mended")).toBeVisible();
});

test("an empty plate says what to do first", async () => {
  const bare = {
    ...marksOf(CLOSING),
    looks: [],
    groups: [],
    groups_out: [],
    trial: null,
    masks: null,
  };
  await atTheMarks(CLOSING, {}, bare as Marks);
  expect(screen.getByText("Not looked at yet")).toBeVisible();
  expect(screen.getByText("No group yet")).toBeVisible();
  expect(screen.getByText("a guess: no trial yet")).toBeVisible();
});

test("a trial is kept with what was read, and spacings go by it", async () => {
  const { server, keep } = await atTheMarks();
  server.answer("POST /trials", (body) => ({
    status: 201,
    body: { ...marksOf(CLOSING).trial, ...body, version: 1 },
  }));
  await press("Another trial");
  await type("Pressure 1", "84");
  await type("Pressure 3", "62,5");
  await press("Keep the trial");
  await waitFor(() => expect(keep).toHaveBeenCalled());
  const sent = server.sent.find((each) => each.call === "POST /trials")?.body;
  expect(sent).toMatchObject({ material: "acrylic" });
  expect(sent?.pressures).toMatchObject([
    { pressure: 1, lstar: 84, spacing_um: 300 },
    { pressure: 3, lstar: 62.5, spacing_um: 300 },
  ]);
  expect(sent?.textures).toEqual([]);
});

/** Eleven impressions as they are logged on the wear page itself, every second read. */
const PULLED = Array.from({ length: 11 }, (_, n) => ({
  id: `pull ${n + 1}`,
  kind: "pulled",
  at_seconds: 1_000_000 + 1500 * n,
  device: "phone",
  sequence: n,
  data: { passes: 1, spoiled: n === 5, lstar: n % 2 ? null : 40 + 0.3 * n, spread: 0.6, note: "" },
}));

/** How a plate wears, on a server that keeps what it is told. */
async function atTheWear(as = {}) {
  const events = [...marksOf(CLOSING).events, ...PULLED] as Marks["events"];
  let now = { ...marksOf(CLOSING), events, state: foldMarks(events as never) } as Marks;
  const asked = told<Wear>(`/plates/${CLOSING}/wear`);
  const forecast = {
    ...asked.forecast,
    last_good: 14,
    low: 11,
    high: 19,
    text: "From no. 15 it is too pale.",
  };
  const wear = { ...asked, state: now.state, wanted: 20, forecast } as Wear;
  const server = fakeServer({
    [`GET /plates/${CLOSING}/marks`]: () => ({ body: now }),
    [`GET /plates/${CLOSING}/wear`]: { body: wear },
    [`GET /plates/${CLOSING}/wear?after=12`]: {
      body: {
        ...wear,
        forecast: {
          ...wear.forecast,
          again: { after: 12, last_good: 19, low: 14, high: 30, forecast: [] },
        },
      },
    },
    [EVENTS]: (body: Body) => {
      const events = [...now.events, ...(body.events as never[]).map((each) => happened(each))];
      now = { ...now, events: events as never, state: foldMarks(events as never) };
      return { body: now };
    },
  });
  openAt(`/plates/${CLOSING}/wear`, as);
  await screen.findByRole("heading", { name: /^From no\. \d+ it is too pale/ });
  return { server, wear };
}

test("pulls logged at the press wear the plate as well, and stand on the edition's page", async () => {
  fakeServer();
  openAt(`/plates/${CLOSING}/wear`);
  expect(await screen.findByText(/16 pulls, logged at the press/)).toBeVisible();
  expect(screen.getByRole("link", { name: "edition's page" })).toHaveAttribute(
    "href",
    expect.stringMatching(/\/edition$/),
  );
  expect(screen.queryByRole("button", { name: "Pulled" })).toBeNull();
});

test("from which impression it is too pale, how sure, and what was pulled", async () => {
  const { wear } = await atTheWear();
  const answer = screen.getByRole("heading", { name: /From no\. \d+ it is too pale/ });
  expect(answer).toHaveTextContent(`last good ${wear.forecast.low} to ${wear.forecast.high}`);
  expect(screen.getByText(/pulled of/)).toHaveTextContent("11 pulled of 20 wanted");
  expect(
    screen.getAllByRole("listitem").filter((each) => /Take back/.test(each.textContent ?? "")),
  ).toHaveLength(11);
});

test("an impression is one touch, spoiled or not, read later, and taken back", async () => {
  const { server } = await atTheWear();
  await press("Pulled");
  expect(await screen.findByRole("heading", { name: /^No\. 13 next/ })).toBeVisible();
  await press("Spoiled");
  await press("Read no. 12");
  await type(/Darkest marked place/, "abc");
  await press("Keep the reading");
  expect(alerts().join(" ")).toContain("paper is 100");
  await type(/Darkest marked place/, "44,8");
  await press("Keep the reading");
  await press("Take back no. 13");
  await waitFor(() =>
    expect(logged(server)).toMatchObject([
      { kind: "pulled", passes: 1, spoiled: false },
      { kind: "pulled", spoiled: true },
      { kind: "impression-read", lstar: 44.8 },
      { kind: "undo" },
    ]),
  );
  expect(await screen.findByRole("heading", { name: /^No\. 13 next/ })).toBeVisible();
});

test("what scratching again after another impression would do is asked of the server", async () => {
  await atTheWear();
  await userEvent.clear(screen.getByLabelText("Scratch again after impression"));
  await userEvent.type(screen.getByLabelText("Scratch again after impression"), "12");
  expect(await screen.findByText(/it would hold to no\./)).toHaveTextContent(
    "After no. 12 it would hold to no. 19",
  );
});

test("what it is measured against is kept", async () => {
  const { server } = await atTheWear();
  const call = `PUT /plates/${CLOSING}/marks`;
  server.answer(call, (body) => ({ body: { ...marksOf(CLOSING), ...body, version: 9 } }));
  await type("May be lighter by", "4,5");
  await press("Keep");
  await waitFor(() => expect(server.sent.some((each) => each.call === call)).toBe(true));
  expect(server.sent.find((each) => each.call === call)?.body).toMatchObject({
    tolerance_lstar: 4.5,
    wanted: 20,
  });
});

test("the marks were scratched again: an event, taken back from the word that says so", async () => {
  const { server } = await atTheWear();
  await userEvent.keyboard("w");
  expect(
    await screen.findByText("Scratched again after no. 11. It counts from there."),
  ).toBeVisible();
  await press("Undo");
  await waitFor(() =>
    expect(logged(server).map((each) => each.kind)).toEqual(["scratched-again", "undo"]),
  );
  expect(screen.queryByText(/It counts from there/)).toBeNull();
});

test("looks before tell how far it was, and advice is in the user's units", async () => {
  const marks = marksOf(CLOSING);
  const [look] = marks.looks;
  if (!look?.seen.missed) throw new Error("the demo has a look");
  const before = {
    ...look,
    id: "before",
    seen: { ...look.seen, missed: { ...look.seen.missed, done_share: 0.62 } },
  };
  await atTheMarks(CLOSING, { length_unit: "in" }, { ...marks, looks: [look, before] } as Marks);
  expect(screen.getByText(/^Before:/)).toHaveTextContent("62 % scratched");
  expect(screen.getByText(/^cross it at 0\.011 in/)).toBeVisible();
  expect(screen.queryByText(/\d mm\b/)).toBeNull();
});

test("a trial is left out, and put back by the word that says so", async () => {
  const { server, keep } = await atTheMarks();
  const trial = marksOf(CLOSING).trial;
  server.answer(`PUT /trials/${trial?.id}`, (body) => ({
    body: { ...trial, ...body, version: 2 },
  }));
  await press("Leave it out");
  await waitFor(() => expect(keep).toHaveBeenCalledTimes(1));
  expect(keep.mock.calls[0]?.[0]).toMatchObject({ trial: null });
  await press("Undo");
  await waitFor(() => expect(keep).toHaveBeenCalledTimes(2));
  expect(keep.mock.calls[1]?.[0]).toMatchObject({ trial: trial?.id });
  const told = server.sent.filter((each) => each.call.startsWith("PUT /trials/"));
  expect(told.map(({ body }) => body.out_reason)).toEqual(["left out at a plate's marks", ""]);
});
