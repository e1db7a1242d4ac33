import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Study } from "../../api/studies";
import { fakeServer, fault, plateId, refuse, told } from "../../testing/server";
import { alerts, openAt, press, type } from "../../testing/show";
import { inWords, saidMinutes } from "../../ui/words";

const LANTERN = plateId("Lantern Row");
const STEAM = plateId("Steam Stall");
const STUDY = `/plates/${LANTERN}/study`;
const study = () => told<Study>(STUDY);

/** The server keeps what is sent and says it back. */
function server(more: Record<string, unknown> = {}) {
  let now = { ...study(), ...more } as Study;
  const fake = fakeServer({
    [`GET ${STUDY}`]: () => ({ body: now }),
    [`PUT ${STUDY}`]: (body) => {
      now = { ...now, ...body, version: now.version + 1 } as Study;
      return { body: now };
    },
  });
  const puts = () =>
    fake.sent.filter(({ call }) => call === `PUT ${STUDY}`).map(({ body }) => body);
  const first = <T,>(list: string) => ((puts()[0]?.[list] ?? []) as T[])[0];
  return { ...fake, puts, first };
}

test("the largest line is the answer: how many bites it is worth", async () => {
  server();
  openAt(STUDY);
  expect(await screen.findByRole("heading", { name: "Worth five bites." })).toBeVisible();
  expect(screen.getByText(/Strip: Rosin last week/)).toBeVisible();
  const chosen = screen.getByRole("button", { name: /5 bites.*6 tones/s });
  expect(chosen).toHaveAttribute("aria-pressed", "true");
  expect(screen.getByAltText("As 3 tones print it")).toHaveAttribute(
    "src",
    expect.stringContaining("count=3"),
  );
});

test("another number of tones is chosen by hand and by its digit, and Z takes it back", async () => {
  const { puts } = server();
  openAt(STUDY);
  await userEvent.click(await screen.findByRole("button", { name: /3 bites/ }));
  await waitFor(() => expect(puts().at(-1)).toMatchObject({ count: 3, tones: null, version: 1 }));
  await userEvent.keyboard("4");
  await waitFor(() => expect(puts().at(-1)).toMatchObject({ count: 4, version: 2 }));
  await userEvent.keyboard("z");
  await waitFor(() => expect(puts().at(-1)).toMatchObject({ count: 3, version: 3 }));
});

test("a cut is chosen and moved by the arrow keys, and stops before the next", async () => {
  const { puts } = server();
  openAt(STUDY);
  expect(await screen.findByRole("slider", { name: "Cut 2, L*" })).toHaveAttribute("tabindex", "0");
  const bounds = study().cut?.bounds_lstar as number[];
  await userEvent.keyboard("{ArrowRight}{ArrowUp}");
  await waitFor(() => expect(puts()).toHaveLength(1));
  const moved = puts()[0]?.bounds as number[];
  expect(moved[1]).toBeCloseTo((bounds[1] as number) + 0.5, 0);
  expect(moved[0]).toBe(bounds[0]);
  await userEvent.keyboard("{Shift>}{ArrowUp}{ArrowUp}{ArrowUp}{ArrowUp}{/Shift}");
  await waitFor(() => expect(puts().length).toBeGreaterThan(3));
  const far = puts().at(-1)?.bounds as number[];
  expect(far[1] as number).toBeLessThanOrEqual((bounds[0] as number) - 1.9);
});

test("the drawing and its print lie over each other, turned together, and M turns them", async () => {
  server();
  openAt(STUDY);
  expect(await screen.findByAltText("The print, as it prints")).not.toHaveClass("-scale-x-100");
  await userEvent.keyboard("m");
  for (const name of ["The print", "The drawing"]) {
    const turned = screen.getByAltText(`${name}, mirrored as it lies on the plate`);
    expect(turned).toHaveClass("-scale-x-100");
  }
});

/** Draw on the picture: jsdom lays nothing out, so its box is given. */
function draw(points: [number, number][]) {
  const svg = document.querySelector(".cursor-crosshair") as SVGSVGElement;
  svg.getBoundingClientRect = () => ({ left: 0, top: 0, width: 400, height: 300 }) as DOMRect;
  svg.setPointerCapture = () => {};
  const [first, ...rest] = points.map(([clientX, clientY]) => ({ clientX, clientY, buttons: 1 }));
  fireEvent.pointerDown(svg, first);
  for (const each of rest) fireEvent.pointerMove(svg, each);
  fireEvent.pointerUp(svg, rest.at(-1) ?? first);
}

test("a loop takes a tone, by key or pressed; it is sent as an entry in mm as it prints", async () => {
  const { puts, first } = server();
  openAt(STUDY);
  await press("Loop");
  draw([
    [40, 40],
    [120, 40],
    [120, 120],
    [40, 120],
  ]);
  expect(await screen.findByText("16")).toBeVisible();
  await userEvent.keyboard("3");
  await waitFor(() => expect(puts()).toHaveLength(1));
  const edit = first<{ points: number[][]; to_lstar: number }>("edits");
  expect(edit?.points).toEqual([
    [20, 20],
    [60, 20],
    [60, 60],
    [20, 60],
  ]);
  expect(edit?.to_lstar).toBeCloseTo(study().cut?.tones_lstar[1] as number, 1);
});

test("drawn on the plate's side, a loop lies where it was seen", async () => {
  const { puts, first } = server();
  openAt(STUDY);
  await press("On the plate");
  await press("Loop");
  draw([
    [0, 0],
    [80, 0],
    [80, 80],
  ]);
  await press("white");
  await waitFor(() => expect(puts()).toHaveLength(1));
  const edit = first<{ points: number[][]; to_lstar: number | null }>("edits");
  expect(edit?.points[0]).toEqual([200, 0]);
  expect(edit?.to_lstar).toBeNull();
});

test("a loop that closes on nothing is said, and nothing is sent", async () => {
  const { puts } = server();
  openAt(STUDY);
  await press("Loop");
  draw([
    [40, 40],
    [41, 40],
  ]);
  expect(await screen.findByText(/That loop closes on nothing/)).toBeVisible();
  expect(puts()).toEqual([]);
});

test("a brush paints its tone, wider by its buttons; the last correction is taken out", async () => {
  const { puts } = server();
  openAt(STUDY);
  await userEvent.click(await screen.findByRole("button", { name: "Brush" }));
  await press("Wider brush");
  draw([
    [100, 100],
    [200, 100],
  ]);
  await waitFor(() => expect(puts()).toHaveLength(1));
  expect(puts()[0]?.edits).toMatchObject([{ kind: "brush", width_mm: 6, to_lstar: null }]);
  await press("Take the last one out");
  await waitFor(() => expect(puts().at(-1)?.edits).toEqual([]));
});

test("two quick strokes are two, and what could not be sent is sent again", async () => {
  const fake = server();
  openAt(STUDY);
  await userEvent.click(await screen.findByRole("button", { name: "Brush" }));
  draw([
    [100, 100],
    [200, 100],
  ]);
  draw([
    [100, 200],
    [200, 200],
  ]);
  await waitFor(() => expect(fake.puts()).toHaveLength(2));
  expect(fake.puts()[1]?.edits).toHaveLength(2);
  fake.cutLine(true);
  draw([
    [50, 50],
    [80, 50],
  ]);
  expect(await screen.findByText(/^No line/)).toBeVisible();
  fake.cutLine(false);
  await press("Send it again");
  await waitFor(() => expect(fake.puts().at(-1)?.edits).toHaveLength(3));
});

test("an area may fade from one tone to the next, under crayon", async () => {
  const { puts } = server();
  openAt(STUDY);
  await press("Fade");
  draw([
    [40, 40],
    [120, 40],
    [120, 120],
    [40, 120],
  ]);
  await press("Let it fade");
  await waitFor(() => expect(puts()).toHaveLength(1));
  expect(puts()[0]?.edits).toMatchObject([
    {
      kind: "grade",
      resist: "crayon-hard",
      toward: [
        [20, 40],
        [60, 40],
      ],
    },
  ]);
});

test("islands are named and joined; lettering is asked for once", async () => {
  const cut = study().cut as NonNullable<Study["cut"]>;
  const island = { area: "Tone 1", x_mm: 10, y_mm: 10, mm2: 3 };
  const { puts } = server({
    lettering: "",
    lettering_asks: true,
    join_mm2: 0,
    cut: { ...cut, islands: [island, { ...island, x_mm: 50 }] },
  });
  openAt(STUDY);
  expect(await screen.findByText(/2 islands under 6 mm²/)).toBeVisible();
  await press("Join them");
  await waitFor(() => expect(puts().at(-1)).toMatchObject({ join_mm2: 6 }));
  await press("It reads right");
  await waitFor(() => expect(puts().at(-1)).toMatchObject({ lettering: "reads right" }));
});

test("an area is called otherwise; a name that is taken is not", async () => {
  const { puts } = server();
  openAt(STUDY);
  await press("Call Tone 3 otherwise");
  await userEvent.type(
    await screen.findByLabelText("Name of Tone 3"),
    "{Control>}a{/Control}Paving{Enter}",
  );
  await waitFor(() =>
    expect(puts().at(-1)?.names).toMatchObject({ "Tone 3": expect.stringContaining("Paving") }),
  );
  await press("Call Tone 4 otherwise");
  const field = await screen.findByLabelText("Name of Tone 4");
  await userEvent.clear(field);
  await userEvent.type(field, "Paper{Enter}");
  expect(puts()).toHaveLength(1);
});

test("where pictures lie is typed in one's own units, with a comma too", async () => {
  const { puts, first } = server();
  openAt(STUDY, { length_unit: "in" });
  await userEvent.click(await screen.findByText("Pictures, levels, brush and pens"));
  await type("Wide", "5,5");
  await press("Lay them so");
  await waitFor(() => expect(puts()).toHaveLength(1));
  const sketch = first<{ width_mm: number; picture: string }>("sketches");
  expect(sketch?.width_mm).toBeCloseTo(139.7, 1);
  expect(sketch?.picture).toBe(study().sketches[0]?.picture);
});

test("pens are named in their order, at most eight", async () => {
  const { puts } = server();
  openAt(STUDY);
  await userEvent.click(await screen.findByText("Pictures, levels, brush and pens"));
  await type(/^Pens/, "silver, red, silver");
  await userEvent.tab();
  await waitFor(() => expect(puts().at(-1)).toMatchObject({ pens: ["silver", "red"] }));
  await type(/^Pens/, "a,b,c,d,e,f,g,h,i");
  await userEvent.tab();
  expect(alerts().join()).toMatch("9 pens: at most 8.");
  expect(puts()).toHaveLength(1);
});

test("what is out of limits stands at its field, and nothing is sent", async () => {
  const { puts } = server();
  openAt(STUDY);
  await userEvent.click(await screen.findByText("Pictures, levels, brush and pens"));
  await type("Black is L*", "120");
  await press("Lay them so");
  expect(alerts().join()).toMatch(/Black is L\*.*95/);
  expect(puts()).toEqual([]);
});

test("a change decided on an old study is not lost in silence", async () => {
  const fake = server();
  openAt(STUDY);
  const other = await screen.findByRole("button", { name: /3 bites/ });
  fake.answer(
    `PUT ${STUDY}`,
    refuse(409, fault("version", "Someone changed it.", { code: "stale" })),
  );
  await userEvent.click(other);
  expect(await screen.findByText(/Someone changed this study meanwhile/)).toBeVisible();
});

const failed = (text: string) => ({
  id: "t",
  kind: "study-field",
  about: LANTERN,
  given: {},
  state: "failed",
  progress: 0.4,
  turn: 1,
  result: null,
  created_at: "2026-11-25T09:00:00Z",
  ended_at: "2026-11-25T09:00:05Z",
  fault: fault("sketches.0", text, { code: "too-coarse" }),
}); // prettier-ignore

test("what is wrong with the picture stands in its place; picture and corrections are kept", async () => {
  const text = "Too coarse for 200 × 150 mm: 1.3 px per mm, where 4 are needed.";
  const fake = server({ ready: false, cut: null });
  fake.answer(`GET /tasks?about=${LANTERN}&kind=study-field`, {
    body: { items: [failed(text)], total: 1, page: 1, page_size: 100, broken: [] },
  });
  openAt(STUDY);
  expect(await screen.findByText(text)).toBeVisible();
  expect(screen.getByText(/all that was drawn on it are kept/)).toBeVisible();
  expect(screen.getByAltText("Sketch 1")).toBeVisible();
});

test("an empty study says what goes there; a picture lays itself out on the plate", async () => {
  const picture = { id: "p", width_px: 3000, height_px: 3000 };
  const fake = fakeServer({ "POST /files": { status: 201, body: picture } });
  fake.answer(`PUT /plates/${STEAM}/study`, refuse(422, fault("sketches", "It cannot be laid.")));
  openAt(`/plates/${STEAM}/study`);
  const box = await screen.findByLabelText("Picture of what is meant");
  expect(screen.getByText("Drop the drawing here, or photograph it")).toBeVisible();
  await userEvent.upload(box, new File(["x"], "s.png", { type: "image/png" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("It cannot be laid.");
  const sent = fake.sent.find(({ call }) => call.startsWith("PUT"));
  expect(sent?.body).toMatchObject({ version: 0, sketches: [{ picture: "p", width_mm: 150 }] });
});

test("words for numbers and minutes", () => {
  expect([inWords(5), inWords(12)]).toEqual(["five", "12"]);
  expect([saidMinutes(33.2), saidMinutes(99), saidMinutes(61)]).toEqual([
    "33 min",
    "1 h 39",
    "1 h 01",
  ]);
});

test("before each bite the maps say what to cover, with which pen, how long", async () => {
  server();
  openAt(`/plates/${LANTERN}/maps?bite=4`);
  expect(
    await screen.findByRole("heading", { name: "Before bite 4, cover tone 3." }),
  ).toBeVisible();
  expect(screen.getByText("Blue pen")).toBeVisible();
  await userEvent.keyboard("]");
  expect(
    await screen.findByRole("heading", { name: "Before bite 5, cover tone 4." }),
  ).toBeVisible();
  await userEvent.keyboard("[[");
  await userEvent.keyboard("[[");
  expect(
    await screen.findByRole("heading", { name: "Before bite 3, cover tone 2." }),
  ).toBeVisible();
  expect(screen.getByRole("button", { name: "On the plate" })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
});

test("maps are asked for in their form, for the plan that is seen; a changed plan says so", async () => {
  const fake = server();
  openAt(`/plates/${LANTERN}/maps`);
  fake.answer(
    `POST ${STUDY}/maps`,
    refuse(
      409,
      fault("plan_version", "Someone kept another plan meanwhile.", { code: "plan-changed" }),
    ),
  );
  await press("SVG outlines");
  expect(await screen.findByText("Someone kept another plan meanwhile.")).toBeVisible();
  expect(fake.last().body).toMatchObject({
    form: "svg",
    paper: "A4",
    mirrored: true,
    plan_version: study().plan_version,
  }); // prettier-ignore
});

test("without a study the maps lead to it", async () => {
  fakeServer();
  openAt(`/plates/${STEAM}/maps`);
  expect(await screen.findByText("Cut the study first")).toBeVisible();
});

test("what a photograph shows is listed and counted", async () => {
  const found = {
    marks: [
      {
        kind: "not painted",
        area: "Tone 2",
        x_mm: 20,
        y_mm: 30,
        width_mm: 6,
        height_mm: 6,
        mm2: 31,
      },
    ],
    corners_px: [],
    sure: true,
    text: "1 place looks bare and should be covered.",
    tables: "1",
  }; // prettier-ignore
  const task = {
    ...failed(""),
    kind: "look-over",
    state: "done",
    fault: null,
    given: { bite: 4 },
    result: found,
  };
  const fake = server();
  fake.answer(`GET /tasks?about=${LANTERN}&kind=look-over`, {
    body: { items: [task], total: 1, page: 1, page_size: 100, broken: [] },
  });
  openAt(`/plates/${LANTERN}/maps?bite=4`);
  expect(await screen.findByText("1 place looks bare and should be covered.")).toBeVisible();
  expect(screen.getByText(/not painted, tone 2/)).toHaveTextContent("31 mm²");
});

test("the bench card has each bite's time, what to paint then, and boxes to tick", async () => {
  server();
  openAt(`/plates/${LANTERN}/card`);
  expect(await screen.findByText("Tone 1 (yellow pen)")).toBeVisible();
  const table = screen.getByRole("table");
  const rows = within(table).getAllByRole("row");
  expect(rows).toHaveLength(6);
  expect(rows[1]).toHaveTextContent("Tone 1 (yellow pen)");
  expect(rows[5]).toHaveTextContent("nothing: lift and wash");
  expect(screen.getByText("no zinc in the tank")).toBeVisible();
});
