import { screen, waitFor, within } from "@testing-library/react";
import type { Run } from "../../api/runs";
import type { Strip } from "../../api/strips";
import { runEarlier, runFinished, runWithout, withEvents } from "../../testing/run";
import { bathId, fakeServer, fault, listed, refuse, stripId, told } from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const ROSIN = stripId("Rosin last week");
const strip = told<Strip>(`/strips/${ROSIN}`);
const planned: Strip = { ...strip, planned: [30, 60, 120], readings: [], fit: null, line: [] };
const READY = { "POST /api/calc/minutes": { body: { seconds: [30, 60, 120] } } };

test("a strip to bite: how long it takes is said, and it leads to the bath", async () => {
  const server = fakeServer({ ...READY, "POST /strips": { body: planned } });
  const { at } = openAt(`/strips/bite?bath=${bathId("Blue tray")}`);
  const answer = await screen.findByRole("heading", {
    name: "3 patches: 2:00 in the bath, in 3 dips.",
  });
  expect(answer).toBeVisible();
  expect(screen.getByLabelText("Bath")).toHaveTextContent("Blue tray");
  await type("Name", "Fresh");
  await pick("Bath", "Amber tray");
  await press("Go to the bath");
  await waitFor(() => expect(at()).toBe(`/strips/${ROSIN}/bath`));
  const sent = server.sent.find((each) => each.call === "POST /strips")?.body;
  expect(sent).toMatchObject({
    name: "Fresh",
    bath: bathId("Amber tray"),
    bitten: "dips",
    planned: [30, 60, 120],
    conditions: { mordant: "copper-ferric", temperature_c: 18.5 },
    patches: [],
  });
});

test("times that fall are told at their field, and nothing is stored", async () => {
  const falls = refuse(422, fault("text", "2 min comes after 4: times in all rise."));
  const server = fakeServer({ "POST /api/calc/minutes": falls });
  openAt("/strips/bite");
  expect(await screen.findByRole("heading", { name: "Bite a test strip" })).toBeVisible();
  await type("Name", "Fresh");
  await type("Minutes in all of each patch", "1, 4, 2");
  await press("Go to the bath");
  await waitFor(() => expect(alerts().join()).toContain("times in all rise"));
  expect(screen.getByLabelText("Minutes in all of each patch")).toHaveValue("1, 4, 2");
  expect(server.sent.some((each) => each.call === "POST /strips")).toBe(false);
});

test("with no bath yet it says what to do first", async () => {
  fakeServer({ "GET /baths": { body: listed([]) } });
  openAt("/strips/bite");
  expect(await screen.findByRole("heading", { name: "No bath yet" })).toBeVisible();
});

test("before its bites the strip leads to the bath", async () => {
  fakeServer({ [`GET /strips/${ROSIN}`]: { body: { ...planned, ended_at: null } } });
  openAt(`/strips/${ROSIN}`);
  expect(await screen.findByRole("heading", { name: "3 patches to bite" })).toBeVisible();
  expect(screen.getByRole("link", { name: /Go to the bath/ })).toBeVisible();
});

const TO_READ = [
  { name: "White end", seconds: 0 },
  { name: "Patch 1", seconds: 38 },
  { name: "Patch 2", seconds: 61 },
];

test("bitten, it is read: each patch with the time it had; what cannot be read is left out", async () => {
  const ended = { ...planned, ended_at: "2026-01-01T10:00:00Z", to_read: TO_READ };
  const server = fakeServer({
    [`GET /strips/${ROSIN}`]: { body: ended },
    [`PUT /strips/${ROSIN}`]: { body: strip },
  });
  openAt(`/strips/${ROSIN}`);
  const heading = await screen.findByRole("heading", { name: /^3 patches to read/ });
  expect(heading).toHaveTextContent("from white to 1:01 in the bath.");
  expect(screen.getByText(/bare sheet/)).toHaveTextContent("L* 100");
  await type("Patch 2, L*", "180");
  await press("See the curve");
  expect(alerts().join()).toContain("Patch 2, L*: 180 is not between 0 and 105");
  await type("Patch 2, L*", "82,5");
  await type("Patch 1, L*", "94");
  await press("See the curve");
  await waitFor(() => expect(server.sent.some((each) => each.call.startsWith("PUT"))).toBe(true));
  const sent = server.sent.find((each) => each.call.startsWith("PUT"))?.body;
  expect(sent).toMatchObject({
    version: strip.version,
    patches: [
      { seconds: 0, lstar: 94, left_out: false },
      { seconds: 38, lstar: 82.5, left_out: false },
    ],
  });
});

test("at the bath a strip is followed as a run is, and its end leads to its reading", async () => {
  const run: Run = {
    ...runFinished(runWithout(runEarlier(0), ["dip", "lift"])),
    id: ROSIN,
    plate: null,
    strip: ROSIN,
    plate_name: "Fresh",
  };
  const server = fakeServer({
    [`GET /strips/${ROSIN}/run`]: { body: run },
    [`POST /strips/${ROSIN}/end`]: { body: { ...run, outcome: "finished" } },
  });
  const { at } = openAt(`/strips/${ROSIN}/bath`);
  expect(await screen.findByRole("heading", { name: "Fresh" })).toBeVisible();
  expect(screen.getByText(/print the strip and read its patches/)).toBeVisible();
  await press("End and read the strip");
  await waitFor(() => expect(at()).toBe(`/strips/${ROSIN}`));
  expect(server.sent.some((each) => each.call.includes("/runs/"))).toBe(false);
});

test("what is logged at a strip's bath is kept while there is no line, and goes to the strip", async () => {
  let run: Run = { ...runEarlier(0), id: ROSIN, plate: null, strip: ROSIN, plate_name: "Fresh" };
  const server = fakeServer({
    [`GET /strips/${ROSIN}/run`]: () => ({ body: run }),
    [`POST /strips/${ROSIN}/events`]: (body) => {
      run = withEvents(run, body);
      return { body: {} };
    },
  });
  openAt(`/strips/${ROSIN}/bath`);
  await screen.findByRole("heading", { name: "Fresh" });
  server.cutLine(true);
  await press("bubbles");
  const seen = within(screen.getByRole("list", { name: "Seen or felt" }));
  const pressed = () => seen.getByRole("button", { name: "bubbles", pressed: true });
  await waitFor(() => expect(pressed()).toBeVisible());
  server.cutLine(false);
  window.dispatchEvent(new Event("online"));
  await waitFor(() => expect(run.events.at(-1)?.kind).toBe("observation"));
  await waitFor(() => expect(pressed()).toBeVisible());
});
