import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Strip } from "../../api/strips";
import { fakeServer, fault, refuse, stripId, told } from "../../testing/server";
import { readFrom } from "../../testing/scan";
import { alerts, openAt, press, type } from "../../testing/show";

const WEEK = stripId("Rosin last week");
const strip = told<Strip>(`/strips/${WEEK}`);
const square = (x: number) => [
  [x, 0],
  [x + 100, 0],
  [x + 100, 100],
  [x, 100],
];
const BLUR = { code: "blurred", text: "Blurred: scan it again." };
const patch = (lstar: number, x: number, warnings: object[] = []) => ({
  lstar,
  spread: 5,
  doubt: 0.7,
  corners_px: square(x),
  warnings,
});
const result = (...tones: number[]) => ({
  patches: tones.map((lstar, i) => patch(lstar, i * 100, i === 1 ? [BLUR] : [])),
  paper_spread: 0.3,
  warnings: [],
  row_px: square(0),
  mark_px: [],
  tables: "",
});
const SIX = [90.4, 82.2, 71.7, 58.1, 40, 27.3];
const READ = { call: "POST /strips/scans", of: "about=scan&kind=read-patches" };

test("a scan fills in the patches; each goes with its doubt and its place, one typed over without", async () => {
  const { server } = await readFrom("/strips/new", "Read it from a scan", {
    ...READ,
    result: result(...SIX),
  });
  await waitFor(() => expect(screen.getByLabelText("Patch 1, L*")).toHaveValue("90.4"));
  expect(server.sent.find((each) => each.call === READ.call)?.body).toMatchObject({
    picture: "scan",
    patches: 6,
    corners: null,
  });
  expect(screen.getByText("Patch 2: Blurred: scan it again.")).toBeVisible();
  await type("Name", "Scanned");
  await type("Bath temperature", "19,5");
  await type("Patch 3, L*", "70");
  await press("See the curve");
  await waitFor(() => expect(server.last().call).toBe("POST /strips"));
  const body = server.last().body as { patches: object[]; marks: unknown[]; picture: string };
  expect(body.patches[0]).toMatchObject({ seconds: 30, lstar: 90.4, spread: 0.7 });
  expect(body.patches[2]).toEqual({ seconds: 120, lstar: 70, left_out: false });
  expect(body.marks).toHaveLength(6);
  expect(body.picture).toBe("scan");
});

test("what cannot be read says why and is marked by hand, keys and all", async () => {
  const { server } = await readFrom("/strips/new", "Read it from a scan", {
    ...READ,
    fault: fault("corners_px", "No row of 6 patches stands out from the paper."),
  });
  expect(await screen.findByText(/No row of 6 patches/)).toBeVisible();
  await press("Mark the corners of the row of patches");
  screen.getByRole("button", { name: /Bottom left corner/ }).focus();
  await userEvent.keyboard("{Shift>}{ArrowLeft}{/Shift}");
  await press("Read it between these corners");
  await waitFor(() => expect(server.last().call).toBe(READ.call));
  expect((server.last().body as { corners: number[][] }).corners[3]).toEqual([110, 560]);
});

test("a patch left out of the form does not move the others off their places in the scan", async () => {
  const { server } = await readFrom("/strips/new", "Read it from a scan", {
    ...READ,
    result: result(...SIX),
  });
  await waitFor(() => expect(screen.getByLabelText("Patch 1, L*")).toHaveValue("90.4"));
  await type("Name", "Scanned");
  await type("Bath temperature", "19");
  await userEvent.clear(screen.getByLabelText("Patch 2, L*"));
  await type("Patch 4, L*", "57");
  await press("See the curve");
  await waitFor(() => expect(server.last().call).toBe("POST /strips"));
  const body = server.last().body as { patches: object[]; marks: number[][][] };
  expect(body.marks.map((quad) => quad[0]?.[0])).toEqual([0, 200, 300, 400, 500]);
  expect(body.patches[1]).toMatchObject({ seconds: 120, lstar: 71.7, spread: 0.7 });
  expect(body.patches[2]).toEqual({ seconds: 240, lstar: 57, left_out: false });
});

async function fileOf(text: string, answer: Parameters<typeof fakeServer>[0]) {
  const server = fakeServer(answer);
  openAt("/strips/new");
  await screen.findByRole("button", { name: "Take it from a file" });
  const file = new File([text], "readings.csv", { type: "text/csv" });
  await userEvent.upload(screen.getByLabelText("File of readings"), file);
  return server;
}

test("a densitometer's file fills in times and tones; it says what it took for white", async () => {
  const readings = [
    { name: "1", lstar: 88.25, spread: null, seconds: 30 },
    { name: "2", lstar: 61.1, spread: null, seconds: null },
  ];
  const warnings = [{ code: "no-paper", text: "No row is named paper." }];
  const server = await fileOf("patch;lstar", {
    "POST /api/calc/read-table": { body: { form: "csv", readings, warnings, paper_lstar: 100 } },
  });
  await waitFor(() => expect(screen.getByLabelText("Patch 1, L*")).toHaveValue("88.3"));
  expect(screen.getByLabelText("Patch 1, time in all")).toHaveValue("0:30");
  expect(screen.getByLabelText("Patch 2, time in all")).toHaveValue("");
  expect(screen.queryByLabelText("Patch 3, L*")).toBeNull();
  expect(screen.getByText("No row is named paper.")).toBeVisible();
  expect(server.last().body).toEqual({ text: "patch;lstar", paper_lstar: null });
});

test("a file without tones is refused, and what was typed stays", async () => {
  await fileOf("x", {
    "POST /api/calc/read-table": refuse(422, fault("text", "There is no column of L*.")),
  });
  await waitFor(() => expect(alerts()).toEqual(["There is no column of L*."]));
  expect(screen.getByLabelText("Patch 1, time in all")).toHaveValue("0:30");
});

test("a strip shows its scan, each patch to be chosen, and is taken away as CSV and CGATS", async () => {
  const marks = strip.readings.map((_, i) => square(i * 100));
  const saved = { text: "CGATS.17", name: "rosin-last-week.txt" };
  const server = fakeServer({
    [`GET /strips/${WEEK}`]: {
      body: { ...strip, picture: "scan", picture_px: [1000, 800], marks },
    },
    "POST /api/calc/write-table": { body: saved },
  });
  URL.createObjectURL = vi.fn(() => "blob:x");
  URL.revokeObjectURL = vi.fn();
  openAt(`/strips/${WEEK}`);
  const slip = await screen.findByRole("img", { name: /^Scan of Rosin last week: 7 patches/ });
  const patches = slip.querySelectorAll("polygon");
  await userEvent.click(patches[4] as Element);
  expect(screen.getByRole("button", { name: "5", pressed: true })).toBeVisible();
  await press("CGATS");
  await waitFor(() => expect(URL.createObjectURL).toHaveBeenCalled());
  expect(server.last().body).toMatchObject({
    form: "cgats",
    title: "Rosin last week",
    readings: strip.readings.map(({ seconds, lstar }) => ({ seconds, lstar })),
  });
});
