import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Work } from "../../api/works";
import { happened } from "../../device/happened";
import { foldWork } from "../../device/sheetFold";
import { dropEvents, waitingEvents } from "../../device/store";
import { type Body, fakeServer, fault, listed, refuse, told, workId } from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const USER = told<{ me: { id: string } }>("/api/session").me.id;
const AWNINGS = workId("Awnings at Nine");
const TRAM = workId("Last Tram");
const key = (keys: string) => userEvent.keyboard(keys);

beforeEach(async () => {
  localStorage.clear();
  await dropEvents((await waitingEvents(USER)).map((each) => each.id));
});

/** A work, on a server that keeps what it is told. */
async function atWork(id: string, page = "", change: Partial<Work> = {}, as = {}) {
  let now = { ...told<Work>(`/works/${id}`), ...change };
  const server = fakeServer({
    [`GET /works/${id}`]: () => ({ body: now }),
    [`POST /works/${id}/events`]: (body: Body) => {
      const events = [...now.events, ...(body.events as never[]).map((each) => happened(each))];
      now = { ...now, events: events as never, state: foldWork(events as never) };
      return { body: now };
    },
    [`PUT /works/${id}`]: (body: Body) => {
      now = { ...now, ...(body as object), version: now.version + 1 };
      return { body: now };
    },
  });
  openAt(`/works/${id}${page}`, as);
  await screen.findByRole("navigation", { name: "Pages of this work" });
  return server;
}

const aMoment = () => new Promise((done) => setTimeout(done, 750));
type Logged = { kind: string; data: Body };
const logged = (server: { sent: { call: string; body: Body }[] }) =>
  server.sent
    .filter((each) => each.call.endsWith("/events"))
    .flatMap(({ body }) => body.events as Logged[]);
const headline = () => screen.getByRole("heading", { level: 1 }).textContent;

test("the works are listed with what each is called and how far it is", async () => {
  fakeServer();
  openAt("/works");
  expect(await screen.findByText("Two works, 1 sheet signed.")).toBeVisible();
  expect(screen.getByText(/250 × 180 mm, edition, 2 sheets, 0 of 12 numbered/)).toBeVisible();
  expect(screen.getByText(/monoprint, 5 sheets, 1 signed/)).toBeVisible();
  expect(screen.getByAltText("How Awnings at Nine prints")).toBeVisible();
});

test("in an empty room it is said what a work is, and one is begun", async () => {
  const server = fakeServer({
    "GET /works": { body: listed([]) },
    "POST /works": { status: 201, body: told<Work>(`/works/${AWNINGS}`) },
  });
  openAt("/works");
  expect(await screen.findByText(/one print from two to six plates/)).toBeVisible();
  await press("Begin a work");
  await press("Begin it");
  expect(alerts()).toEqual(["Name: nothing is written yet."]);
  await type("Name", "Harbour");
  await type("Width of the print", "12,5");
  await press("Begin it");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(server.last().body).toMatchObject({ name: "Harbour", width_mm: 12.5, height_mm: 150 });
});

test("the plate that lies off is the answer; one touch says that its template was moved", async () => {
  const server = await atWork(AWNINGS);
  expect(headline()).toBe("Blue lies 0.7 mm off.");
  await key(" ");
  await waitFor(() => expect(logged(server)).toHaveLength(1));
  const [said] = logged(server) as [Logged];
  expect(said.kind).toBe("template-moved");
  expect(said.data.right_mm).toBeCloseTo(-0.6, 1);
  await waitFor(() => expect(headline()).toBe("Is sheet 2 as it shall be?"));
  await press("Undo");
  await waitFor(() => expect(headline()).toBe("Blue lies 0.7 mm off."));
});

test("from the OK on a sheet is printed plate by plate by the foot switch and signed", async () => {
  const server = await atWork(AWNINGS);
  await press(/^It is moved/);
  await press("OK to print");
  await type("Only if", "sky lighter");
  await press("Sheet 2 is OK");
  await waitFor(() => expect(headline()).toMatch(/numbered\.$/));
  await aMoment(); // "It is moved" was pressed just now
  const touch = async (name: RegExp) => {
    await screen.findByRole("button", { name });
    (document.activeElement as HTMLElement).blur();
    await key(" ");
    await aMoment();
  };
  await touch(/^Sign sheet 1 Space/);
  await touch(/^Sign sheet 2 Space/);
  for (const name of ["Ochre", "Blue", "Grey", "Key"]) await touch(new RegExp(`^${name} is on`));
  await screen.findByRole("button", { name: /^Sign sheet 3 Space/ });
  await waitFor(() =>
    expect(logged(server).filter((e) => e.kind === "layer-printed")).toHaveLength(4),
  );
  const prints = logged(server).filter((each) => each.kind === "layer-printed");
  expect(prints.map((each) => each.data.state)).toEqual([
    "State II",
    "State III",
    "State I",
    "State II",
  ]);
  expect(logged(server).find((each) => each.kind === "sheet-approved")?.data).toMatchObject({
    by: "printer",
    condition: "sky lighter",
  });
});

test("with no line it goes on here, and says that it waits", async () => {
  const server = await atWork(AWNINGS);
  server.cutLine(true);
  await press(/^It is moved/);
  expect(await screen.findByText(/1 logged on this device wait for a line/)).toBeVisible();
  expect(headline()).toBe("Is sheet 2 as it shall be?");
  expect(await waitingEvents(USER)).toHaveLength(1);
});

test("a sheet damped again takes its size; half a size is refused", async () => {
  const server = await atWork(TRAM);
  await press("Print on sheet 4");
  await press("Damped again");
  await type("Sheet across", "382,5");
  await press("Windows is printed");
  expect(alerts()).toEqual(["Sheet down: nothing is written yet."]);
  await type("Sheet down", "5");
  expect(alerts()).toEqual([
    "Sheet down: 5 is not between 10 and 3000 mm. Did you mean 50 mm (5 cm)?",
  ]);
  await type("Sheet down", "281");
  await press("Windows is printed");
  await waitFor(() => expect(logged(server)).toHaveLength(1));
  expect((logged(server)[0] as Logged).data).toMatchObject({
    damp: "redamped",
    sheet_mm: [382.5, 281],
    name: "Windows",
  });
});

test("crosses read by loupe are kept against the key, in inches too", async () => {
  const server = await atWork(AWNINGS, "", {}, { length_unit: "in" });
  await press("Crosses of sheet 1");
  await type("Blue, left cross, right", "0.024");
  await type("Blue, right cross, down", "x");
  await press("Keep what was read");
  expect(alerts().join()).toContain("“x” is not a number");
  await type("Blue, right cross, down", "-0.01");
  await press("Keep what was read");
  await waitFor(() => expect(logged(server)).toHaveLength(1));
  const { data } = logged(server)[0] as Logged;
  const [blue] = data.layers as {
    name: string;
    crosses: { right_mm: number; down_mm: number }[];
  }[];
  expect(blue?.name).toBe("Blue");
  expect(blue?.crosses[0]?.right_mm).toBeCloseTo(0.6096, 4);
  expect(blue?.crosses[1]?.down_mm).toBeCloseTo(-0.254, 4);
});

test("before the OK a signature asks why; spoiled asks why as well", async () => {
  const server = await atWork(AWNINGS);
  await press("Sign sheet 1");
  await press("Sign it");
  expect(alerts()).toEqual(["Nothing is OK yet: why is it signed: nothing is written yet."]);
  await type("Nothing is OK yet: why is it signed", "a gift");
  await press("Sign it");
  await press("Spoiled: sheet 2");
  await type("Why it is spoiled", "x".repeat(121));
  await press("It is spoiled");
  expect(alerts()).toEqual(["Why it is spoiled: at most 120 letters; this has 121."]);
  await type("Why it is spoiled", "creased");
  await press("It is spoiled");
  await waitFor(() => expect(logged(server)).toHaveLength(2));
  expect(logged(server).map((each) => each.data.reason)).toEqual(["a gift", "creased"]);
});

test("a scan that was read shows each area and the plates, and is kept once", async () => {
  await atWork(AWNINGS);
  await press("Scan of sheet 2");
  expect(
    await screen.findByRole("heading", { level: 3, name: /^Blue lies 0\.7 mm off/ }),
  ).toBeVisible();
  expect(screen.getByText("Ochre alone")).toBeVisible();
  expect(screen.getByRole("button", { name: "The crosses are kept" })).toBeDisabled();
});

test("a plate is changed in the middle, with a reason, and what follows is said", async () => {
  const server = await atWork(AWNINGS);
  await press(/2 Blue/);
  await press("Another plate in its place");
  expect(screen.getByText(/numbered only with a reason/)).toBeVisible();
  await type("Why", "scratched");
  await press("Printed from this one now");
  await waitFor(() => expect(logged(server)).toHaveLength(1));
  expect((logged(server)[0] as Logged).data).toMatchObject({ name: "Blue", reason: "scratched" });
});

test("ghosts show what was read and the band of what is to come; a series stands together", async () => {
  const server = await atWork(TRAM);
  expect(headline()).toMatch(/^Ghost 2 comes at L\*/);
  expect(screen.getAllByText(/kept together$/)).toHaveLength(2);
  await key(" ");
  await waitFor(() => expect(logged(server).map((e) => e.kind)).toContain("layer-printed"));
  const print = logged(server).find((each) => each.kind === "layer-printed");
  expect(print?.data.inking).toBe(told<Work>(`/works/${TRAM}`).state.inkings.at(-1)?.event);
  await press("Tone of sheet 4");
  await type("Lightness of the whole", "140");
  await press("Keep it");
  expect(alerts()).toEqual(["Lightness of the whole: 140 is not between 0 and 105 L*."]);
  await type("Lightness of the whole", "33,5");
  await press("Keep it");
  await waitFor(() => expect(logged(server).at(-1)?.kind).toBe("pull-read"));
});

test("what was typed about a sheet stands there again after its row was closed", async () => {
  await atWork(AWNINGS);
  await press("Spoiled: sheet 2");
  await type("Why it is spoiled", "creased at the");
  await press("Leave it");
  await press("Spoiled: sheet 2");
  expect(screen.getByLabelText("Why it is spoiled")).toHaveValue("creased at the");
  expect(screen.getByText(/What you typed before stands here again/)).toBeVisible();
});

test("sheets are kept together by hand", async () => {
  const server = await atWork(AWNINGS);
  await press("Keep sheets together");
  await userEvent.click(screen.getByLabelText("sheet 1"));
  await userEvent.click(screen.getByLabelText("sheet 2"));
  await type("Called", "First day");
  await userEvent.click(screen.getByRole("button", { name: "Keep them together" }));
  expect(await screen.findByText("First day")).toBeVisible();
  await waitFor(() => expect(logged(server)[0]?.kind).toBe("sheets-joined"));
});

test("layers are moved, added and kept; a fault stands at its layer", async () => {
  const server = await atWork(AWNINGS, "/layers");
  await screen.findByLabelText("Name 1");
  await press("Blue: earlier");
  expect(screen.getByLabelText("Name 1")).toHaveValue("Blue");
  await press("Add a layer");
  await pick("Kind 5", "Stencil");
  await type("Width 5", "300");
  await type("Height 5", "100");
  const text = "The opening of Layer 5 is larger than the plate.";
  server.answer(
    `PUT /works/${AWNINGS}`,
    refuse(422, fault("layers.4.size_mm", text, { code: "stencil-larger-than-plate" })),
  );
  await press("Keep the layers");
  await waitFor(() => expect(alerts().join()).toContain("larger than the plate"));
  const rows = server.last().body.layers as Body[];
  expect(rows.map((each) => each.name)).toEqual(["Blue", "Ochre", "Grey", "Key", "Layer 5"]);
  expect(rows[0]).toMatchObject({ lets_through: 0.85, picture: expect.any(String) });
  expect(screen.getByLabelText("Width 5")).toHaveValue("300");
});

test("a stencil with a loose piece has its bridge; a stencil becomes a layer", async () => {
  const server = await atWork(TRAM, "/cut");
  expect(await screen.findByText("Two stencils; one piece needs a bridge.")).toBeVisible();
  expect(screen.getByText(/would fall out: leave the bridges drawn/)).toBeVisible();
  server.answer("POST /files", {
    status: 201,
    body: { id: "00000000-0000-4000-8000-0000000000cc" },
  });
  await press("Make stencil 1 a layer");
  await waitFor(() => expect(server.last().call).toBe(`PUT /works/${TRAM}`));
  const layers = server.last().body.layers as Body[];
  expect(layers.at(-1)).toMatchObject({ name: "Stencil 1", kind: "stencil" });
});

test("a part of the traced drawing is marked as followed, by touch and by key", async () => {
  const server = await atWork(TRAM, "/cut");
  expect(await screen.findByText(/Wires: \d+ of \d+ parts left to follow\./)).toBeVisible();
  const part = screen.getByRole("button", { name: "Part 9" });
  expect(part).toHaveAttribute("aria-pressed", "false");
  part.focus();
  await key("{Enter}");
  await waitFor(() => expect(part).toHaveAttribute("aria-pressed", "true"));
  await userEvent.click(part);
  await waitFor(() => expect(logged(server).map((e) => e.data.followed)).toEqual([true, false]));
});

test("an order that hides plates is said, with a better one", async () => {
  const order = {
    order: ["Grey", "Ochre", "Blue", "Key"],
    keeps: false,
    plates: [],
    title: "Print Grey, Ochre, Blue, then Key",
    text: "",
    warnings: [{ code: "opaque-over-all", plate: "Grey", text: "Grey is opaque and hides." }],
  };
  const server = await atWork(AWNINGS, "", { plates_order: order as never });
  const main = screen.getByRole("main");
  expect(within(main).getByText("Grey is opaque and hides.")).toBeVisible();
  expect(within(main).getByText(/Better: Grey, Ochre, Blue, Key/)).toBeVisible();
  await press("Take that order");
  await waitFor(() => expect(server.last().call).toBe(`PUT /works/${AWNINGS}`));
  const layers = server.last().body.layers as Body[];
  expect(layers.map((each) => each.name)).toEqual(["Grey", "Ochre", "Blue", "Key"]);
});

test("any whole sheet can be the one that is OK; its condition is met when somebody says so", async () => {
  const server = await atWork(AWNINGS);
  await press("OK to print: sheet 1");
  await type("Only if", "grey even");
  await press("Sheet 1 is OK");
  expect(await screen.findByText("grey even")).toBeVisible();
  await press("It is met");
  await waitFor(() => expect(logged(server).map((e) => e.kind)).toContain("condition-met"));
  expect(screen.queryByRole("button", { name: "It is met" })).toBeNull();
});

test("a sheet is measured between colours, and put to dry", async () => {
  const server = await atWork(TRAM);
  await press("Print on sheet 5");
  await type("Sheet across", "384");
  await press("Only measured");
  expect(alerts()).toEqual(["Sheet down: nothing is written yet."]);
  await type("Sheet down", "281.5");
  await press("Only measured");
  await press("To dry: sheet 5");
  await waitFor(() =>
    expect(logged(server).map((e) => e.kind)).toEqual(["sheet-measured", "hung"]),
  );
  expect((logged(server)[0] as Logged).data.sheet_mm).toEqual([384, 281.5]);
});

test("a ghost pulled after the plate was inked anew is said to be none, at its sheet", async () => {
  const work = told<Work>(`/works/${TRAM}`);
  const [first] = work.state.inkings;
  const at = (seconds: number, kind: string, id: string, data: object) => ({
    id: `00000000-0000-4000-8000-0000000000${id}`,
    kind,
    device: "00000000-0000-4000-8000-0000000000aa",
    sequence: Number(id),
    at_seconds: work.now_seconds + seconds,
    data,
  });
  const more = [
    at(10, "sheet-begun", "01", {}),
    at(20, "layer-printed", "02", {
      sheet: "00000000-0000-4000-8000-000000000001",
      layer: work.layers_out[0]?.id,
      inking: first?.event,
    }),
  ];
  await atWork(TRAM, "", { events: [...work.events, ...more] as never });
  expect(await screen.findByText(/this is a pull of that inking, no ghost/)).toBeVisible();
});

test("works that were put away are found again", async () => {
  const away = { ...told<{ items: object[] }>("/works").items[0], name: "Old Ferry" };
  fakeServer({ "GET /works?put_away=true": { body: listed([away]) } });
  openAt("/works");
  await press("Put away");
  expect(await screen.findByText("Old Ferry")).toBeVisible();
  await press("Works in hand");
  expect(await screen.findByText("Two works, 1 sheet signed.")).toBeVisible();
});

test("a foot switch that bounces does what is next once", async () => {
  const server = await atWork(AWNINGS, "", { registers: [] });
  await press("OK to print: sheet 2");
  await press("Sheet 2 is OK");
  await screen.findByRole("button", { name: /^Sign sheet 1 Space/ });
  (document.activeElement as HTMLElement).blur();
  act(() => {
    for (let n = 0; n < 2; n += 1) fireEvent.keyDown(document.body, { key: " " });
  });
  await aMoment();
  expect(logged(server).filter((each) => each.kind === "signed")).toHaveLength(1);
});
