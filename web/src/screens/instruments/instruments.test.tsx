import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Instrument } from "../../api/instruments";
import { bathId, fakeServer, fault, listed, NOW_MS, refuse, told } from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const scale = told<{ items: Instrument[] }>("/instruments").items.find(
  (each) => each.kind === "scale",
) as Instrument;
const probe: Instrument = {
  ...scale,
  id: "probe",
  name: "Probe in Amber",
  kind: "bath-probe",
  sends: ["temperature"],
  bath_name: "Amber tray",
  last_at: new Date(NOW_MS - 5_000).toISOString(),
  last_kind: "temperature",
  last_value: 18.5,
  last_unit: "°C",
};
const LIST = "GET /instruments?page=1";

const showing = (items: Instrument[], as = {}) => {
  const server = fakeServer({
    [LIST]: { body: listed(items) },
    "GET /instruments": { body: listed(items) },
  });
  openAt("/instruments", as);
  return server;
};

test("the first line says how many are heard; a probe's word is in the reader's unit", async () => {
  showing([probe, { ...scale, last_at: null }], { temperature_unit: "F" });
  expect(
    await screen.findByRole("heading", { name: "1 of 2 instruments heard in the last minute." }),
  ).toBeVisible();
  expect(screen.getByText("65.3 °F")).toBeVisible();
  expect(screen.getByText("Nothing yet.")).toBeVisible();
});

test("a doubted word says why", async () => {
  showing([{ ...probe, last_why: "Outside 0 to 60 °C: not in a bath." }]);
  expect(await screen.findByText("Outside 0 to 60 °C: not in a bath.")).toBeVisible();
});

test("an instrument is added, and its token is told once", async () => {
  const server = showing([]);
  expect(await screen.findByText("No instrument yet")).toBeVisible();
  server.answer("POST /instruments", { body: { ...probe, token: "one-long-secret" } });
  await press("Add an instrument");
  await type("Name", "Probe in Amber");
  await pick("Hangs in", "Amber tray");
  await press("Make its token");
  expect(await screen.findByText("one-long-secret")).toBeVisible();
  expect(server.last().body).toMatchObject({
    name: "Probe in Amber",
    kind: "bath-probe",
    bath: bathId("Amber tray"),
    every_seconds: 5,
    days: 365,
  });
  await press("Close");
  expect(screen.queryByText("one-long-secret")).toBeNull();
});

test("a probe that hangs nowhere is refused at its field", async () => {
  const server = showing([]);
  server.answer(
    "POST /instruments",
    refuse(422, fault("bath", "A bath probe hangs in a bath: say which.")),
  );
  await press("Add an instrument");
  await type("Name", "x");
  await press("Make its token");
  await waitFor(() =>
    expect(alerts().join()).toBe("Hangs in: A bath probe hangs in a bath: say which."),
  );
});

test("a token is taken back, and a lost one replaced", async () => {
  const server = showing([probe]);
  server.answer("PUT /instruments/probe", { body: probe });
  server.answer("POST /instruments/probe/token", { body: { ...probe, token: "a-new-one" } });
  await press("Take it back");
  expect(await screen.findByText("Probe in Amber sends nothing more.")).toBeVisible();
  expect(server.last().body).toEqual({ version: probe.version, taken_back: true });
  await press("Replace a lost token");
  expect(await screen.findByText("a-new-one")).toBeVisible();
});

test("a printer sees what was sent and hands out nothing", async () => {
  const server = showing([probe], { role: "printer" });
  const reading = {
    id: "r",
    at: new Date(NOW_MS).toISOString(),
    received_at: new Date(NOW_MS).toISOString(),
    kind: "temperature",
    value: 80,
    unit: "°C",
    believed: false,
    why: "Outside 0 to 60 °C.",
  };
  server.answer("GET /instruments/probe/readings?page=1", { body: listed([reading]) });
  server.answer("GET /instruments/probe/readings", { body: listed([reading]) });
  await userEvent.click(await screen.findByRole("button", { name: "What it sent" }));
  expect(await screen.findByText(/, not believed\./)).toBeVisible();
  expect(screen.queryByRole("button", { name: "Add an instrument" })).toBeNull();
  expect(screen.queryByRole("button", { name: "Take it back" })).toBeNull();
});
