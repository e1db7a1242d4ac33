import { screen, waitFor } from "@testing-library/react";
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
