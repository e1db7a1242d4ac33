import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Plan } from "../../api/plans";
import type { Plate } from "../../api/plates";
import { type Body, fakeServer, fault, plateId, refuse, told } from "../../testing/server";
import { alerts, openAt, pick, press, rowsOf, type } from "../../testing/show";

const LANTERN = plateId("Lantern Row");
const STEAM = plateId("Steam Stall");
const RAIN = plateId("Rain on Awnings");
const plate = told<Plate>(`/plates/${LANTERN}`);

/** What the server told of plates put in, by their material and routes. */
const PUT_IN = {
  "POST /api/calc/put-in": ({ material, routes }: Body) => ({
    body: told(`/api/calc/put-in ${[material, ...(routes as string[]).toSorted()].join(" ")}`),
  }),
};

async function putting(as = {}) {
  const server = fakeServer({ ...PUT_IN, "POST /plates": { body: plate } });
  const page = openAt("/plates/new", as);
  await screen.findByRole("button", { name: /^Etched line/ });
  return { server, ...page };
}

test("a plate is put in with its metal, route and size", async () => {
  const { server, at } = await putting();
  await type("Name", "Ferry Lamp");
  await press("Zinc");
  await press(/^Drypoint/);
  await press(/^Etched line/);
  expect(await screen.findByText("Mixed: etched line, then drypoint.")).toBeVisible();
  await type("Width", "120,5");
  await type("Height", "90");
  await userEvent.click(screen.getByLabelText(/It is old/));
  await press("Put it in the rack");
  await waitFor(() => expect(at()).toBe(`/plates/${LANTERN}`));
  expect(server.last().body).toMatchObject({
    name: "Ferry Lamp",
    metal: "zinc",
    route: "mixed",
    routes: expect.arrayContaining(["etched line", "drypoint"]),
    width_mm: 120.5,
    height_mm: 90,
    thickness_mm: 1.2,
    facts: { face_marked: false, trimmed_again: false, history_unknown: true },
  });
});

test("a plastic is put in by its name", async () => {
  const { server, at } = await putting();
  await type("Name", "Berry Punnet");
  await press("Plastic");
  await pick("Material", "Food packaging");
  await press(/^Drypoint/);
  await type("Width", "120");
  await type("Height", "90");
  await press("Put it in the rack");
  await waitFor(() => expect(at()).toBe(`/plates/${LANTERN}`));
  expect(server.last().body).toMatchObject({ metal: "plastic", facts: { plastic: "packaging" } });
});

test("what is missing or too large is told at each field", async () => {
  const { server } = await putting();
  await type("Width", "5");
  await type("Height", "tall");
  await press("Put it in the rack");
  expect(alerts()).toEqual([
    "Name: nothing is written yet.",
    "Width: 5 is not between 10 and 2500 mm. Did you mean 50 mm (5 cm)?",
    "Height: “tall” is not a number.",
    "How the image gets into it: nothing is chosen yet.",
  ]);
  expect(server.sent.map((each) => each.call)).not.toContain("POST /plates");
});

test("in inches it is typed and refused in inches, and sent in mm", async () => {
  const { server } = await putting({ length_unit: "in" });
  expect(screen.getByLabelText("Thickness")).toHaveValue("0.05");
  await type("Name", "Ferry Lamp");
  await type("Width", "120");
  await type("Height", "4");
  await press(/^Drypoint/);
  await press("Put it in the rack");
  expect(alerts()).toEqual([
    "Width: 120 is not between 0.39 and 98.43 in. Did you mean 4.72 in (120 mm)?",
  ]);
  await type("Width", "6,5");
  await press("Put it in the rack");
  await waitFor(() => expect(server.last()?.body.width_mm).toBeCloseTo(165.1));
  expect(server.last().body.thickness_mm).toBeCloseTo(1.27);
});

test("digits choose how the image gets in, M what it is of; what it cannot take says why", async () => {
  const { server } = await putting();
  await userEvent.keyboard("7");
  expect(screen.getByRole("button", { name: /^Drypoint/ })).toHaveAttribute("aria-pressed", "true");
  expect(await screen.findByText(/^To its first proof: about/)).toBeVisible();
  for (const name of ["Zinc", "Plastic", "Photopolymer"]) {
    await userEvent.keyboard("m");
    expect(screen.getByRole("button", { name })).toHaveAttribute("aria-pressed", "true");
  }
  await waitFor(() =>
    expect(alerts()).toEqual([
      "Drypoint: it would tear the layer. Choose another material, or leave it out.",
    ]),
  );
  expect(screen.getByRole("button", { name: /^Aquatint/ })).toBeDisabled();
  server.answer(
    "POST /plates",
    refuse(422, fault("routes", "Drypoint cannot be done on polymer.")),
  );
  await type("Name", "Torn");
  await type("Width", "100");
  await type("Height", "80");
  await press("Put it in the rack");
  await waitFor(() => expect(alerts().join()).toContain("cannot be done on polymer"));
  expect(screen.getByLabelText("Width")).toHaveValue("100");
});

test("what was typed of a plate is changed, decided on its version; a refusal keeps it", async () => {
  const server = fakeServer({
    ...PUT_IN,
    [`PUT /plates/${LANTERN}`]: refuse(
      422,
      fault("width_mm", "The areas planned on Lantern Row come to 240 cm²."),
    ),
  });
  const { at } = openAt(`/plates/${LANTERN}/facts`);
  await screen.findByRole("heading", { name: "What plate is this?" });
  expect(screen.getByLabelText("Name")).toHaveValue("Lantern Row");
  await type("Width", "120");
  await press("Keep the change");
  await waitFor(() => expect(alerts().join()).toContain("come to 240 cm²"));
  expect(screen.getByLabelText("Width")).toHaveValue("120");
  server.answer(`PUT /plates/${LANTERN}`, { body: { ...plate, width_mm: 210 } });
  await type("Width", "210");
  await press("Keep the change");
  await waitFor(() => expect(at()).toBe(`/plates/${LANTERN}`));
  expect(server.last().body).toMatchObject({ version: plate.version, width_mm: 210 });
  expect(await screen.findByText(/What stood before is in its record/)).toBeVisible();
});

test("in inches a size nobody touched is sent as it was, not as it was rounded to be shown", async () => {
  const server = fakeServer({ ...PUT_IN, [`PUT /plates/${LANTERN}`]: { body: plate } });
  openAt(`/plates/${LANTERN}/facts`, { length_unit: "in" });
  await screen.findByRole("heading", { name: "What plate is this?" });
  expect(screen.getByLabelText("Width")).toHaveValue("7.87");
  await type("Height", "6");
  await press("Keep the change");
  await waitFor(() => expect(server.last().call).toBe(`PUT /plates/${LANTERN}`));
  const { width_mm, height_mm, thickness_mm } = server.last().body;
  expect([width_mm, thickness_mm]).toEqual([plate.width_mm, plate.thickness_mm]);
  expect(height_mm).toBeCloseTo(152.4);
});

test("a plate in the bath shows its bites, the one under way, and the way to the bath", async () => {
  fakeServer();
  openAt(`/plates/${LANTERN}`);
  expect(await screen.findByRole("heading", { name: "Bite section" })).toBeVisible();
  expect(screen.getByRole("link", { name: /Go to the bath/ })).toBeVisible();
  const rows = rowsOf(within(screen.getByRole("main")).getByRole("table"));
  expect(rows).toHaveLength(6);
  expect(rows[3]?.[0]).toBe("3now");
  expect(rows.at(-1)?.[4]).toMatch(/^nothing: lift and wash/);
  expect(await screen.findByText(/^Bite section\. Paper/)).toBeInTheDocument();
});

test("the value study is turned as it lies on the plate", async () => {
  fakeServer();
  openAt(`/plates/${LANTERN}`);
  expect(await screen.findByAltText("Value study, as it prints")).toBeVisible();
  await press("On the plate");
  expect(screen.getByAltText(/mirrored as it lies on the plate/)).toHaveClass("-scale-x-100");
});

test("a plate with no bites says what comes next", async () => {
  fakeServer();
  openAt(`/plates/${plateId("Closing Time")}`);
  expect(await screen.findByRole("heading", { name: "This plate is not bitten" })).toBeVisible();
  expect(screen.getByRole("link", { name: "Go on with the course" })).toBeVisible();
});

test("a process with a caution of its own is begun only when each is known", async () => {
  const pools = told<Plan>(`/plates/${STEAM}/plan?part=spit-bite`);
  const server = fakeServer({ "POST /runs": { body: { id: "run" } } });
  const { at } = openAt(`/plates/${STEAM}`);
  await press(new RegExp(`Begin to bite ${pools.process.many}`));
  const card = within(await screen.findByRole("region", { name: "Before you begin" }));
  expect(card.getByRole("button", { name: "Begin" })).toBeDisabled();
  for (const box of card.getAllByRole("checkbox")) await userEvent.click(box);
  await userEvent.click(card.getByRole("button", { name: "Begin" }));
  await waitFor(() => expect(at()).toBe("/runs/run"));
  expect(server.last().body).toMatchObject({ plate: STEAM, part: "spit-bite" });
  expect((server.last().body.acknowledged as string[]).length).toBeGreaterThan(0);
});

test("what was set aside is gone on from, or begun anew; the plan is the one that was seen", async () => {
  const path = `/plates/${STEAM}/plan?part=lines`;
  const lines = told<Plan>(path);
  const set_aside = { bites: 2, reason: "tomorrow", at: "2026-01-01T10:00:00Z" };
  const server = fakeServer({
    [`GET ${path}`]: { body: { ...lines, set_aside } },
    "POST /runs": { body: { id: "run" } },
  });
  const { at } = openAt(`/plates/${STEAM}`);
  expect(await screen.findByRole("button", { name: /Begin anew the lines/ })).toBeVisible();
  await press(/Go on from bite 3 of the lines/);
  await waitFor(() => expect(at()).toBe("/runs/run"));
  expect(server.last().body).toMatchObject({ goes_on: true, plan_version: lines.version });
});

test("what is done first is said before it is begun; how the plate lies is chosen", async () => {
  const path = `/plates/${STEAM}/plan?part=lines`;
  const lines = told<Plan>(path);
  const alongside = "Lantern Row is bitten in Amber tray, too.";
  const server = fakeServer({
    [`GET ${path}`]: { body: { ...lines, alongside } },
    "POST /runs": { body: { id: "run" } },
  });
  const { at } = openAt(`/plates/${STEAM}`);
  const first = await screen.findByText(/^First:/);
  expect(first).toHaveTextContent(/bite 1 for \d+:\d\d in Amber tray at 18\.5 °C\.$/);
  expect(screen.getByText(alongside)).toBeVisible();
  await press("Face down");
  await press(/Begin to bite the lines/);
  await waitFor(() => expect(at()).toBe("/runs/run"));
  expect(server.last().body).toMatchObject({ part: "lines", facing: "face down" });
});

test("all bitten, it leads to the plan where one bites on", async () => {
  fakeServer();
  openAt(`/plates/${RAIN}`);
  const on = await screen.findByRole("link", { name: "Bite on" });
  expect(on).toHaveAttribute("href", expect.stringMatching(/\/plan\/lines$/));
  expect(screen.queryByRole("button", { name: /Begin to bite/ })).toBeNull();
});

test("a run that cannot begin says why, and one can leave it", async () => {
  fakeServer({ "POST /runs": refuse(409, fault("", "Another run of this plate is open.")) });
  openAt(`/plates/${STEAM}`);
  await press(/Begin to bite the pools/);
  await press("Not now");
  expect(screen.queryByRole("region", { name: "Before you begin" })).toBeNull();
  await press(/Begin to bite the lines/);
  await waitFor(() => expect(alerts()).toEqual(["Another run of this plate is open."]));
});

test("a plate is put away, and says so", async () => {
  const rain = told<Plate>(`/plates/${RAIN}`);
  const server = fakeServer({ [`PUT /plates/${RAIN}`]: { body: { ...rain, put_away: true } } });
  openAt(`/plates/${RAIN}`);
  await press("Put away");
  expect(await screen.findByText("Rain on Awnings is put away.")).toBeVisible();
  expect(server.last().body).toEqual({ version: rain.version, put_away: true });
});

test("a plate of another room is not here", async () => {
  fakeServer();
  openAt("/plates/00000000-0000-0000-0000-000000000000");
  await waitFor(() => expect(alerts()).toEqual(["That is not here."]));
});
