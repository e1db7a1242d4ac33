import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { vi } from "vitest";
import type { Bath, BathPage, Shelf } from "../../api/baths";
import type { Instrument } from "../../api/instruments";
import {
  type Body,
  bathId,
  fakeServer,
  fault,
  listed,
  NOW_MS,
  refuse,
  type Sent,
  told,
} from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const AMBER = bathId("Amber tray");
const bath = told<Bath>(`/baths/${AMBER}`);
const MADE = { ...bath, id: "new-bath" };
const POURED = {
  volume_l: 4,
  ingredients: [
    { name: "water", role: "water", litres: 0.4, grams: null, cost: null },
    { name: "ferric chloride", role: "ferric", litres: 3.6, grams: null, cost: null },
  ],
  pour: [
    { text: "First water: 0.40 L", warning: null },
    { text: "Then ferric chloride: 3.60 L", warning: "It warms and stains." },
  ],
  cautions: ["ferric"],
  baume: 42,
  fit: null,
  cost: null,
  missing_prices: [],
  label: ["Ferric chloride", "For copper only.", "Never down the drain."],
  level: "care",
};

async function making(as = {}) {
  const server = fakeServer({
    "POST /baths": { body: MADE },
    "POST /api/calc/make-up": (asked) => ({ body: { ...POURED, volume_l: asked.volume_l } }),
  });
  const page = openAt("/baths/new", as);
  await screen.findByRole("heading", { level: 1, name: /ferric chloride/ });
  return { server, ...page };
}
const kept = (server: { sent: Sent[] }) =>
  server.sent.filter((each) => each.call === "POST /baths").map((each) => each.body);
const asked = (server: { sent: Sent[] }) =>
  server.sent.filter((each) => each.call.includes("make-up")).map((each) => each.body);

test("what goes in is said as it is typed, comma or point, and then it is kept", async () => {
  const { server, at } = await making();
  await type("How much", "3,5");
  await type("Bottle holds", "45");
  await waitFor(() =>
    expect(asked(server).at(-1)).toMatchObject({ volume_l: 3.5, stock_baume: 45 }),
  );
  expect(screen.getByText("Then ferric chloride: 3.60 L")).toBeVisible();
  await type("Name", "Ochre tray");
  await type("Temperature", "18.5");
  await pick("Vessel", "upright tank");
  await press("Keep it on the shelf");
  await waitFor(() => expect(at()).toBe("/baths/new-bath"));
  expect(kept(server)[0]).toMatchObject({
    name: "Ochre tray",
    mordant: "copper-ferric",
    vessel: "tank",
    volume_l: 3.5,
    temperature_c: 18.5,
    room_c: null,
    load_g_per_l: 0,
    baume: 42,
    made_from: null,
    held_copper: null,
  });
});

test("a tray and a plate are asked about in the reader's own unit", async () => {
  const { server } = await making({ length_unit: "in" });
  for (const [label, inches] of [
    ["Tray, long", "16"],
    ["Tray, short", "12"],
    ["Tray, high", "3.5"],
    ["Largest plate, wide", "10"],
    ["Largest plate, high", "7"],
  ] as const)
    await type(label, inches);
  await waitFor(() => {
    const last = asked(server).at(-1) as { vessel: { length_mm: number }; plate: Body };
    expect(last.vessel?.length_mm).toBeCloseTo(406.4);
    expect(last.plate).toMatchObject({ height_mm: expect.closeTo(177.8) });
  });
});

test("what the recipe refuses stands at its field, and nothing can be kept", async () => {
  const { server } = await making();
  server.answer(
    "POST /api/calc/make-up",
    refuse(422, fault("target_baume", "Water makes it weaker only.")),
  );
  await type("Bath shall have", "48");
  await waitFor(() => expect(alerts().join()).toContain("Water makes it weaker only."));
  expect(screen.getByRole("button", { name: "Keep it on the shelf" })).toBeDisabled();
});

test("all that is wrong is told at once, and nothing is sent", async () => {
  const { server } = await making();
  await type("Temperature", "180");
  await type("Room", "cold");
  await type("Metal in it", "500");
  await press("Keep it on the shelf");
  expect(alerts()).toEqual([
    "Name: nothing is written yet.",
    "Temperature: 180 is not between 0 and 60 °C.",
    "Room: “cold” is not a number.",
    "Metal in it: 500 is not between 0 and 150 g/L.",
  ]);
  expect(kept(server)).toEqual([]);
});

test("in °F it is typed and refused in °F, and sent in °C", async () => {
  const { server } = await making({ temperature_unit: "F" });
  await type("Name", "Ochre tray");
  await type("Temperature", "180");
  await press("Keep it on the shelf");
  expect(alerts()).toEqual(["Temperature: 180 is not between 32 and 140 °F."]);
  await type("Temperature", "68");
  await press("Keep it on the shelf");
  await waitFor(() => expect(kept(server)[0]?.temperature_c).toBeCloseTo(20));
});

test("nitric asks for the extraction; what the server refuses stands at the tick", async () => {
  const { server } = await making();
  await pick("Mordant", /Nitric acid 1 \+ 10/ as unknown as string);
  expect(screen.queryByLabelText("Bottle holds")).toBeNull();
  expect(screen.getByText(/see a doctor even when well/)).toBeVisible();
  await type("Name", "Blue tray");
  await type("Temperature", "18");
  const said = "Nitric gives off brown gas: extraction first.";
  server.answer("POST /baths", refuse(422, fault("fumes_known", said)));
  await press("Keep it on the shelf");
  await waitFor(() => expect(alerts()[0]).toContain(said));
  expect(screen.getByLabelText(/Extraction is on/)).toBeInvalid();
});

test("ferric that copper never touched is kept for zinc where somebody says so", async () => {
  const { server } = await making();
  await type("Name", "Zinc ferric");
  await type("Temperature", "18");
  await userEvent.click(screen.getByLabelText(/Copper was never in it/));
  await press("Keep it on the shelf");
  await waitFor(() => expect(kept(server)[0]).toMatchObject({ held_copper: false }));
});

test("a printer reads the baths but makes none", async () => {
  fakeServer();
  openAt("/baths", { role: "printer" });
  expect(await screen.findByText(/Keepers make up baths/)).toBeVisible();
  expect((await screen.findAllByRole("link", { name: "Amber tray" }))[0]).toBeVisible();
  expect(screen.queryByRole("link", { name: "Make up a bath" })).toBeNull();
});

test("the shelf's first line says which can be used, and its rows say why", async () => {
  fakeServer();
  openAt("/baths");
  const shelf = told<Shelf>("/baths/shelf");
  expect(await screen.findByRole("heading", { level: 1, name: shelf.answer })).toBeVisible();
  const blue = shelf.baths.find((each) => each.bath.name === "Blue tray");
  expect(blue?.due).toBeNull();
  expect(screen.getAllByText("check first").length).toBeGreaterThan(0);
  expect(screen.getByText("Zinc never in Amber tray or Brown bottle.")).toBeVisible();
  expect(screen.getByText(/labelled can, shelf by the sink/)).toBeVisible();
});

test("the shelf is walked by keys, and K leads to the check of the row", async () => {
  fakeServer();
  const { at, router } = openAt("/baths");
  await screen.findByRole("heading", { level: 1 });
  await userEvent.keyboard("{ArrowDown}k");
  await waitFor(() => expect(at()).toBe(`/baths/${AMBER}`));
  expect(router.state.location.search).toBe("?do=patch");
});

test("an empty room is led to its first bath", async () => {
  fakeServer({
    "GET /baths/shelf": {
      body: { now_seconds: 0, answer: "No bath yet.", baths: [], retired: [] },
    },
  });
  openAt("/baths");
  expect(await screen.findByText("An empty tray")).toBeVisible();
  expect(screen.getByRole("link", { name: "Make up a bath" })).toBeVisible();
});

test("the page's largest line is today's speed, with what it comes from", async () => {
  fakeServer();
  openAt(`/baths/${AMBER}`);
  const page = told<BathPage>(`/baths/${AMBER}/page`);
  expect(
    await screen.findByText(`×${page.speed.value.toFixed(2)}`, { selector: "b" }),
  ).toBeVisible();
  expect(screen.getByText(/Where ×0\.\d\d comes from/)).toBeVisible();
  const shares = page.sources.reduce((sum, each) => sum + each.share, 0);
  expect(shares).toBeCloseTo(1, 2);
  expect(screen.getByText("Keep zinc out of the ferric")).toBeVisible();
});

test("the marks of the figure are read out one after another", async () => {
  fakeServer();
  openAt(`/baths/${AMBER}`);
  await screen.findByText(/Where ×/);
  await userEvent.keyboard("{ArrowLeft}");
  expect(screen.getByText(/^Check patch, .*×0\.\d\d \(/)).toBeVisible();
  await userEvent.keyboard("{ArrowLeft}");
  expect(screen.getByText(/^Coupon weighed, /)).toBeVisible();
});

const SCALE = told<{ items: Instrument[] }>("/instruments").items.find(
  (each) => each.kind === "scale",
) as Instrument;
const weighs = (more: Partial<Instrument>) => ({
  "GET /instruments": {
    body: listed([
      {
        ...SCALE,
        last_kind: "mass",
        last_value: 12.3804999,
        last_unit: "g",
        last_why: "",
        last_at: new Date(NOW_MS - 60_000).toISOString(),
        ...more,
      },
    ]),
  },
});

test.each([
  ["t", "Temperature"],
  ["w", "Bare area, both sides"],
  ["k", "Ground of strip"],
  ["u", "Poured off and replaced"],
])("%s opens its form, ready to type into", async (key, first) => {
  fakeServer();
  openAt(`/baths/${AMBER}`);
  await screen.findByText(/Where ×/);
  await userEvent.keyboard(key);
  await waitFor(() => expect(screen.getByLabelText(first)).toHaveFocus());
  expect(screen.getByLabelText(first)).not.toHaveValue(key);
});

test("what the scale says is taken into a field by one press", async () => {
  fakeServer(weighs({}));
  openAt(`/baths/${AMBER}`);
  await press("Weigh a coupon");
  const [before] = await screen.findAllByRole("button", { name: "Take 12.3805 g" });
  expect(screen.getAllByText(/^Shop scale, \d\d:\d\d$/)[0]).toBeVisible();
  expect(screen.getByLabelText("Before")).toHaveValue("");
  await userEvent.click(before as HTMLElement);
  expect(screen.getByLabelText("Before")).toHaveValue("12.3805");
  expect(screen.getByLabelText("After")).toHaveValue("");
});

test.each([
  ["too old", { last_at: new Date(NOW_MS - 3_600_000).toISOString() }],
  ["doubted", { last_why: "Beyond what a scale reads." }],
  ["of another kind", { last_kind: "lstar" }],
  ["taken back", { taken_back_at: new Date(NOW_MS).toISOString() }],
  ["never sent", { last_at: null, last_value: null }],
])("what is %s is not offered", async (_, more) => {
  const told = vi.fn(() => weighs(more)["GET /instruments"]);
  fakeServer({ "GET /instruments": told });
  openAt(`/baths/${AMBER}`);
  await press("Weigh a coupon");
  await screen.findByLabelText("Before");
  await waitFor(() => expect(told).toHaveBeenCalled());
  expect(screen.queryByRole("button", { name: /^Take [\d]/ })).toBeNull();
});

test("a coupon is weighed: times and masses as they are typed, swapped ones asked back", async () => {
  const server = fakeServer({ [`POST /baths/${AMBER}/coupons`]: { body: bath } });
  openAt(`/baths/${AMBER}`);
  await press("Weigh a coupon");
  await type("Bare area, both sides", "20");
  await type("Before", "12,38");
  await type("After", "12,41");
  await type("In the bath for", "9:30");
  const said = "After 12.41 g is more than before 12.38 g. Swapped?";
  server.answer(`POST /baths/${AMBER}/coupons`, refuse(422, fault("mass_after_g", said)));
  await press("Log the coupon");
  await waitFor(() => expect(alerts()).toContain(said));
  expect(screen.getByLabelText("After")).toHaveValue("12,41");
  server.answer(`POST /baths/${AMBER}/coupons`, { body: bath });
  await type("After", "12,12");
  await press("Log the coupon");
  expect(await screen.findByText("The coupon counts. Plans in this bath follow.")).toBeVisible();
  expect(server.last().body).toMatchObject({
    area_cm2: 20,
    mass_before_g: 12.38,
    mass_after_g: 12.12,
    mass_spread_g: 0.005,
    seconds: 570,
    temperature_c: null,
  });
});

test("a check patch is read off the strip of its own ground", async () => {
  const server = fakeServer({ [`POST /baths/${AMBER}/patches`]: { body: bath } });
  openAt(`/baths/${AMBER}`);
  await press(/Log a check patch/);
  await type("It reads, L*", "71,5");
  await press("Log the patch");
  expect(await screen.findByText("The patch counts. Plans in this bath follow.")).toBeVisible();
  expect(server.last().body).toMatchObject({
    strip: told<BathPage>(`/baths/${AMBER}/page`).strip,
    seconds: 120,
    dips: 1,
    lstar: 71.5,
  });
});

test("a check that was none is taken back", async () => {
  const path = `/baths/${AMBER}/checks`;
  const first = told<{ items: { id: string; version: number }[] }>(path).items[0];
  const server = fakeServer({
    [`GET ${path}?page=1`]: { body: told(path) },
    [`PUT ${path}/${first?.id}`]: { body: bath },
  });
  openAt(`/baths/${AMBER}`);
  await userEvent.click(
    (await screen.findAllByRole("button", { name: "Take back" }))[0] as Element,
  );
  expect(await screen.findByText("Taken back. Plans in this bath follow.")).toBeVisible();
  expect(server.last().body).toEqual({ version: first?.version, taken_back: true });
});

test("a part is replaced in per cent, and retiring names where it goes", async () => {
  const server = fakeServer({
    [`POST /baths/${AMBER}/refreshes`]: { body: bath },
    [`PUT /baths/${AMBER}`]: { body: { ...bath, retired: true } },
  });
  openAt(`/baths/${AMBER}?do=change`);
  await type("Poured off and replaced", "30");
  await press("Replace it");
  await waitFor(() => expect(server.last().body).toMatchObject({ share: 0.3 }));
  await waitFor(() => expect(screen.queryByLabelText("Into")).toBeNull());
  await press("Top up or retire");
  expect(screen.getByText(/Zinc stays refused/)).toBeVisible();
  await type("Into", "can by the sink");
  await press("Retire it");
  await waitFor(() =>
    expect(server.last().body).toMatchObject({ retired: true, retired_to: "can by the sink" }),
  );
});

test("what was typed of a bath is corrected; a side left as it was shown is sent as it was", async () => {
  const server = fakeServer({
    [`PUT /baths/${AMBER}`]: { body: { ...bath, volume_l: 4.5, version: 9 } },
  });
  openAt(`/baths/${AMBER}?do=change`, { length_unit: "in" });
  await type("Volume", "4,5");
  await press("Keep it");
  await waitFor(() => expect(server.last().body).toMatchObject({ volume_l: 4.5 }));
  const { name, length_mm, width_mm, height_mm, version } = bath;
  expect(server.last().body).toMatchObject({
    version,
    name,
    length_mm,
    width_mm,
    height_mm,
    volume_l: 4.5,
  });
});

test("a volume its vessel cannot take is refused at its field, with the limits", async () => {
  const text = "The tray holds 8.64 L. Look at the volume again, or at the vessel's size.";
  fakeServer({ [`PUT /baths/${AMBER}`]: refuse(422, fault("volume_l", text)) });
  openAt(`/baths/${AMBER}?do=change`);
  await type("Volume", "40");
  await press("Keep it");
  await waitFor(() => expect(screen.getByLabelText("Volume")).toBeInvalid());
  expect(alerts().join()).toContain(text);
  expect(screen.getByLabelText("Volume")).toHaveValue("40");
});

test("if it goes wrong is a page of its own, to be printed", async () => {
  fakeServer();
  openAt(`/baths/${AMBER}/wrong`);
  expect(
    await screen.findByRole("heading", { name: "If it goes wrong: Amber tray" }),
  ).toBeVisible();
  expect(screen.getByText(/Lift the plate out with tongs/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Print it" })).toBeVisible();
});

test("a reading is logged, the fields are empty again, and the page says so", async () => {
  const server = fakeServer({ [`POST /baths/${AMBER}/readings`]: { body: bath } });
  openAt(`/baths/${AMBER}?do=warm`);
  const log = await screen.findByRole("button", { name: "Log the reading" });
  expect(log).toBeDisabled();
  await type("Temperature", "19,5");
  await press("Log the reading");
  expect(await screen.findByText("Logged. Plans in this bath follow.")).toBeVisible();
  expect(server.last().body).toMatchObject({ temperature_c: 19.5, load_g_per_l: null });
  await waitFor(() => expect(screen.queryByLabelText("Temperature")).toBeNull());
});

test("two readings in a row have each their own id", async () => {
  const server = fakeServer({ [`POST /baths/${AMBER}/readings`]: { body: bath } });
  openAt(`/baths/${AMBER}`);
  for (const celsius of ["19", "20"]) {
    await press("Log a reading");
    await type("Temperature", celsius);
    await press("Log the reading");
    await waitFor(() => expect(screen.queryByLabelText("Temperature")).toBeNull());
  }
  const ids = server.sent.map((each) => each.body.id);
  expect(new Set(ids).size).toBe(2);
});

test("a temperature that is odd for a bath is asked back", async () => {
  const server = fakeServer({ [`POST /baths/${AMBER}/readings`]: { body: bath } });
  openAt(`/baths/${AMBER}?do=warm`);
  await type("Temperature", "45");
  expect(screen.getByRole("button", { name: "Log the reading" })).toBeDisabled();
  expect(alerts()[0]).toContain("45 °C is odd for a bath");
  await press("Yes, I read it twice");
  await press("Log the reading");
  await waitFor(() => expect(server.last().body.temperature_c).toBe(45));
});

test("a hydrometer's reading is sent as it was read", async () => {
  const server = fakeServer({ [`POST /baths/${AMBER}/hydrometer`]: { body: bath } });
  openAt(`/baths/${AMBER}?do=warm`);
  await type("Hydrometer", "41,5");
  await press("Log the hydrometer");
  await waitFor(() => expect(server.last().body.baume).toBe(41.5));
});

test("a measured speed is sent with its doubt as a share, over the version it was read at", async () => {
  const changed = { ...bath, rate_factor: 1.12, version: bath.version + 1 };
  const server = fakeServer({ [`PUT /baths/${AMBER}`]: { body: changed } });
  openAt(`/baths/${AMBER}?do=change`);
  await type("Speed over the strip's", "1,12");
  await type("How sure, ±", "0.1");
  await press("Use it");
  expect(alerts()).toEqual(["How sure, ±: 0.1 is not between 0.5 and 100 %."]);
  await type("How sure, ±", "4");
  const page = told<BathPage>(`/baths/${AMBER}/page`);
  server.answer(`GET /baths/${AMBER}/page`, { body: { ...page, bath: changed } });
  await press("Use it");
  expect(await screen.findByText("The measured speed is used from now on.")).toBeVisible();
  expect(server.last().body).toEqual({
    version: bath.version,
    rate_factor: 1.12,
    rate_factor_spread: 0.04,
  });
  await press("Forget it");
  await waitFor(() => expect(server.last().body.rate_factor).toBeNull());
});

test("somebody else measured it meanwhile: mine and theirs side by side", async () => {
  const stale = refuse(409, fault("version", "Someone changed this bath.", { code: "stale" }));
  const server = fakeServer({ [`PUT /baths/${AMBER}`]: stale });
  openAt(`/baths/${AMBER}?do=change`);
  await type("Speed over the strip's", "1.12");
  server.answer(`GET /baths/${AMBER}`, { body: { ...bath, rate_factor: 1.3, version: 9 } });
  await press("Use it");
  const both = await screen.findByRole("region", { name: "Changed meanwhile" });
  expect(both).toHaveTextContent("Speed over the strip's1.121.3");
  server.answer(`PUT /baths/${AMBER}`, { body: { ...bath, rate_factor: 1.12, version: 10 } });
  await press("Keep mine");
  await waitFor(() => expect(server.last().body).toMatchObject({ version: 9, rate_factor: 1.12 }));
});
