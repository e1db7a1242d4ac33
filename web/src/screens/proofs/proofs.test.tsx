import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Proof } from "../../api/proofs";
import { fakeServer, fault, listed, plateId, ROOM, refuse, told } from "../../testing/server";
import { readFrom } from "../../testing/scan";
import { alerts, openAt, pick, press, rowsOf, type } from "../../testing/show";

const SMALL = { code: "small", text: "Only 4 places." };
const NO_PINS = { [`GET /pins?plate=${plateId("Rain on Awnings")}&page=1`]: { body: listed([]) } };
const LANTERN = plateId("Lantern Row");
const RAIN = plateId("Rain on Awnings");
const proof = told<{ items: Proof[] }>(`/proofs?plate=${RAIN}`).items[0] as Proof;

async function hanging(plate = LANTERN) {
  const server = fakeServer({ "POST /proofs": { body: proof }, "POST /files": { body: {} } });
  const page = openAt(`/plates/${plate}/proofs/new`);
  await screen.findByRole("heading", { name: "Hang a proof" });
  return { server, ...page };
}

test("a proof is logged with how it was printed and the tones that were read", async () => {
  const { server, at } = await hanging();
  await type("Paper", "rag 250");
  await type("Soak", "30,5");
  await type("Tone 1, L* read", "85");
  await type("Tone 3, L* read", "52,5");
  await pick("Foul bite on it?", "yes, unwanted pits");
  await userEvent.click(screen.getByLabelText("OK to print"));
  await press("Log State II");
  await waitFor(() => expect(at()).toBe(`/plates/${LANTERN}/proofs`));
  expect(server.last().body).toMatchObject({
    plate: LANTERN,
    paper: "rag 250",
    soak_minutes: 30.5,
    passes: 1,
    foul_bite: true,
    ok_to_print: true,
    same_state: false,
    picture: null,
    tones: [
      { area: "Tone 1", read_lstar: 85 },
      { area: "Tone 3", read_lstar: 52.5 },
    ],
  });
});

test("every fault stands at its field, the tones' too, never as a path", async () => {
  const { server } = await hanging();
  await type("Soak", "9999");
  await type("Passes through the press", "");
  await type("Tone 2, L* read", "180");
  await press("Log State II");
  const said = alerts().join(" ");
  expect(said).toContain("Soak: 9999 is not between 0 and 2880 min.");
  expect(said).toContain("Passes through the press: nothing is written yet.");
  expect(said).toContain("L* read: 180 is not between 0 and 105 L*.");
  expect(said).not.toMatch(/tones\.|_lstar/);
  expect(screen.getByLabelText("Tone 2, L* read")).toBeInvalid();
  expect(server.sent).toEqual([]);
});

test("what the server refuses of a tone stands at that tone, unread ones between or not", async () => {
  const { server } = await hanging();
  await type("Tone 2, L* read", "80");
  await type("Tone 4, L* read", "70");
  server.answer(
    "POST /proofs",
    refuse(422, fault("tones.1.read_lstar", "tones.1.read_lstar: lighter than the tone before.")),
  );
  await press("Log State II");
  await waitFor(() => expect(screen.getByLabelText("Tone 4, L* read")).toBeInvalid());
  expect(alerts().join()).not.toContain("tones.1");
});

test("a picture goes first; one that is refused says so, and nothing typed is lost", async () => {
  const { server } = await hanging();
  await type("Paper", "rag 250");
  const input = screen.getByLabelText("Picture of the proof");
  await userEvent.upload(input, new File(["x"], "proof.png", { type: "image/png" }));
  expect(screen.getByAltText("The proof you chose")).toBeInTheDocument();
  server.answer("POST /files", refuse(422, fault("file", "This is not a picture.")));
  await press("Log State II");
  await waitFor(() => expect(alerts().join()).toContain("This is not a picture."));
  expect(input).toBeInvalid();
  expect(screen.getByLabelText("Paper")).toHaveValue("rag 250");
  server.answer("POST /files", { body: {} });
  await press("Log State II");
  await waitFor(() => expect(server.last().call).toBe("POST /proofs"));
  expect(server.last().body.picture).toMatch(/^[0-9a-f-]{36}$/);
});

test("a line that drops while one writes leaves the form and its picture where they are", async () => {
  const { server } = await hanging();
  await type("Paper", "rag 250");
  const input = screen.getByLabelText("Picture of the proof") as HTMLInputElement;
  await userEvent.upload(input, new File(["x"], "proof.png", { type: "image/png" }));
  server.cutLine(true);
  window.dispatchEvent(new Event("visibilitychange"));
  await press("Log State II");
  await waitFor(() => expect(alerts().join()).toMatch(/No line|went wrong/));
  expect(screen.getByLabelText("Paper")).toHaveValue("rag 250");
  expect(screen.getByAltText("The proof you chose")).toBeInTheDocument();
});

test("a plate that cannot be asked for again keeps what is written on its page", async () => {
  const { server, client } = await hanging();
  await type("Paper", "rag 250");
  server.answer(`GET /plates/${LANTERN}`, { status: 500 });
  await client.refetchQueries();
  expect(screen.getByLabelText("Paper")).toHaveValue("rag 250");
});

test("a part planned elsewhere meanwhile leaves the form and its picture where they are", async () => {
  const { server, client } = await hanging();
  await type("Paper", "rag 250");
  const input = screen.getByLabelText("Picture of the proof") as HTMLInputElement;
  await userEvent.upload(input, new File(["x"], "proof.png", { type: "image/png" }));
  const plate = told<{ planned: string[] }>(`/plates/${LANTERN}`);
  let asked = false;
  server.answer(`GET /plates/${LANTERN}`, {
    body: { ...plate, planned: [...plate.planned, "textures"] },
  });
  server.answer(`GET /plates/${LANTERN}/plan?part=textures`, () => {
    asked = true;
    return new Promise(() => {});
  });
  void client.refetchQueries();
  await waitFor(() => expect(asked).toBe(true));
  expect(screen.getByLabelText("Paper")).toHaveValue("rag 250");
  expect(screen.getByAltText("The proof you chose")).toBeInTheDocument();
});

test("pulled again from the same state, the state does not move on", async () => {
  await hanging();
  expect(screen.getByRole("button", { name: "Log State II" })).toBeVisible();
  await userEvent.click(screen.getByLabelText("Pulled again from the same state"));
  expect(screen.getByRole("button", { name: "Log State I" })).toBeVisible();
});

test("a plate of lines has no tones to read, and says so", async () => {
  await hanging(RAIN);
  expect(screen.getByText(/No tones were planned on this plate/)).toBeVisible();
});

test("proofs hang on their line; the chosen one says what its tones ask for", async () => {
  fakeServer();
  openAt(`/plates/${LANTERN}/proofs`);
  expect(await screen.findByRole("heading", { name: /^State I/ })).toBeVisible();
  const shown = told<{ items: Proof[] }>(`/proofs?plate=${LANTERN}`).items[0] as Proof;
  if (shown.tones.length > 0) {
    const rows = rowsOf(within(screen.getByRole("main")).getByRole("table"));
    expect(rows).toHaveLength(shown.tones.length + 1);
  } else expect(screen.getByText("No tones were read off this proof.")).toBeVisible();
});

const tone = (area: string, wanted: number | null, read: number) => ({
  area,
  parts: "",
  wanted_lstar: wanted,
  expected_lstar: wanted,
  read_lstar: read,
});

const step = (area: string, act: string, text: string, more = {}) => ({
  area,
  act,
  text,
  lstar: 50,
  lstar_low: 47,
  lstar_high: 53,
  sure: 0.9,
  whole_print: 3.1,
  minutes: 90,
  opens: [],
  ...more,
});
const nextOf = (text: string, ...steps: object[]) => ({
  cause: "plate",
  text,
  chance: 0.9,
  shift_lstar: 0.2,
  shift_spread: 0.5,
  steps,
  areas: [
    { name: "Far", off_lstar: 12, own_lstar: 12, own_spread: 1, plate: 0.99 },
    { name: "Near", off_lstar: -1, own_lstar: 0, own_spread: 1, plate: 0.1 },
  ],
});
const BITE = step("Far", "bite", "Bite 1:40 more (1:10 to 2:15).", { opens: ["Far"] });

test("the answer leads; below it what to do, with the tone it gives and how sure", async () => {
  const next = nextOf(
    "It is the plate: Far is 12 L* too light.",
    BITE,
    step("Far", "drypoint", "Hatch into it with a needle, 12 L* darker.", { sure: 0.5 }),
    step("Near", "leave", "Leave. Inside ±3 L*."),
  );
  const tones = [tone("Far", 50, 62), tone("Near", 30, 29), tone("Paper", null, 94)];
  const older = { ...proof, id: "older", state_number: 1, picture: null, next: null };
  const items = [{ ...proof, id: "newer", state_number: 2, tones, next }, older];
  fakeServer({ [`GET /proofs?plate=${RAIN}`]: { body: listed(items) }, ...NO_PINS });
  openAt(`/plates/${RAIN}/proofs`);
  expect(
    await screen.findByRole("heading", { name: "It is the plate: Far is 12 L* too light." }),
  ).toBeVisible();
  const [read, steps] = within(screen.getByRole("main")).getAllByRole("table");
  const [, first, second, ...others] = rowsOf(steps as HTMLElement);
  expect(first?.[0]).toMatch(/^FarBite 1:40 more/);
  expect(first?.slice(1)).toEqual(["5047 to 53", "3.1", "90 %", "1 h 30"]);
  expect(second?.[0]).toMatch(/^Hatch into it/);
  expect(others).toEqual([]); // what lies well asks for nothing
  const [, far, , paper] = rowsOf(read as HTMLElement);
  expect(far?.slice(1)).toEqual(["50", "50", "62 ±2"]);
  expect(paper?.[1]).toBe("white");
  expect(screen.getByRole("img", { name: /Far 12 L\* off/ })).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: /^State I,/ }));
  expect(await screen.findByRole("heading", { name: /^State I(:|$)/ })).toBeVisible();
});

test("what a proof did to the curve stands beside it, and why one did nothing", async () => {
  const moved = {
    text: "The next bites are planned by this reading: Far prints 6 L* lighter than Rosin said.",
    plans: [
      {
        part: "tones",
        strip: "Rosin",
        areas: [{ name: "Far", read_lstar: 62, before_lstar: 55, after_lstar: 61 }],
      },
    ],
  };
  const why = { text: "Not taken into the curve: printed with another ink than Rosin.", plans: [] };
  const items = [
    { ...proof, id: "newer", state_number: 2, learned: moved },
    { ...proof, id: "older", state_number: 1, learned: why },
  ];
  fakeServer({ [`GET /proofs?plate=${RAIN}`]: { body: listed(items) }, ...NO_PINS });
  openAt(`/plates/${RAIN}/proofs`);
  expect(await screen.findByRole("heading", { name: "The curve followed" })).toBeVisible();
  expect(screen.getByText(/Far 55 → 61/)).toBeVisible();
  expect(screen.getByRole("link", { name: "See the plan" })).toHaveAttribute(
    "href",
    expect.stringContaining("/plan/tones"),
  );
  await userEvent.click(screen.getByRole("button", { name: /^State I,/ }));
  expect(await screen.findByRole("heading", { name: "The curve stays" })).toBeVisible();
  expect(screen.getByText(why.text)).toBeVisible();
});

test("the step to bite makes its plan; where it cannot, it says why", async () => {
  const next = nextOf("It is the plate: Far is 12 L* too light.", BITE);
  const items = [{ ...proof, id: "newer", tones: [tone("Far", 50, 62)], next }];
  const call = `POST /plates/${RAIN}/plan/bite-on`;
  const server = fakeServer({
    [`GET /proofs?plate=${RAIN}`]: { body: listed(items) },
    [call]: refuse(422, fault("plate", "Its bites are not all made.")),
    ...NO_PINS,
  });
  const { at } = openAt(`/plates/${RAIN}/proofs`);
  await press(/^Plan this bite/);
  await waitFor(() => expect(alerts()).toEqual(["Its bites are not all made."]));
  server.answer(call, { body: { part: "lines" } });
  await press(/^Plan this bite/);
  await waitFor(() => expect(at()).toBe(`/plates/${RAIN}/plan/lines`));
  expect(server.sent.find((each) => each.call === call)?.body).toEqual({
    proof: "newer",
    area: "Far",
  });
});

const READING = {
  task: "t",
  corners: [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ],
  likeness: 0.9,
  warnings: [{ code: "blurred", text: "Blurred: scan it again." }],
};

test("a pin is set by keys, kept with its millimetres, and ticked by the state that answers it", async () => {
  const read = { ...proof, id: "read", state_number: 2, reading: READING, next: null };
  const pin = {
    id: "p1",
    version: 1,
    proof: "read",
    kind: "missing line",
    text: "counter legs",
    x_mm: 30,
    y_mm: 40,
    done: false,
    state_number: 1,
    done_in_state: null,
    created_at: proof.pulled_at,
  };
  const server = fakeServer({
    [`GET /proofs?plate=${RAIN}`]: { body: listed([read]) },
    [`GET /pins?plate=${RAIN}&page=1`]: { body: listed([pin]) },
    "PUT /pins": { body: { ...pin, version: 2, done: true, done_in_state: 2 } },
  });
  openAt(`/plates/${RAIN}/proofs`);
  expect(await screen.findByText("a line is missing: counter legs")).toBeVisible();
  expect(screen.getByText("Blurred: scan it again.")).toBeVisible();
  await userEvent.keyboard("p");
  const place = await screen.findByRole("button", { name: /The new pin/ });
  place.focus();
  await userEvent.keyboard("{ArrowRight}{Shift>}{ArrowDown}{/Shift}");
  await type("In words", "spokes");
  await press("Pin it");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(server.last().body).toMatchObject({
    proof: "read",
    version: 0,
    kind: "darker",
    text: "spokes",
    x_mm: 126,
    y_mm: 100,
    done: false,
  });
  await userEvent.click(screen.getByRole("checkbox", { name: /counter legs/ }));
  await waitFor(() =>
    expect(server.last().body).toMatchObject({ id: "p1", version: 1, done: true }),
  );
});

test("a pin is moved and reworded over its version, or taken away and put back", async () => {
  const read = { ...proof, id: "read", state_number: 2, reading: READING, next: null };
  const pin = {
    ...{ id: "p1", version: 4, proof: "first", kind: "darker", text: "sky", x_mm: 30, y_mm: 40 },
    ...{ done: false, withdrawn: false, state_number: 1, done_in_state: null },
    created_at: proof.pulled_at,
  };
  const server = fakeServer({
    [`GET /proofs?plate=${RAIN}`]: { body: listed([read]) },
    [`GET /pins?plate=${RAIN}&page=1`]: { body: listed([pin]) },
    "PUT /pins": { body: { ...pin, version: 5 } },
  });
  openAt(`/plates/${RAIN}/proofs`);
  await userEvent.click(await screen.findByRole("button", { name: /^change/ }));
  screen.getByRole("button", { name: /^The pin: press the picture/ }).focus();
  await userEvent.keyboard("{ArrowRight}");
  await type("In words", "sky at the left");
  await press("Keep it so");
  const sent = () => server.sent.filter((each) => each.call === "PUT /pins").map((e) => e.body);
  await waitFor(() => expect(sent()).toHaveLength(1));
  expect(sent()[0]).toEqual({
    ...{ id: "p1", version: 4, proof: "first", kind: "darker", text: "sky at the left" },
    ...{ x_mm: 31, y_mm: 40, done: false, withdrawn: false },
  });
  await userEvent.click(await screen.findByRole("button", { name: /^change/ }));
  await press("Take it away");
  expect(await screen.findByText("A pin is taken away.")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: /Undo/ }));
  await waitFor(() => expect(sent()).toHaveLength(3));
  expect(sent().map((each) => [each.version, each.withdrawn])).toEqual([
    [4, false],
    [4, true],
    [5, false],
  ]);
});

test("without a scan a pin has no place, and says so", async () => {
  fakeServer({
    [`GET /proofs?plate=${RAIN}`]: { body: listed([{ ...proof, next: null, reading: null }]) },
    ...NO_PINS,
  });
  openAt(`/plates/${RAIN}/proofs`);
  expect(await screen.findByText(/once the proof is read from a scan/)).toBeVisible();
  expect(screen.queryByRole("button", { name: /Pin a note/ })).toBeNull();
});

test("two proofs are told apart: what changed, what all share; differed only where both are read", async () => {
  const newer = {
    ...proof,
    id: "newer",
    state_number: 2,
    next: null,
    tones: [tone("Far", 50, 55)],
  };
  const older = {
    ...proof,
    id: "older",
    state_number: 1,
    next: null,
    pulled_at: "2026-01-01T10:00:00Z",
    tones: [tone("Far", 50, 62)],
  };
  const change = {
    areas: [{ name: "Far", change_lstar: -7, own_lstar: -7 }],
    shared_lstar: 0.4,
    shared_spread: 1,
    columns: 0,
    rows: 0,
    cells: [],
    shift_mm: 0.6,
    text: "Far went 7 L* darker.",
    tables: "",
  };
  const server = fakeServer({
    [`GET /proofs?plate=${RAIN}`]: { body: listed([newer, older]) },
    "GET /proofs/newer/since/older": { body: change },
    ...NO_PINS,
  });
  openAt(`/plates/${RAIN}/proofs`);
  await press("Compare with State I");
  expect(
    await screen.findByRole("heading", { name: "From I to II: Far went 7 L* darker." }),
  ).toBeVisible();
  expect(screen.getByText(/So it is the plate that changed, not the wipe/)).toBeVisible();
  expect(screen.getByText(/The right one was moved by/)).toHaveTextContent("0.6 mm");
  const [, far] = rowsOf(within(screen.getByRole("main")).getByRole("table"));
  expect(far?.slice(1, 5)).toEqual(["50", "62", "55", "7 darker"]);
  expect(
    screen.getByRole("img", { name: "Far: State I 12 too light, State II 5 too light" }),
  ).toBeVisible();
  await userEvent.keyboard("v");
  expect(await screen.findByText(/Both must be read from a scan/)).toBeVisible();
  // in the difference each tone goes from its left proof to its right one
  const [heads, shifted] = rowsOf(within(screen.getByRole("main")).getByRole("table"));
  expect(heads).toEqual(["Area", "too lightwantedtoo dark", "from I to II, L*"]);
  expect(shifted?.[2]).toBe("7 darker62 to 55");
  expect(screen.getByRole("img", { name: /^Far: 12 before, 5 now/ })).toBeInTheDocument();
  expect(screen.getByText(/What all share/)).toBeVisible();
  const both = { ...change, columns: 2, rows: 1, cells: [-8, 0.4] };
  server.answer("GET /proofs/newer/since/older", { body: both });
  await userEvent.keyboard("{Escape}");
  expect(await screen.findByRole("button", { name: /Compare with/ })).toBeVisible();
});

const READ = {
  areas: [
    { name: "Tone 1", lstar: 83.2, spread: 3, doubt: 0.2, share: 0.2, warnings: [] },
    { name: "Tone 2", lstar: 70.4, spread: 3, doubt: 0.9, share: 0.2, warnings: [SMALL] },
    { name: "Tone 3", lstar: null, spread: null, doubt: null, share: 0, warnings: [] },
  ],
  corners_px: READING.corners,
  turned: 0,
  likeness: 0.9,
  straight: "straight.png",
  paper_spread: 0.2,
  warnings: [],
  tables: "",
};
test("a scan fills in the tones, each with its doubt; one typed over is as sure as an eye", async () => {
  const { server } = await readFrom(`/plates/${LANTERN}/proofs/new`, "Read them from a scan", {
    call: "POST /proofs/scans",
    of: `about=${LANTERN}&kind=read-proof`,
    result: READ,
  });
  await waitFor(() => expect(screen.getByLabelText("Tone 1, L* read")).toHaveValue("83.2"));
  expect(screen.getByText("Tone 2: Only 4 places.")).toBeVisible();
  await type("Tone 2, L* read", "69");
  await press(/^Log State/);
  await waitFor(() => expect(server.last().call).toBe("POST /proofs"));
  expect(server.last().body).toMatchObject({
    reading: "task",
    picture: "scan",
    tones: [
      { area: "Tone 1", read_lstar: 83.2, spread: 0.5 },
      { area: "Tone 2", read_lstar: 69, spread: null },
    ],
  });
});

test("a scan that was read is there again after the page was left, what was typed over it too", async () => {
  const { server, router } = await readFrom(
    `/plates/${LANTERN}/proofs/new`,
    "Read them from a scan",
    { call: "POST /proofs/scans", of: `about=${LANTERN}&kind=read-proof`, result: READ },
  );
  await waitFor(() => expect(screen.getByLabelText("Tone 1, L* read")).toHaveValue("83.2"));
  await type("Tone 2, L* read", "69");
  await router.navigate(`/r/${ROOM}/strips`);
  await router.navigate(-1);
  expect(await screen.findByAltText("The scan as it was sent")).toBeVisible();
  expect(screen.getByLabelText("Tone 2, L* read")).toHaveValue("69");
  await press(/^Log State/);
  await waitFor(() => expect(server.last().call).toBe("POST /proofs"));
  expect(server.last().body).toMatchObject({
    reading: "task",
    picture: "scan",
    tones: [
      { area: "Tone 1", read_lstar: 83.2, spread: 0.5 },
      { area: "Tone 2", read_lstar: 69, spread: null },
    ],
  });
  await waitFor(() => expect(Object.keys(localStorage).join()).not.toContain("scan"));
});

test("what is painted over by keys or pointer is left out, between the corners that were found", async () => {
  const { server } = await readFrom(`/plates/${LANTERN}/proofs/new`, "Read them from a scan", {
    call: "POST /proofs/scans",
    of: `about=${LANTERN}&kind=read-proof`,
    result: READ,
  });
  await press("Paint over what is not to count");
  const brush = screen.getByRole("button", { name: /^Brush at 100, 75 mm/ });
  brush.focus();
  await userEvent.keyboard("{Shift>}{ArrowRight}{/Shift}{ArrowUp} ");
  await press("Broad");
  brush.focus();
  await userEvent.keyboard("{ArrowLeft} ");
  expect(brush).toHaveAccessibleName(/2 strokes/);
  await press("Take back the last stroke");
  await press("Read it without these");
  await waitFor(() => expect(server.last().call).toBe("POST /proofs/scans"));
  expect(server.last().body).toMatchObject({
    corners: READ.corners_px,
    left_out: [{ points_mm: [[110, 74]], size_mm: 5 }],
  });
  expect(await screen.findByRole("button", { name: "Change what is painted over" })).toBeVisible();
});

test("a scan that cannot be found is read between corners set by hand", async () => {
  const { server } = await readFrom(`/plates/${LANTERN}/proofs/new`, "Read them from a scan", {
    call: "POST /proofs/scans",
    of: `about=${LANTERN}&kind=read-proof`,
    fault: fault("corners_px", "No plate mark stands out from the sheet."),
  });
  expect(await screen.findByText("No plate mark stands out from the sheet.")).toBeVisible();
  await press("Mark the corners of the plate mark");
  const corner = screen.getByRole("button", { name: /Top left corner/ });
  corner.focus();
  await userEvent.keyboard("{ArrowRight}{ArrowDown}");
  await press("Read it between these corners");
  await waitFor(() => expect(server.last().call).toBe("POST /proofs/scans"));
  const { corners } = server.last().body as { corners: number[][] };
  expect(corners[0]).toEqual([154, 244]);
  expect(corners[2]).toEqual([850, 560]);
});

test("no proof yet: what one would show", async () => {
  fakeServer();
  openAt(`/plates/${plateId("Steam Stall")}/proofs`);
  expect(await screen.findByRole("heading", { name: "No proof yet" })).toBeVisible();
});

const CLOSING = plateId("Closing Time");

/** The proof of Closing Time that was signed under a condition. */
const signedProof = () => {
  const all = told<{ items: Proof[] }>(`/proofs?plate=${CLOSING}`).items;
  return all.find((each) => each.approvals.length > 0) as Proof;
};

async function atTheOk(change: Partial<Proof> = {}) {
  const shown = { ...signedProof(), ...change };
  const server = fakeServer({
    [`GET /proofs?plate=${CLOSING}`]: { body: listed([shown]) },
    [`GET /proofs?plate=${CLOSING}&page=1`]: { body: listed([shown]) },
    [`GET /pins?plate=${CLOSING}&page=1`]: { body: listed([]) },
    [`POST /proofs/${shown.id}/approvals`]: { body: shown },
  });
  openAt(`/plates/${CLOSING}/proofs`);
  await screen.findAllByRole("heading", { name: /OK to print/ });
  return { server, shown };
}

test("an OK says who gave it and under which condition; it is taken back in one touch", async () => {
  const { server } = await atTheOk();
  expect(screen.getByText(/OK to print, if the sky stays dark, the artist/)).toBeVisible();
  await press("Take the OK back");
  await waitFor(() => expect(server.last()?.body).toMatchObject({ ok: false }));
});

test("artist or printer decide with a condition, told by an area that was read", async () => {
  const { server } = await atTheOk({ approvals: [], ok_to_print: false });
  await pick("Said by", "the artist");
  await type("Only if", "the sky stays dark");
  await pick("Told by the area", "Sky");
  await press("OK to print");
  await waitFor(() =>
    expect(server.last()?.body).toMatchObject({
      ok: true,
      said_by: "artist",
      condition: "the sky stays dark",
      area: "Sky",
    }),
  );
});

test("an earlier state is not signed: the plate has gone on since", async () => {
  await atTheOk({ approvals: [], ok_to_print: false, state_number: 1 });
  expect(screen.getByText(/The plate has gone on since/)).toBeVisible();
});

test("what was drawn hangs first and is pulled aside over the proof; what may come is dashed", async () => {
  const plate = told<object>(`/plates/${RAIN}`);
  const one = {
    ...proof,
    id: "one",
    state_number: 1,
    reading: null,
    picture: "picture",
    next: null,
  };
  fakeServer({
    [`GET /proofs?plate=${RAIN}`]: { body: listed([one]) },
    [`GET /plates/${RAIN}`]: { body: { ...plate, study: "study" } },
    ...NO_PINS,
  });
  openAt(`/plates/${RAIN}/proofs`);
  const line = within(await screen.findByRole("group", { name: /^Proofs on the line/ }));
  expect(line.getByRole("img", { name: "As drawn" })).toBeVisible();
  expect(line.getByText("State I again")).toBeVisible();
  expect(line.getByText("State II")).toBeVisible();
  await press("Against what was drawn");
  const curtain = screen.getByRole("slider", { name: "What was drawn against the proof" });
  expect(curtain).toHaveValue("45");
  await press("The proof");
  expect(screen.getByRole("img", { name: /opens the original/ })).toBeVisible();
});

async function correcting(more: Partial<Proof> = {}) {
  const before = {
    ...proof,
    next: null,
    paper: "Cotton",
    soak_minutes: 30,
    passes: 1,
    version: 4,
    tones: [
      { ...tone("Sky", 60, 62), spread: 0.6 },
      { ...tone("Sea", 40, 41), spread: 0.7 },
    ],
    ...more,
  };
  const server = fakeServer({
    [`GET /proofs?plate=${LANTERN}`]: { body: listed([before]) },
    [`GET /pins?plate=${LANTERN}&page=1`]: { body: listed([]) },
    [`PUT /proofs/${proof.id}`]: { body: { ...before, version: 5 } },
  });
  openAt(`/plates/${LANTERN}/proofs`);
  await screen.findByText(/Paper: Cotton/);
  await press("Correct what was typed");
  return server;
}

test("a proof is corrected where it hangs: what is left as it was keeps its doubt", async () => {
  const server = await correcting();
  expect(screen.getByLabelText("Sky, L* read")).toHaveValue("62");
  await type("Soak", "45");
  await type("Sky, L* read", "64,5");
  await type("Tone 1, L* read", "80");
  await press("Keep the correction");
  await waitFor(() => expect(screen.queryByLabelText("Soak")).toBeNull());
  const sent = server.sent.find(({ call }) => call.startsWith("PUT /proofs"));
  expect(sent?.body).toMatchObject({
    version: 4,
    paper: "Cotton",
    soak_minutes: 45,
    passes: 1,
    foul_bite: proof.foul_bite,
    tones: [
      { area: "Sky", read_lstar: 64.5, spread: null },
      { area: "Sea", read_lstar: 41, spread: 0.7 },
      { area: "Tone 1", read_lstar: 80, spread: null },
    ],
  });
  expect(screen.getByText(/State .* is corrected/)).toBeVisible();
});

test("a tone emptied is not read any more; Escape leaves all as it was", async () => {
  const server = await correcting();
  await userEvent.clear(screen.getByLabelText("Sea, L* read"));
  await press("Keep the correction");
  await waitFor(() => expect(screen.queryByLabelText("Soak")).toBeNull());
  expect(server.sent.at(-1)?.body.tones).toEqual([{ area: "Sky", read_lstar: 62, spread: 0.6 }]);
  await press("Correct what was typed");
  await userEvent.type(screen.getByLabelText("Pressure"), "more{Escape}");
  expect(screen.queryByLabelText("Pressure")).toBeNull();
});

test("of a proof corrected meanwhile both stand side by side; faults stand at their tone", async () => {
  const server = await correcting();
  server.answer(
    `PUT /proofs/${proof.id}`,
    refuse(422, fault("tones.1.read_lstar", "tones.1.read_lstar: darker than black.")),
  );
  await type("Sea, L* read", "3");
  await press("Keep the correction");
  await waitFor(() => expect(screen.getByLabelText("Sea, L* read")).toBeInvalid());
  server.answer(
    `PUT /proofs/${proof.id}`,
    refuse(409, fault("version", "Someone changed this proof.", { code: "stale" })),
  );
  server.answer(`GET /proofs/${proof.id}`, { body: { ...proof, soak_minutes: 90, version: 9 } });
  await type("Soak", "45");
  await press("Keep the correction");
  const both = await screen.findByRole("region", { name: "Changed meanwhile" });
  expect(both).toHaveTextContent("Soak4590");
});
