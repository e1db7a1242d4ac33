import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { vi } from "vitest";
import type { Exposure } from "../../api/exposures";
import kinds from "../../api/kinds.gen.json";
import { nowSeconds } from "../../device/clock";
import { dropEvents, waitingEvents } from "../../device/store";
import { after, EXPOSURE, ended, fresh, taking, UMBRELLAS } from "../../testing/exposure";
import { type Body, fakeServer, fault, refuse, testId, told } from "../../testing/server";
import { alerts, openAt, press, type } from "../../testing/show";

const USER = told<{ me: { id: string } }>("/api/session").me.id;
const EVENTS = `POST /exposures/${EXPOSURE}/events`;
const END = `POST /exposures/${EXPOSURE}/end`;

beforeEach(async () => {
  await dropEvents((await waitingEvents(USER)).map((each) => each.id));
});

/** At the lamp, on a server that keeps what it is told. */
async function atTheLamp(exposure: Exposure, as = {}) {
  let now = exposure;
  const server = fakeServer({
    [`GET /exposures/${EXPOSURE}`]: () => ({ body: now }),
    [EVENTS]: (body: Body) => {
      now = taking(now, body);
      return { body: now };
    },
  });
  const page = openAt(`/exposure/runs/${EXPOSURE}`, as);
  await screen.findByRole("heading", { name: "Paper Umbrellas" });
  const said = () =>
    server.sent
      .filter((each) => each.call === EVENTS)
      .flatMap(({ body }) => body.events as { kind: string; data: Body }[])
      .map(({ kind, data }) => ({ kind, ...data }));
  return { server, said, ...page };
}

/** Two presses nearer than that are one. */
const moment = () => new Promise((resolve) => setTimeout(resolve, kinds.same_press_seconds * 1100));
const stage = (name: string) =>
  screen
    .getAllByRole("listitem")
    .find((each) => within(each).queryByText(name) !== null) as HTMLElement;

test("before the first stage it says what to do, for how long, and what comes after", async () => {
  await atTheLamp(fresh());
  expect(screen.getByRole("heading", { name: "Chalk" })).toBeVisible();
  expect(screen.getByText("Then chalk for").parentElement).toHaveTextContent("1:00");
  expect(screen.getByText("Not begun yet", { selector: "div" })).toBeVisible();
  expect(screen.getAllByRole("listitem").length).toBeGreaterThanOrEqual(7);
  expect(screen.getByRole("button", { name: /^Chalk/ })).toBeVisible();
});

test("Space begins a stage and ends it; a press that bounces is one", async () => {
  const { said } = await atTheLamp(fresh());
  await userEvent.keyboard("p");
  expect(await screen.findByRole("heading", { name: "Dot screen" })).toBeVisible();
  await userEvent.keyboard(" ");
  await userEvent.keyboard(" ");
  expect(await screen.findByRole("timer")).toHaveAccessibleName(/to go$/);
  expect(screen.getByText(/At zero:/)).toHaveTextContent(
    "At zero: lamp off, take the screen off. Then image.",
  );
  expect(screen.getByText(/No looking into the lamp/)).toBeVisible();
  await moment();
  await userEvent.keyboard(" ");
  await waitFor(() =>
    expect(said().map((each) => each.kind)).toEqual(["passed", "began", "ended"]),
  );
  expect(said()[1]).toMatchObject({ stage: "screen", step: 1 });
});

test("what was short is asked for, and may be left as it is", async () => {
  const { said } = await atTheLamp(after([["screen", 55]]));
  expect(screen.getByRole("heading", { name: "Dot screen: the rest" })).toBeVisible();
  expect(screen.getByText(/are missing. Give them now/)).toBeVisible();
  expect(screen.getByText(/^Dot screen: 0:30 short./)).toBeVisible();
  await press(/^P\s*Leave it/);
  expect(await screen.findByRole("heading", { name: "Image" })).toBeVisible();
  await waitFor(() => expect(said()).toEqual([{ kind: "passed", stage: "screen", step: 1 }]));
});

test("a longer screen moves the image, and says by how much", async () => {
  const lit = after([["screen", 130]]);
  await atTheLamp(lit);
  const image = lit.stands.stages.find((each) => each.stage === "image");
  const plan = lit.sheet.stages.find((each) => each.stage === "image");
  expect(image?.planned_seconds).not.toBeCloseTo(plan?.seconds ?? 0, 0);
  expect(screen.getByText(/^After that screen the image is/)).toBeVisible();
});

test("after the water it asks to look and feel; not yet means once more", async () => {
  const { said } = await atTheLamp(
    after([
      ["screen", 85],
      ["image", 190],
      ["wash", 275],
    ]),
  );
  const checks = screen.getByRole("list", { name: "Look and feel" });
  await userEvent.click(screen.getByRole("button", { name: /^Blot/ }));
  expect(await screen.findByText("Blot anyway?")).toBeVisible();
  await userEvent.click(within(checks).getByRole("button", { name: /darks look dull/ }));
  await userEvent.click(within(checks).getAllByRole("button", { name: "not yet" })[1] as never);
  expect(await screen.findByRole("heading", { name: "Wash out: once more" })).toBeVisible();
  expect(screen.getByText(/slimy still. Brush on before it dries/)).toBeVisible();
  expect(screen.getByText("Then wash out for").parentElement).toHaveTextContent("1:00");
  await waitFor(() =>
    expect(said()).toEqual([
      { kind: "checked", check: "clear-look", fine: true },
      { kind: "checked", check: "clear-touch", fine: false },
    ]),
  );
});

test("C says that all is right, and the next stage is free to begin", async () => {
  const { said } = await atTheLamp(
    after([
      ["screen", 85],
      ["image", 190],
      ["wash", 275],
    ]),
  );
  await userEvent.keyboard("c");
  await waitFor(() => expect(said()).toHaveLength(2));
  await userEvent.keyboard(" ");
  await waitFor(() => expect(said().at(-1)).toMatchObject({ kind: "began", stage: "blot" }));
});

test("the water's warmth moves the wash, in °F too, and out of limits it is refused", async () => {
  const lit = after([
    ["screen", 85],
    ["image", 190],
  ]);
  const { said } = await atTheLamp(lit, { temperature_unit: "F" });
  await userEvent.keyboard("t");
  await type("Wash water now", "140");
  await press("Log it");
  expect((await alerts())[0]).toMatch(/122/);
  await type("Wash water now", "86");
  await press("Log it");
  await waitFor(() => expect(said()).toEqual([{ kind: "water", celsius: 30 }]));
  expect(stage("Wash out")).toHaveTextContent("2:30");
});

test("Z takes the last back", async () => {
  const { said } = await atTheLamp(after([["screen", 85]]));
  await userEvent.keyboard("z");
  expect(await screen.findByText("Took back: end.")).toBeVisible();
  await waitFor(() => expect(said()).toEqual([{ kind: "undo", event: "ended-0" }]));
  expect(await screen.findByRole("timer")).toBeVisible();
});

test("with no line it goes on here, and is sent when there is one", async () => {
  const { server, said } = await atTheLamp(fresh());
  server.cutLine(true);
  await userEvent.keyboard(" ");
  expect(await screen.findByRole("timer")).toBeVisible();
  server.cutLine(false);
  await waitFor(() => expect(said().map((each) => each.kind)).toEqual(["began"]), {
    timeout: 6000,
  });
}, 10_000);

test("far past its time it asks when it was over", async () => {
  const lit = after([["dry", 10]], 3 * 3600);
  const open = { ...lit, events: lit.events.slice(0, 1) };
  const { said } = await atTheLamp(open);
  expect(await screen.findByText(/Dry was due at/)).toBeVisible();
  await press("It was over on time");
  await waitFor(() => expect(said()[0]).toMatchObject({ kind: "ended", remembered: true }));
});

test("all done it says what was missed, and ends in a proof", async () => {
  const { server, at } = await atTheLamp({ ...ended(), ended_at: null, outcome: "" });
  expect(screen.getByRole("heading", { name: "Hard" })).toBeVisible();
  expect(screen.getByText(/The lamp burnt/)).toBeVisible();
  server.answer(END, { body: ended() });
  await press(/End and pull a proof/);
  await waitFor(() => expect(at()).toBe(`/plates/${UMBRELLAS}/proofs/new`));
});

test("set aside with a reason it goes back to the plate; a fault of the server stays in sight", async () => {
  const { server, at } = await atTheLamp(after([["screen", 85]]));
  await userEvent.keyboard("s");
  server.answer(END, refuse(422, fault("exposure", "A stage is under way. End it first.")));
  await press("film slipped");
  expect((await alerts()).join(" ")).toMatch(/End it first/);
  const aside = { ...ended(), outcome: "set aside", reason: "film slipped" };
  server.answer(END, { body: aside });
  await press("film slipped");
  await waitFor(() => expect(at()).toBe(`/plates/${UMBRELLAS}/expose`));
  expect(server.last().body).toEqual({ reason: "film slipped" });
});

test("an exposure that is not here says so", async () => {
  fakeServer();
  openAt("/exposure/runs/00000000-0000-4000-8000-000000000000");
  expect(await screen.findByText("The exposure is not here")).toBeVisible();
});

const SHEET = { body: fresh().sheet };

function atThePlate(answers: Parameters<typeof fakeServer>[0] = {}) {
  const server = fakeServer({ "POST /api/calc/exposure-run": SHEET, ...answers });
  return { server, ...openAt(`/plates/${UMBRELLAS}/expose`) };
}

test("a plate's exposure says both times on today's lamp, and begins once the cautions are known", async () => {
  const { server, at } = atThePlate();
  const test = told<{ today: { screen_seconds: number } }>(
    `/exposure-tests/${testId("New film, chalked")}`,
  );
  expect(await screen.findByRole("heading", { name: /^Dot screen/ })).toBeVisible();
  expect(test.today.screen_seconds).toBeGreaterThan(0);
  expect(await screen.findByText("Then, by the clock")).toBeVisible();
  expect(await screen.findByText("Exposed before")).toBeVisible();
  await press("Begin to expose");
  for (const box of screen.getAllByRole("checkbox")) await userEvent.click(box);
  server.answer("POST /exposures", { status: 201, body: { ...fresh(), id: "new" } });
  await press(/^Begin/);
  await waitFor(() => expect(at()).toBe("/exposure/runs/new"));
  const begun = server.sent.find((each) => each.call === "POST /exposures");
  expect(begun?.body).toMatchObject({
    plate: UMBRELLAS,
    by_test: testId("New film, chalked"),
    acknowledged: ["uv", "uncured-polymer"],
  });
});

test("times that somebody knows are typed, refused out of limits, and taken", async () => {
  atThePlate();
  await userEvent.selectOptions(await screen.findByLabelText("Times by"), "times I know");
  expect(screen.getByRole("button", { name: "Begin to expose" })).toBeDisabled();
  await type("Dot screen", "0:00");
  await type("Image", "2:30");
  await press("Take these");
  expect((await alerts()).join(" ")).toMatch(/Dot screen/);
  await type("Dot screen", "1:10");
  await press("Take these");
  expect(await screen.findByText(/As you typed them/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Begin to expose" })).toBeEnabled();
});

test("under the lamp already it leads there", async () => {
  const plate = told<Body>(`/plates/${UMBRELLAS}`);
  const light = { id: EXPOSURE, stage: "Image", under_way: true, due_seconds: 2e9 };
  atThePlate({ [`GET /plates/${UMBRELLAS}`]: { body: { ...plate, light } } });
  expect(await screen.findByRole("heading", { name: /^Now: Image/ })).toBeVisible();
  expect(screen.getByRole("link", { name: "Go to the lamp" })).toHaveAttribute(
    "href",
    expect.stringContaining(`/exposure/runs/${EXPOSURE}`),
  );
  expect(screen.queryByRole("button", { name: "Begin to expose" })).toBeNull();
});

test("without a lamp it asks for one", async () => {
  const none = { items: [], total: 0, page: 1, page_size: 100, broken: [] };
  atThePlate({ "GET /lamps": { body: none }, "GET /lamps?page=1": { body: none } });
  expect(await screen.findByText("No lamp is known")).toBeVisible();
});

test("a planned test is exposed by the clock from its page", async () => {
  const waits = testId("Coarser screen, 80 µm");
  const server = fakeServer();
  const { at } = openAt(`/exposure/${waits}`);
  await press("Expose it by the clock");
  for (const box of screen.getAllByRole("checkbox")) await userEvent.click(box);
  server.answer("POST /exposures", { status: 201, body: { ...fresh(), id: "new" } });
  await press(/^Begin/);
  await waitFor(() => expect(at()).toBe("/exposure/runs/new"));
  expect(server.sent[0]?.body).toMatchObject({ test: waits });
});

test("the chip of every page counts down what is under the lamp, where that is over first", async () => {
  const rack = told<{ items: Body[] }>("/plates");
  const due = nowSeconds() + 20;
  const light = { id: EXPOSURE, stage: "Dot screen", under_way: true, due_seconds: due };
  const items = rack.items.map((each) => (each.id === UMBRELLAS ? { ...each, light } : each));
  fakeServer({ "GET /plates": { body: { ...rack, items } } });
  openAt("/members");
  const chip = await screen.findByRole("link", { name: /Paper Umbrellas, dot screen/ });
  expect(chip).toHaveAttribute("href", expect.stringContaining(`/exposure/runs/${EXPOSURE}`));
  expect(chip).toHaveTextContent(/0:(20|19|18)\s*to go/);
});

test("the exposures of a plate are taken away as CSV", async () => {
  const saved = vi.fn();
  vi.stubGlobal("URL", Object.assign(URL, { createObjectURL: saved, revokeObjectURL: () => {} }));
  atThePlate();
  await press("Save as CSV");
  const [[blob]] = saved.mock.calls as [[Blob]];
  const text = await blob.text();
  expect(text.split("\n")[0]).toBe("begun_at,ended_at,lamp_name,lamp_seconds,outcome,reason");
  expect(text).toContain('"Six tubes"');
});

test.each([
  ["done", "Exposed and hard", "Hang a proof"],
  ["todo", "Exposed, not bitten", "Times under the lamp"],
])("a polymer plate's own page leads on: exposure %s", async (state, title, strong) => {
  const plate = told<{ course: { step: string }[] }>(`/plates/${UMBRELLAS}`);
  const course = plate.course.map((each) => (each.step === "bite" ? { ...each, state } : each));
  fakeServer({ [`GET /plates/${UMBRELLAS}`]: { body: { ...plate, course } } });
  openAt(`/plates/${UMBRELLAS}`);
  expect(await screen.findByText(title)).toBeVisible();
  expect(screen.getByRole("link", { name: strong })).toBeVisible();
});
