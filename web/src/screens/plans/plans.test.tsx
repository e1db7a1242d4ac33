import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Plan } from "../../api/plans";
import { fakeServer, fault, plateId, refuse, told } from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

const STEAM = plateId("Steam Stall");
const RAIN = plateId("Rain on Awnings");
const LINES = `/plates/${RAIN}/plan?part=lines`;
const lines = told<Plan>(LINES);
const pools = told<Plan>(`/plates/${STEAM}/plan?part=spit-bite`);
const DRAFT = `POST /plates/${RAIN}/plan/draft`;
const KEEP = `PUT /plates/${RAIN}/plan`;

async function planning(path = `/plates/${RAIN}/plan/lines`) {
  const server = fakeServer({
    [DRAFT]: { body: lines },
    [KEEP]: { body: lines },
    [`POST /plates/${STEAM}/plan/draft`]: { body: pools },
  });
  const page = openAt(path);
  await screen.findByRole("button", { name: "Keep the changes" });
  return { server, ...page };
}

test("a kept plan is typed again, drafted as it is typed, and kept with its version", async () => {
  const { server, at } = await planning();
  const name = lines.areas[0]?.name as string;
  expect(screen.getByLabelText(`${name}, wanted`)).toHaveValue(String(lines.areas[0]?.depth_um));
  await type(`${name}, wanted`, "21,5");
  await waitFor(() => {
    const sent = server.sent.filter((each) => each.call === DRAFT).at(-1)?.body as Plan | undefined;
    expect(sent?.areas[0]?.depth_um).toBe(21.5);
  });
  await press("Keep the changes");
  await waitFor(() => expect(at()).toBe(`/plates/${RAIN}`));
  expect(await screen.findByText("The plan is kept.")).toBeVisible();
  const kept = server.sent.find((each) => each.call === KEEP)?.body as unknown as Plan;
  expect([kept.id, kept.version, kept.areas[0]?.depth_um]).toEqual([lines.id, lines.version, 21.5]);
  expect(kept.areas[0]).not.toHaveProperty("amount");
});

test("a goal may be a darkness; the surfaces and the other groups go on as they were", async () => {
  const { server } = await planning();
  const name = lines.areas[1]?.name as string;
  await pick(new RegExp(`${name}, as depth or darkness`), "% dark");
  await type(`${name}, wanted`, "70");
  await press("Keep the changes");
  await waitFor(() => expect(server.sent.some((each) => each.call === KEEP)).toBe(true));
  const [{ areas }] = server.sent
    .filter((each) => each.call === KEEP)
    .map(({ body }) => body as unknown as Plan) as [Plan];
  expect(areas[1]).toMatchObject({ darkness: 0.7, depth_um: null });
  expect(areas[2]).toMatchObject({ depth_um: lines.areas[2]?.depth_um });
});

test("by minutes: what the plan has is filled in, a row of times is read, and kept", async () => {
  const { server } = await planning();
  const names = lines.areas.map((area) => area.name);
  await press("By minutes");
  const cell = (i: number) => screen.getByLabelText(`${names[i]}, time in all`);
  expect((cell(2) as HTMLInputElement).value).toMatch(/^\d+:\d\d$/);
  server.answer("POST /api/calc/minutes", { body: { seconds: [120, 360, 840] } });
  await type("All at once, in minutes", "2 + 4 + 8");
  await press("Fill in");
  await waitFor(() => expect(cell(2)).toHaveValue("14:00"));
  await press("Keep the changes");
  await waitFor(() => expect(server.sent.some((each) => each.call === KEEP)).toBe(true));
  const kept = server.sent.find((each) => each.call === KEEP)?.body as unknown as Plan;
  expect(kept.areas.map((area) => area.seconds)).toEqual([120, 360, 840]);
  expect(kept.areas[0]).toMatchObject({ depth_um: null, darkness: null });
});

test("where no area has a time yet, a row of times fills them all", async () => {
  const { server } = await planning();
  await press("By minutes");
  for (const area of lines.areas)
    await userEvent.clear(screen.getByLabelText(`${area.name}, time in all`));
  server.answer("POST /api/calc/minutes", { body: { seconds: [120, 360, 840] } });
  await type("All at once, in minutes", "2 + 4 + 8");
  await press("Fill in");
  const last = screen.getByLabelText(`${lines.areas[2]?.name}, time in all`);
  await waitFor(() => expect(last).toHaveValue("14:00"));
  expect(alerts()).toEqual([]);
});

test("a row of times that does not fit, or falls, says so and changes nothing", async () => {
  const { server } = await planning();
  await press("By minutes");
  const cell = screen.getByLabelText(`${lines.areas[0]?.name}, time in all`);
  const before = (cell as HTMLInputElement).value;
  server.answer("POST /api/calc/minutes", { body: { seconds: [120, 360] } });
  await type("All at once, in minutes", "2 + 4");
  await press("Fill in");
  await waitFor(() => expect(alerts().join()).toContain("2 times, but 3 groups with a time."));
  server.answer("POST /api/calc/minutes", refuse(422, fault("text", "30 min comes after 60.")));
  await type("All at once, in minutes", "10, 60, 30");
  await userEvent.type(screen.getByLabelText("All at once, in minutes"), "{Enter}");
  await waitFor(() => expect(alerts().join()).toContain("30 min comes after 60."));
  expect(cell).toHaveValue(before);
  expect(server.sent.some((each) => each.call === KEEP)).toBe(false);
});

const STANDS = "What is opened again goes on from where it stands.";

test("after a finished run areas are ticked to be opened again; for a new ground none is", async () => {
  const { server } = await planning();
  server.answer(DRAFT, { body: { ...lines, why_on: STANDS, bitten: true } });
  const first = lines.areas[0]?.name as string;
  await type(`${first}, wanted`, "30");
  const on = within(await screen.findByRole("region", { name: "Bite on" }));
  expect(await on.findByText(STANDS)).toBeVisible();
  await userEvent.click(on.getByLabelText(first));
  const drafted = () =>
    server.sent.filter((each) => each.call === DRAFT).at(-1)?.body as unknown as Plan;
  await waitFor(() => expect(drafted()).toMatchObject({ open_again: [first], anew: false }));
  await press("Plan it for a new ground");
  await waitFor(() => expect(drafted()).toMatchObject({ open_again: [], anew: true }));
  expect(on.queryByLabelText(first)).toBeNull();
  expect(await screen.findByRole("button", { name: "Not for a new ground" })).toBeVisible();
});

test("two screens are told together as a range; lines left open are warned of", async () => {
  const { server } = await planning();
  const reached = (value: number, low = value, high = value) => ({ value, low, high });
  server.answer(DRAFT, {
    body: {
      ...lines,
      why_on: "A new grain is another screen.",
      over_first: [
        { name: "Sky", first: reached(62), both: reached(50, 47, 62), bitten: true },
        { name: "Quay", first: reached(30), both: reached(30), bitten: false },
      ],
      meanwhile: [{ name: "Rain", depth_um: 18, depth_left_open_um: 31 }],
    },
  });
  await type(`${lines.areas[0]?.name}, wanted`, "30");
  const row = await screen.findByRole("row", { name: /^Sky/ });
  expect(row).toHaveTextContent("47 to 62");
  expect(screen.getByRole("row", { name: /^Quay/ })).toHaveTextContent("as it is");
  expect(screen.getByText(/Lines left open bite on/)).toHaveTextContent("Rain 18 to 31 µm");
  expect(screen.getByRole("button", { name: "Plan a second aquatint" })).toBeVisible();
});

const way = (kind: string, label: string, seconds: number, more = {}) => ({
  kind,
  label,
  key: "",
  goals: {},
  bites: 3,
  seconds,
  worst: 1,
  worst_area: "Sky",
  band: 4,
  short: false,
  ...more,
});

test("other ways stand side by side, the best is the answer, and one is taken", async () => {
  const { server } = await planning();
  const [first, second] = lines.areas.map((area) => area.name);
  const together = { [first as string]: 29, [second as string]: 29 };
  server.answer(`POST /plates/${RAIN}/plan/compare`, {
    body: [
      way("planned", "As planned", 1200),
      way("warmth", "Warmer", 700, { key: "22.5" }),
      way("bites", "In 2 bites", 600, { goals: together, worst: 22 }),
      way("bath", "In Spare tray", 400, { short: true }),
    ],
  });
  await press("Compare other ways");
  const others = within(await screen.findByRole("region", { name: "Other ways" }));
  expect(
    await others.findByRole("heading", { name: /^Warmer: 8:20 less in the bath/ }),
  ).toBeVisible();
  expect(others.getByRole("row", { name: /^Warmer \(22\.5 °C\)/ })).toBeVisible();
  expect(others.getAllByRole("button", { name: /^Take it/ })).toHaveLength(2);
  await press("Take it: In 2 bites");
  expect(screen.getByLabelText(`${first}, wanted`)).toHaveValue("29");
  expect(screen.getByLabelText(`${second}, wanted`)).toHaveValue("29");
  expect(server.sent.some((each) => each.call === KEEP)).toBe(false);
});

test("what cannot be read holds the draft back and is told when it is to be kept", async () => {
  const { server } = await planning();
  await waitFor(() => expect(server.sent.length).toBeGreaterThan(0));
  const before = server.sent.length;
  const [first, second] = lines.areas.map((area) => area.name);
  await type(`${first}, wanted`, "");
  await type(`${second}, needle in µm`, "9000");
  await press("Keep the changes");
  expect(alerts().join(" ")).toContain("Group 1, wanted: nothing is written yet.");
  expect(alerts().join(" ")).toContain(
    "Group 2, needle in µm: 9000 is not between 0.1 and 2000 µm.",
  );
  expect(server.sent.slice(before).filter((each) => each.call === KEEP)).toEqual([]);
});

test("what the server has against a draft stands at its cell, and goes when it is mended", async () => {
  const { server } = await planning();
  const [, name] = lines.areas.map((area) => area.name);
  const said = "These lines are as wide as they are apart.";
  server.answer(DRAFT, refuse(422, fault("groups.1.depth_um", said)));
  await type(`${name}, apart in µm`, "30");
  await waitFor(() => expect(alerts().join()).toContain(`Group 2, wanted: ${said}`));
  expect(screen.getByLabelText(`${name}, wanted`)).toBeInvalid();
  server.answer(DRAFT, { body: lines });
  await type(`${name}, apart in µm`, "600");
  await waitFor(() => expect(alerts()).toEqual([]));
});

test("groups are added and taken out; measured lines join the plan", async () => {
  const { server } = await planning();
  await press("Add a group");
  await press(`Take out ${lines.areas[0]?.name}`);
  await userEvent.click(screen.getByText(/Lines measured on this plate/));
  await press("Add a measured line");
  await type("Line 1, Bitten s", "300");
  await type("Line 1, Wide µm", "80");
  await press("Keep the changes");
  await waitFor(() => expect(server.sent.some((each) => each.call === KEEP)).toBe(true));
  const kept = server.sent.find((each) => each.call === KEEP)?.body as unknown as Plan;
  const names = lines.areas.slice(1).map((area) => area.name);
  expect(kept.areas.map((area) => area.name)).toEqual([...names, "Group 4"]);
  expect(kept.measured).toMatchObject([{ seconds: 300, width_um: 80, dips: 1 }]);
});

test("somebody kept another plan meanwhile: both stand side by side", async () => {
  const { server } = await planning();
  const name = lines.areas[0]?.name as string;
  await type(`${name}, wanted`, "21");
  server.answer(KEEP, refuse(409, fault("version", "Someone changed this plan.")));
  server.answer(`GET ${LINES}`, {
    body: {
      ...lines,
      version: 9,
      areas: lines.areas.map((area, i) => (i === 0 ? { ...area, depth_um: 25 } : area)),
    },
  });
  await press("Keep the changes");
  const both = await screen.findByRole("region", { name: "Changed meanwhile" });
  expect(both).toHaveTextContent("Group 1, wanted2125");
  await press("Take theirs");
  expect(screen.getByLabelText(`${name}, wanted`)).toHaveValue("25");
  server.answer(KEEP, { body: lines });
  await press("Keep the changes");
  const kept = () => server.sent.filter((each) => each.call === KEEP);
  await waitFor(() => expect(kept()).toHaveLength(2));
  expect(kept()[1]?.body.version).toBe(9);
});

test("a floor pulled by key moves the tone that is wanted", async () => {
  await planning(`/plates/${STEAM}/plan/spit-bite`);
  const area = pools.areas.find((each) => each.lstar != null)?.name as string;
  const cell = screen.getByLabelText(`L* wanted of ${area}`) as HTMLInputElement;
  const before = cell.value;
  const floor = await screen.findByRole("slider", { name: `${area}, floor` });
  floor.focus();
  await userEvent.keyboard("{Shift>}{ArrowDown}{/Shift}");
  await waitFor(() => expect(cell.value).not.toBe(before));
  await userEvent.keyboard("{ArrowRight}");
  expect(document.activeElement).not.toBe(floor);
});

const WEIGHBRIDGE = plateId("The Weighbridge");
const WEIGHED = told<Plan>(`/plates/${WEIGHBRIDGE}/plan?part=tones`);

async function weighing(used: boolean, answers = {}, as = {}) {
  const own_curve = { ...WEIGHED.own_curve, used } as NonNullable<Plan["own_curve"]>;
  const plan = { ...WEIGHED, own_curve };
  const server = fakeServer({
    [`GET /plates/${WEIGHBRIDGE}/plan?part=tones`]: { body: plan },
    [`POST /plates/${WEIGHBRIDGE}/plan/draft`]: { body: plan },
    ...answers,
  });
  openAt(`/plates/${WEIGHBRIDGE}/plan/tones`, as);
  return server;
}
const CURVE = `PUT /plates/${WEIGHBRIDGE}/plan/curve`;

test("a curve that a proof moved says so, and the strip alone is one press away", async () => {
  const alone = { ...WEIGHED, own_curve: { ...WEIGHED.own_curve, used: false } };
  const server = await weighing(true, { [CURVE]: { body: alone } });
  expect(await screen.findByText(/Rosin last week, moved by \d tones read up to/)).toBeVisible();
  await press("Use the strip alone");
  expect(await screen.findByText("Planned by Rosin last week alone.")).toBeVisible();
  const sent = server.sent.find((each) => each.call === CURVE);
  expect(sent?.body).toEqual({ part: "tones", version: WEIGHED.version, own: false });
});

test("the speed of the bath is told in °F for who reads °F", async () => {
  await weighing(true, {}, { temperature_unit: "F" });
  expect(await screen.findByText(/°F bites ×/)).toHaveTextContent("Amber tray at 65.3 °F");
});

test("tones put aside are taken up again; one who came first is told of", async () => {
  const text = "Someone changed this plan while you were at it.";
  await weighing(false, { [CURVE]: refuse(409, fault("version", text)) });
  expect(await screen.findByText(/Rosin last week alone; .* are put aside/)).toBeVisible();
  await press("Use the plate’s own tones");
  await waitFor(() => expect(alerts().join()).toContain(text));
});

test("even minutes, and a method where there are two", async () => {
  const { server } = await planning();
  await press("Even minutes");
  expect(screen.getByRole("button", { name: "Even minutes" })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await press("Opening up");
  await waitFor(() => expect(server.last().body.method).toBe("open-up"));
});

test("no bath bites this metal: the way to one", async () => {
  fakeServer({ "GET /baths": { body: { items: [], total: 0 } } });
  openAt(`/plates/${RAIN}/plan/lines`);
  expect(await screen.findByRole("heading", { name: "No bath for zinc" })).toBeVisible();
});

test("a part that is none is not here", async () => {
  fakeServer();
  openAt(`/plates/${RAIN}/plan/embossing`);
  expect(await screen.findByRole("heading", { name: "Nothing here" })).toBeVisible();
});
