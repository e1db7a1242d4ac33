import { screen, waitFor } from "@testing-library/react";
import type { Bath } from "../../api/baths";
import { bathId, fakeServer, fault, refuse, told } from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const AMBER = bathId("Amber tray");
const bath = told<Bath>(`/baths/${AMBER}`);
const MADE = { ...bath, id: "new" };

async function making(as = {}) {
  const server = fakeServer({ "POST /baths": { body: MADE } });
  const page = openAt("/baths", as);
  await press("Make up a bath");
  return { server, ...page };
}

test("a bath is made up from what is typed, comma or point", async () => {
  const { server, at } = await making();
  await type("Name", "Ochre tray");
  await type("Volume", "3,5");
  await type("Temperature", "18.5");
  await type("Hydrometer", "42");
  await pick("Vessel", "upright tank");
  await press("Make it up");
  await waitFor(() => expect(at()).toBe("/baths/new"));
  expect(server.last().body).toMatchObject({
    name: "Ochre tray",
    mordant: "copper-ferric",
    vessel: "tank",
    volume_l: 3.5,
    temperature_c: 18.5,
    room_c: null,
    load_g_per_l: 0,
    baume: 42,
  });
});

test("all that is wrong is told at once, and nothing is sent", async () => {
  const { server } = await making();
  await type("Volume", "0");
  await type("Temperature", "180");
  await type("Room", "cold");
  await type("Metal in it", "500");
  await press("Make it up");
  expect(alerts()).toEqual([
    "Name: nothing is written yet.",
    "Volume: 0 is not between 0.01 and 2000 L.",
    "Temperature: 180 is not between 0 and 60 °C.",
    "Room: “cold” is not a number.",
    "Metal in it: 500 is not between 0 and 150 g/L.",
  ]);
  expect(server.sent).toEqual([]);
});

test("in °F it is typed and refused in °F, and sent in °C", async () => {
  const { server } = await making({ temperature_unit: "F" });
  await type("Name", "Ochre tray");
  await type("Volume", "3");
  await type("Temperature", "180");
  await press("Make it up");
  expect(alerts()).toEqual(["Temperature: 180 is not between 32 and 140 °F."]);
  await type("Temperature", "68");
  await press("Make it up");
  await waitFor(() => expect(server.last()?.body.temperature_c).toBeCloseTo(20));
});

test("nitric asks for the extraction; what the server refuses stands at the tick", async () => {
  const { server } = await making();
  await pick("Mordant", /Nitric acid 1 \+ 10/ as unknown as string);
  expect(screen.queryByLabelText("Hydrometer")).toBeNull();
  expect(screen.getByText(/see a doctor even when well/)).toBeVisible();
  await type("Name", "Blue tray");
  await type("Volume", "3");
  await type("Temperature", "18");
  const said = "Nitric gives off brown gas: extraction first.";
  server.answer("POST /baths", refuse(422, fault("fumes_known", said)));
  await press("Make it up");
  await waitFor(() => expect(alerts()[0]).toContain(said));
  expect(screen.getByLabelText(/Extraction is on/)).toBeInvalid();
});

test("a printer reads the baths but makes none", async () => {
  fakeServer();
  openAt("/baths", { role: "printer" });
  expect(await screen.findByText(/Keepers make up baths/)).toBeVisible();
  expect(await screen.findByRole("link", { name: "Amber tray" })).toBeVisible();
  expect(screen.queryByRole("button", { name: "Make up a bath" })).toBeNull();
});

test("a reading is logged, the fields are empty again, and the page says so", async () => {
  const server = fakeServer({ [`POST /baths/${AMBER}/readings`]: { body: bath } });
  openAt(`/baths/${AMBER}`);
  const log = await screen.findByRole("button", { name: "Log the reading" });
  expect(log).toBeDisabled();
  await type("Temperature", "19,5");
  await press("Log the reading");
  expect(await screen.findByText("Logged. Plans in this bath follow.")).toBeVisible();
  expect(server.last().body).toMatchObject({ temperature_c: 19.5, load_g_per_l: null });
  await waitFor(() => expect(screen.getByLabelText("Temperature")).toHaveValue(""));
});

test("two readings in a row have each their own id", async () => {
  const server = fakeServer({ [`POST /baths/${AMBER}/readings`]: { body: bath } });
  openAt(`/baths/${AMBER}`);
  for (const celsius of ["19", "20"]) {
    await type("Temperature", celsius);
    await press("Log the reading");
    await waitFor(() => expect(screen.getByLabelText("Temperature")).toHaveValue(""));
  }
  const ids = server.sent.map((each) => each.body.id);
  expect(new Set(ids).size).toBe(2);
});

test("a measured speed is sent with its doubt as a share, over the version it was read at", async () => {
  const changed = { ...bath, rate_factor: 1.12, version: bath.version + 1 };
  const server = fakeServer({ [`PUT /baths/${AMBER}`]: { body: changed } });
  openAt(`/baths/${AMBER}`);
  await type("Speed over the strip's", "1,12");
  await type("How sure, ±", "0.1");
  await press("Use it");
  expect(alerts()).toEqual(["How sure, ±: 0.1 is not between 0.5 and 100 %."]);
  await type("How sure, ±", "4");
  server.answer(`GET /baths/${AMBER}`, { body: changed });
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
  openAt(`/baths/${AMBER}`);
  await type("Speed over the strip's", "1.12");
  server.answer(`GET /baths/${AMBER}`, { body: { ...bath, rate_factor: 1.3, version: 9 } });
  await press("Use it");
  const both = await screen.findByRole("region", { name: "Changed meanwhile" });
  expect(both).toHaveTextContent("Speed over the strip's1.121.3");
  server.answer(`PUT /baths/${AMBER}`, { body: { ...bath, rate_factor: 1.12, version: 10 } });
  await press("Keep mine");
  await waitFor(() => expect(server.last().body).toMatchObject({ version: 9, rate_factor: 1.12 }));
});
