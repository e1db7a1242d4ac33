import { QueryClient } from "@tanstack/react-query";
import { createMemoryRouter } from "react-router";
import { vi } from "vitest";
import { benchQuery, plateQuery, rackQuery } from "../api/plates";
import { planQuery } from "../api/plans";
import { sessionQuery } from "../api/session";
import { fakeServer, plateId, ROOM } from "../testing/server";
import { firstAnswers } from "./first";
import { ROUTES } from "./routes";

const LANTERN = plateId("Lantern Row");
const matchesAt = (path: string) =>
  createMemoryRouter(ROUTES, { initialEntries: [`/r/${ROOM}${path}`] }).state.matches;

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test("the bench and its frame are known before they are drawn", async () => {
  fakeServer();
  const client = new QueryClient();
  await firstAnswers(client, matchesAt("/bench"));
  for (const { queryKey } of [sessionQuery, rackQuery(ROOM), benchQuery(ROOM)]) {
    expect(client.getQueryData(queryKey as readonly unknown[])).toBeTruthy();
  }
});

test("a plate comes with the plans it has", async () => {
  fakeServer();
  const client = new QueryClient();
  await firstAnswers(client, matchesAt(`/plates/${LANTERN}`));
  const plate = client.getQueryData(plateQuery(ROOM, LANTERN).queryKey);
  expect(plate?.planned.length).toBeGreaterThan(0);
  for (const part of plate?.planned ?? []) {
    expect(client.getQueryData(planQuery(ROOM, LANTERN, part).queryKey)).toBeTruthy();
  }
});

test("what is refused, and no line at all, hold nothing up", async () => {
  const server = fakeServer({ [`GET /plates/${LANTERN}`]: { status: 500 } });
  const client = new QueryClient();
  await firstAnswers(client, matchesAt(`/plates/${LANTERN}`));
  expect(client.getQueryData(rackQuery(ROOM).queryKey)).toBeTruthy();
  server.cutLine(true);
  await firstAnswers(new QueryClient(), matchesAt("/bench"));
});

test("an answer that never comes is waited for a moment, no longer", async () => {
  vi.useFakeTimers();
  fakeServer({ "GET /bench": () => new Promise(() => {}) });
  let drawn = false;
  firstAnswers(new QueryClient(), matchesAt("/bench")).then(() => {
    drawn = true;
  });
  await vi.advanceTimersByTimeAsync(2_000);
  expect(drawn).toBe(false);
  await vi.advanceTimersByTimeAsync(1_000);
  expect(drawn).toBe(true);
});
