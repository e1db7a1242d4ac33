import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Recipe, ShopBook, Supply, Tool } from "../../api/shopbook";
import { fakeServer, fault, refuse, told } from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const book = told<ShopBook>("/shop-book");
const recipe = told<{ items: Recipe[] }>("/recipes").items[0] as Recipe;
const tool = told<{ items: Tool[] }>("/tools").items.find((each) => each.width_um != null) as Tool;

test("a table is chosen at the side and stands in the address", async () => {
  fakeServer();
  const { router } = openAt("/shop-book");
  const second = book.tables[1];
  await press(second?.title as string);
  expect(await screen.findByRole("heading", { name: second?.title, level: 2 })).toBeVisible();
  expect(router.state.location.search).toBe(`?tab=tables&table=${second?.key}`);
});

test("the parts of the book are tabs that keys walk", async () => {
  fakeServer();
  const { router } = openAt("/shop-book");
  await userEvent.click(await screen.findByRole("tab", { name: "Tables" }));
  await userEvent.keyboard("{ArrowRight}{ArrowRight}");
  await waitFor(() => expect(router.state.location.search).toBe("?tab=cut"));
  expect(await screen.findByRole("heading", { name: "No layout yet" })).toBeVisible();
});

test("a keeper corrects a number with its reason, and may go back to the table's", async () => {
  const own = book.numbers.find((cell) => cell.own) ?? book.numbers[0];
  const server = fakeServer({ "POST /numbers": { body: {} } });
  openAt("/shop-book?tab=numbers");
  const label = own?.label.replaceAll("+", "\\+");
  await press(new RegExp(`^${label}( \\(own\\))?$`));
  await userEvent.click(screen.getAllByRole("button", { name: "correct" })[0] as HTMLElement);
  await type("Measured here", "");
  await press("Use this number");
  expect(alerts()).toEqual([
    "Measured here: nothing is written yet.",
    "From what: nothing is written yet.",
  ]);
  await type("Measured here", "1,8");
  await type("From what", "two coupons");
  server.answer(
    "POST /numbers",
    refuse(422, fault("value", "Not so fast.", { allowed: "at most 100" })),
  );
  await press("Use this number");
  await waitFor(() =>
    expect(alerts()).toEqual(["Measured here: Not so fast. Allowed: at most 100."]),
  );
  server.answer("POST /numbers", { body: {} });
  await press("Use this number");
  await waitFor(() => expect(screen.queryByLabelText("Measured here")).toBeNull());
  expect(server.last().body).toMatchObject({ value: 1.8, reason: "two coupons" });
});

test("only a keeper corrects numbers", async () => {
  fakeServer();
  openAt("/shop-book?tab=numbers", { role: "printer" });
  expect(await screen.findByText(/Only a keeper corrects them/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "correct" })).toBeNull();
});

test("a recipe is written, changed over its version, and left", async () => {
  const server = fakeServer({ "PUT /recipes": { body: recipe } });
  openAt("/shop-book?tab=recipes");
  await press("Keep the recipe");
  expect(alerts()).toEqual(["Name: nothing is written yet.", "How: nothing is written yet."]);
  await type("Name", "Soft ground");
  await pick("For", "Ground");
  await type("How", "Two of wax, one of tallow.");
  await press("Keep the recipe");
  await waitFor(() => expect(screen.getByLabelText("Name")).toHaveValue(""));
  expect(server.last().body).toMatchObject({ version: 0, kind: "ground", name: "Soft ground" });
  await userEvent.click(screen.getAllByRole("button", { name: "change" })[0] as HTMLElement);
  expect(screen.getByLabelText("Name")).toHaveValue(recipe.name);
  await type("How", "Three of wax.");
  await press("Keep the recipe");
  await waitFor(() =>
    expect(server.last().body).toMatchObject({ id: recipe.id, text: "Three of wax." }),
  );
  expect(server.last().body.version).toBe(recipe.version);
});

test("a recipe changed meanwhile: mine and theirs", async () => {
  const stale = refuse(409, fault("version", "Someone changed this recipe."));
  const server = fakeServer({ "PUT /recipes": stale });
  openAt("/shop-book?tab=recipes");
  await userEvent.click(
    (await screen.findAllByRole("button", { name: "change" }))[0] as HTMLElement,
  );
  await type("How", "Mine.");
  const theirs = { ...recipe, text: "Theirs.", version: recipe.version + 1 };
  server.answer("GET /recipes", { body: { items: [theirs], total: 1 } });
  await press("Keep the recipe");
  const both = await screen.findByRole("region", { name: "Changed meanwhile" });
  expect(both).toHaveTextContent("HowMine.Theirs.");
  server.answer("PUT /recipes", { body: theirs });
  await press("Keep mine");
  await waitFor(() =>
    expect(server.last().body).toMatchObject({ version: theirs.version, text: "Mine." }),
  );
});

test("a tool's width is measured in µm; empty is not known", async () => {
  const server = fakeServer({ "PUT /tools": { body: tool } });
  openAt("/shop-book?tab=tools");
  const row = await screen.findByRole("row", { name: new RegExp(tool.name) });
  await userEvent.click(within(row).getByRole("button", { name: "change" }));
  await type("Width of its line", "9000");
  await press("Keep the tool");
  expect(alerts()).toEqual(["Width of its line: 9000 is not between 0.1 and 5000 µm."]);
  await type("Width of its line", "");
  await press("Keep the tool");
  await waitFor(() => expect(server.last()?.body).toMatchObject({ id: tool.id, width_um: null }));
});

const LAYOUT = {
  used_cm2: 2100,
  usable_rest_cm2: 600,
  offcuts_cm2: 300,
  rest_at_mm: [200, 0],
  waste_cm2: 900,
  waste_bound_cm2: 800,
  optimal: false,
  left_out: ["Small square"],
  largest_rest_mm: [300, 200],
  cuts: [
    { number: 1, along: "across", at_mm: 150, from_mm: 0, to_mm: 600 },
    { number: 2, along: "down", at_mm: 200, from_mm: 0, to_mm: 150 },
  ],
  placed: [{ name: "Lantern", x_mm: 0, y_mm: 0, width_mm: 200, height_mm: 150, turned: false }],
};

test("a paper is renamed over its version and put away; a new ink is kept", async () => {
  const supplies = told<{ items: Supply[] }>("/supplies").items;
  const paper = supplies.find((each) => each.name.startsWith("soft cotton")) as Supply;
  const server = fakeServer({ "PUT /supplies": { body: paper } });
  openAt("/shop-book?tab=supplies");
  await userEvent.click(await screen.findByRole("button", { name: /^change.*soft cotton/ }));
  await type("Name", "soft cotton, 300 g/m²");
  await userEvent.click(screen.getByLabelText("Put away: not offered any more"));
  await press("Keep it");
  await waitFor(() => expect(server.last()?.call).toBe("PUT /supplies"));
  expect(server.last()?.body).toMatchObject({
    id: paper.id,
    version: paper.version,
    name: "soft cotton, 300 g/m²",
    put_away: true,
  });
  expect(await screen.findByRole("heading", { name: "A new paper, ink or wipe" })).toBeVisible();
  await press("Keep it");
  expect(alerts().join()).toContain("Name");
  server.answer(
    "PUT /supplies",
    refuse(422, fault("name", "There is an ink of that name already.")),
  );
  await type("Name", "black, a quarter medium");
  await press("Keep it");
  await waitFor(() => expect(alerts().join()).toContain("of that name already"));
});

test("a sheet is laid out, drawn, and its cuts listed in order", async () => {
  const server = fakeServer({ "POST /api/calc/cut-sheet": { body: LAYOUT } });
  openAt("/shop-book?tab=cut");
  await type("Saw takes", "2,5");
  await press("Add a plate");
  await type("Plate 3, how many", "2");
  await press("Lay it out");
  const head = "1 plate in 2 cuts; Small square left out.";
  expect(await screen.findByRole("heading", { name: head })).toBeVisible();
  expect(screen.getByText(/A rest of 300 mm × 200 mm is left to use/)).toBeVisible();
  expect(screen.getByText(/Offcuts 300 cm²/)).toHaveTextContent("none can fill more than 2200 cm²");
  const first = screen.getByRole("checkbox", { name: /1 ?across at 150 mm from the top/ });
  await userEvent.click(first);
  expect(first).toBeChecked();
  expect(screen.getByText(/down at 200 mm from the left, 0 to 150 mm/)).toBeVisible();
  expect(server.last().body).toMatchObject({ allowance_mm: 2.5, sheet_width_mm: 600 });
  expect(server.last().body.pieces).toHaveLength(3);
});

test("faults of a sheet and its plates are told together, in inches for who reads inches", async () => {
  const server = fakeServer();
  openAt("/shop-book?tab=cut", { length_unit: "in" });
  expect(await screen.findByLabelText("Sheet, wide")).toHaveValue("23.62");
  await type("Sheet, wide", "200");
  await type("Plate 2, high", "0");
  await type("Plate 1, how many", "");
  await press("Lay it out");
  const said = alerts().join(" ");
  expect(said).toContain("Sheet, wide: 200 is not between 0.04 and 118.11 in.");
  expect(said).toContain("Plate 2, high: 0 is not between 0.04 and 118.11 in.");
  expect(said).toContain("Plate 1, how many: nothing is written yet.");
  expect(server.sent).toEqual([]);
});

test("layers are put in order; solvents are told with their cautions", async () => {
  const order = {
    changes: 1,
    spared: ["the steel back"],
    steps: [{ label: "Spirit", takes_off: ["crayon"], how: "Soak.", cautions: ["No flame."] }],
  };
  const server = fakeServer({ "POST /api/calc/cleaning-order": { body: order } });
  openAt("/shop-book?tab=cleaning");
  await press("Take out layer 1");
  await press("Add a layer below");
  await press("Find the order");
  expect(await screen.findByText("1 change of solvent.")).toBeVisible();
  expect(screen.getByText("No flame.")).toBeVisible();
  expect(server.last().body).toEqual({
    material: "copper",
    plastic: null,
    layers: ["crayon", "rosin", "oil-ink"],
  });
  await pick("Plate of", "PETG");
  await press("Find the order");
  await waitFor(() =>
    expect(server.last().body).toMatchObject({ material: "plastic", plastic: "petg" }),
  );
});

test("what is mixed is asked for its role, and poured in the order that is told", async () => {
  const mixed = {
    pour: ["water first: 2.73 L", "then nitric acid: 0.27 L"],
    cautions: ["Acid into water, never water into acid."],
  };
  const call = "POST /api/calc/dilute";
  const asks = refuse(
    422,
    fault("parts.2.role", "What is “fixer”? Say its role, or it is not mixed."),
  );
  const server = fakeServer({ [call]: asks });
  openAt("/shop-book?tab=mix");
  await press("Add a part");
  await press("Say how to pour");
  expect(alerts().join()).toContain("Part 3: nothing is written yet.");
  expect(server.sent).toEqual([]);
  await type("Part 3", "fixer");
  await press("Say how to pour");
  await waitFor(() => expect(alerts().join()).toContain("Say its role, or it is not mixed."));
  expect(server.last().body).toMatchObject({
    parts: [{ role: "acid" }, { role: "water" }, { name: "fixer", role: null, parts: 1 }],
  });
  server.answer(call, { body: mixed });
  await press("Take out part 3");
  await type("In all", "2,5");
  await press("Say how to pour");
  const order = within(await screen.findByRole("region", { name: "How to pour" }));
  expect(order.getAllByRole("listitem").map((li) => li.textContent)).toEqual(mixed.pour);
  expect(order.getByText(/never water into acid/)).toBeVisible();
  expect(server.last().body).toMatchObject({ volume_l: 2.5 });
});

test("a calculator's form comes from its schema: limits, needs, and the answer", async () => {
  const bevelled = { needed: "needed", reason: "Metal cuts felt.", run_mm: 1.5, minutes: 42 };
  const server = fakeServer({ "POST /api/calc/bevel": { body: bevelled } });
  openAt("/shop-book?tab=calculators");
  await screen.findByRole("heading", { name: "Whether to bevel, and how long", level: 2 });
  await type("thickness", "99");
  await press("Work it out");
  expect(alerts().join(" ")).toContain("thickness: 99 is not");
  expect(server.sent).toEqual([]);
  await type("thickness", "1,5");
  for (const side of ["width", "height"]) await type(side, "100");
  await press("Work it out");
  expect(await screen.findByRole("heading", { name: "Metal cuts felt." })).toBeVisible();
  expect(screen.getByText("42 min")).toBeVisible();
  expect(screen.getByText("The same as JSON").closest("details")).not.toHaveAttribute("open");
  expect(server.last().body).toMatchObject({ thickness_mm: 1.5 });
});

test("rows of a calculator are added and taken away, with their own faults", async () => {
  const server = fakeServer({ "POST /api/calc/cleaning-order": { body: { steps: [] } } });
  openAt("/shop-book?tab=calculators&name=cleaning-order");
  await screen.findByRole("heading", { name: "In which order to clean a plate", level: 2 });
  await press("add to layers");
  await press("Work it out");
  await waitFor(() => expect(server.last()?.body.layers).toHaveLength(2));
  await press("take the last away");
  await press("Work it out");
  await waitFor(() => expect(server.last().body.layers).toHaveLength(1));
});

test("a calculator of pictures has no form, and says where it is asked", async () => {
  fakeServer();
  openAt("/shop-book?tab=calculators&name=read-proof");
  await screen.findByRole("heading", { name: "Read a proof off a scan", level: 2 });
  expect(screen.getByRole("heading", { name: "It works on pictures" })).toBeVisible();
  expect(screen.queryByRole("button", { name: "Work it out" })).toBeNull();
});

test("a paper keeps its sheet and its windows; out before ready is refused at its field", async () => {
  const server = fakeServer({
    "PUT /papers": refuse(
      422,
      fault("latest_minutes", "It would have to be out before it is ready.", {
        allowed: "more than 45",
        unit: "min",
      }),
    ),
  });
  openAt("/shop-book?tab=papers");
  await screen.findAllByText("Hard cotton 300");
  await type("Name", "quay rag");
  await type("Ready after", "45");
  await type("Out by", "30");
  await press("Keep the paper");
  await waitFor(() => expect(alerts().join()).toContain("out before it is ready"));
  expect(server.last().body).toMatchObject({
    name: "quay rag",
    width_mm: 560,
    ready_minutes: 45,
    latest_minutes: 30,
    school: "soft-soak",
  });
  expect(screen.getByLabelText("Out by")).toHaveValue("30");
});

test("papers stand in inches for who reads inches", async () => {
  fakeServer();
  openAt("/shop-book?tab=papers", { length_unit: "in" });
  expect((await screen.findAllByText("22.05 × 29.92 in")).length).toBeGreaterThan(1);
  expect(screen.getByLabelText("Sheet, across")).toHaveValue("22.05");
});

test("an ink keeps its parts in order; a part without parts is told", async () => {
  const server = fakeServer({ "PUT /inks": { body: {} } });
  openAt("/shop-book?tab=inks");
  await screen.findByText("4 black, 1 medium");
  await type("Name", "quay blue");
  await press("Add a part");
  await type("Part 1", "blue");
  await type("Part 1, parts", "0");
  await press("Keep the ink");
  expect(alerts().join()).toContain("Part 1, parts");
  await type("Part 1, parts", "3");
  await press("Keep the ink");
  await waitFor(() => expect(server.last()?.call).toBe("PUT /inks"));
  expect(server.last().body).toMatchObject({
    name: "quay blue",
    parts: [{ name: "blue", role: "base", parts: 3 }],
  });
});

test("a press keeps its setting in quarters, said in turns, and its blankets in order", async () => {
  const server = fakeServer({ "PUT /presses": { body: {} } });
  openAt("/shop-book?tab=presses");
  await screen.findByText("1¾ turns from contact, 1 pass");
  await type("Name", "short bed");
  await type("Usual setting", "9");
  expect(await screen.findByText("2¼ turns")).toBeVisible();
  await press("Add a blanket");
  await type("Blanket 1", "thin felt");
  await press("Keep the press");
  await waitFor(() => expect(server.last()?.call).toBe("PUT /presses"));
  expect(server.last().body).toMatchObject({
    quarters: 9,
    blankets: [{ name: "thin felt", new_on: null }],
  });
});
