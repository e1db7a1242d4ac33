import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Chart, Positive } from "../../api/exposures";
import type { Task } from "../../api/tasks";
import {
  fakeServer,
  fault,
  listed,
  NOW_MS,
  plateId,
  refuse,
  ROOM,
  testId,
  told,
} from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const UMBRELLAS = plateId("Paper Umbrellas");
const TEST = testId("New film, chalked");
const CHART = told<{ items: Chart[] }>("/charts").items[0] as Chart;
const TASKS = `GET /tasks?about=${UMBRELLAS}&kind=positive`;
const FILM: Positive = {
  files: [{ form: "tiff", path: "positive.tiff" }],
  previews: (["drawn", "without", "with", "film"] as const).map((name) => ({
    name,
    path: `${name}.png`,
  })),
  width_px: 5953,
  height_px: 4195,
  picture_dpi: 260,
  mirrored: false,
  lie: "Printed side to the plate. Seen from above, as it lies, it reads mirrored.",
  black_share: 0.41,
  off_without_lstar: 7.6,
  warnings: [],
};
const task = (more: Partial<Task>): Task => ({
  id: "one",
  kind: "positive",
  about: UMBRELLAS,
  given: { picture: "sent" },
  state: "done",
  progress: 1,
  turn: 1,
  result: FILM,
  fault: null,
  created_at: new Date(NOW_MS).toISOString(),
  ended_at: null,
  ...more,
});

const showing = (tasks: Task[]) => {
  const server = fakeServer({ [TASKS]: { body: listed(tasks) } });
  openAt(`/plates/${UMBRELLAS}/positive`);
  return server;
};

test("without a picture it asks for one; one that was sent is made by the chart's curve", async () => {
  const server = showing([]);
  expect(
    await screen.findByRole("heading", { name: "Which picture shall this plate print?" }),
  ).toBeVisible();
  server.answer("POST /files", { status: 201, body: { id: "sent" } });
  server.answer(`POST /plates/${UMBRELLAS}/positive`, { status: 202, body: task({}) });
  await userEvent.upload(
    screen.getByLabelText("The picture of this plate"),
    new File(["x"], "umbrellas.png", { type: "image/png" }),
  );
  expect(await screen.findByRole("heading", { name: "Now make its film." })).toBeVisible();
  await pick("As", "PNG, 16 bits");
  await press("Make the film");
  await waitFor(() => expect(server.last().call).toContain("/positive"));
  expect(server.last().body).toMatchObject({
    picture: "sent",
    chart: CHART.id,
    dpi: 720,
    most_black: 1,
    sharpen: 0,
    printed_side: "to-plate",
    forms: ["png"],
    film_density: null,
  });
});

test("a film that is made shows what will print, beside what would, and how it lies", async () => {
  showing([task({ result: { ...FILM, warnings: [{ code: "alpha", text: "Laid on white." }] } })]);
  expect(
    await screen.findByRole("heading", {
      name: "The film is made, with a warning: its greys print as drawn, 8 L* nearer than without the curve.",
    }),
  ).toBeVisible();
  for (const name of ["As drawn", "Without the curve", "As it will print", "The film as it lies"])
    expect(screen.getByRole("img", { name })).toBeVisible();
  expect(screen.getByText(/it reads mirrored/)).toBeVisible();
  expect(screen.getByText("Laid on white.")).toBeVisible();
  expect(screen.getByRole("link", { name: "positive.tiff" })).toHaveAttribute(
    "href",
    `/api/rooms/${ROOM}/tasks/one/files/1`,
  );
});

test("without a curve it says that nobody knows how it prints", async () => {
  showing([task({ result: { ...FILM, off_without_lstar: null } })]);
  const said = "The film is made as drawn: how its greys print is not known.";
  expect(await screen.findByRole("heading", { name: said })).toBeVisible();
});

test("while it is made it says how far, and can be stopped", async () => {
  const server = showing([task({ state: "doing", progress: 0.4, result: null })]);
  expect(await screen.findByText(/Making the film, 40 %/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Make the film" })).toBeDisabled();
  server.answer("POST /tasks/one/stop", { body: task({ state: "stopped", result: null }) });
  await press("Stop");
  await waitFor(() => expect(server.last().call).toBe("POST /tasks/one/stop"));
});

test("a picture that could not be taken says why", async () => {
  const inks = "This picture is in printing inks (CMYK). Save it as grey or RGB.";
  showing([task({ state: "failed", result: null, fault: fault("image", inks) })]);
  await waitFor(() => expect(alerts().join()).toBe(inks));
});

test("a film no printer can draw is refused at its field", async () => {
  const server = showing([task({})]);
  const text = "A film of 20000 × 14000 px is too large.";
  server.answer(`POST /plates/${UMBRELLAS}/positive`, refuse(422, fault("dpi", text)));
  await type("Printer draws", "2400");
  await press("Make the film");
  await waitFor(() => expect(alerts().join()).toContain(text));
  expect(screen.getByLabelText("Printer draws")).toHaveValue("2400");
});

test("a dot screen is asked for in one's own units and its share told", async () => {
  const server = fakeServer();
  openAt(`/exposure/${TEST}`, { length_unit: "in" });
  await userEvent.click(await screen.findByText("Films to print"));
  const result = {
    path: "screen.png",
    open_share: 0.4998,
    tile_px: [2048, 2048] as [number, number],
    seamless: false,
    width_mm: 254,
    height_mm: 210,
    warnings: [],
  };
  const made = task({ id: "dots", kind: "dot-screen", about: ROOM, result });
  server.answer("POST /dot-screens", { status: 202, body: made });
  server.answer(`GET /tasks?about=${ROOM}&kind=dot-screen`, { body: listed([made]) });
  await type("Film, wide", "10");
  await press("Make the dot screen");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const body = server.last().body as Record<string, number>;
  expect(body).toMatchObject({ dot_um: 60, open_share: 0.5, dpi: 1440 });
  expect(body.width_mm).toBeCloseTo(254, 3);
  expect(await screen.findByRole("link", { name: "screen.png, 50.0 % open" })).toBeVisible();
});

test("the test's own film and a step chart are asked for by a press", async () => {
  const server = fakeServer();
  openAt(`/exposure/${TEST}`);
  await userEvent.click(await screen.findByText("Films to print"));
  server.answer(`POST /exposure-tests/${TEST}/film`, { status: 202, body: task({}) });
  await press("Make the test film");
  await waitFor(() => expect(server.last().body).toMatchObject({ what: "test" }));
});
