import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { bathId, fakeServer } from "../../testing/server";
import { openAt, type } from "../../testing/show";

const AMBER = bathId("Amber tray");
const HEAT = {
  heat: {
    forecast: [
      [0, 18.5, 18.5, 18.5],
      [30, 21.4, 20.6, 22.3],
      [60, 23.1, 22.1, 24.2],
    ],
    end_c: 23.1,
    end_low_c: 22.1,
    end_high_c: 24.2,
    speed_share: 1.24,
    reach_minutes: null as number | null,
    reach_soonest_minutes: null as number | null,
    reach_latest_minutes: null as number | null,
    rise_bound_c: 0,
    heat_kj: 0,
    dissolved_g: 0,
    cooling_minutes: 25,
    warnings: [] as { code: string; text: string; caution: string }[],
  },
  room_c: 18,
  hottest_c: null as number | null,
  cautions: [] as { key: string; level: string; title: string; text: string; now: string }[],
};
const heats = (query: string) => `GET /baths/${AMBER}/heat?${query}`;
const FIRST = heats("minutes=60&room_c=18");

test("how warm it will be is the answer; it follows what is typed, in one's own units", async () => {
  const celsius = (fahrenheit: number) => (fahrenheit - 32) / 1.8;
  const at = `minutes=60&room_c=${celsius(64.4)}`;
  const warmer = { ...HEAT, heat: { ...HEAT.heat, end_c: 25 } };
  fakeServer({
    [heats(at)]: { body: HEAT },
    [heats(`${at}&jacket_c=${celsius(78.8)}`)]: { body: warmer },
  });
  openAt(`/baths/${AMBER}`, { temperature_unit: "F" });
  expect(
    await screen.findByRole("heading", { name: "In 60 min: 73.6 °F (71.8 to 75.6)." }),
  ).toBeVisible();
  expect(screen.getByText("After 60 min it bites 1.24 times as fast as now.")).toBeVisible();
  expect(screen.getByLabelText("The room is")).toHaveValue("64.4");
  await type("Jacket water", "78,8");
  expect(await screen.findByRole("heading", { name: /^In 60 min: 77\.0 °F/ })).toBeVisible();
});

test.each([
  [
    { reach_minutes: 24.2, reach_soonest_minutes: 17, reach_latest_minutes: 35.6 },
    "20.0 °C in 24 min (17 to 36).",
  ],
  [{ reach_minutes: 24.2, reach_soonest_minutes: 17 }, "20.0 °C in 24 min (17 to later)."],
  [{}, "Not 20.0 °C in 60 min: 23.1."],
])("what is wanted is answered by when (%o)", async (reached, said) => {
  fakeServer({
    [FIRST]: { body: HEAT },
    [heats("minutes=60&room_c=18&reach_c=20")]: {
      body: { ...HEAT, heat: { ...HEAT.heat, ...reached } },
    },
  });
  openAt(`/baths/${AMBER}`);
  await screen.findByRole("heading", { name: /^In 60 min/ });
  await type("Wanted", "20");
  expect(await screen.findByRole("heading", { name: said })).toBeVisible();
});

test("H asks how warm; what runs away is said with what to do", async () => {
  const warnings = [
    { code: "past-limit", text: "Above 30 °C it runs away.", caution: "nitric-hot" },
  ];
  const cautions = [
    { key: "nitric-hot", level: "danger", title: "", text: "", now: "Out, and air." },
  ];
  const hot = { ...HEAT, heat: { ...HEAT.heat, warnings }, cautions, hottest_c: 30 };
  fakeServer({ [FIRST]: { body: hot } });
  openAt(`/baths/${AMBER}`);
  expect(
    await screen.findByRole("heading", { name: "Not so: it may pass 30.0 °C and run away." }),
  ).toBeVisible();
  expect(screen.getByText("Above 30 °C it runs away.")).toBeVisible();
  expect(screen.getByText("Out, and air.")).toBeVisible();
  await userEvent.keyboard("h");
  expect(screen.getByLabelText("Minutes ahead")).toHaveFocus();
});

test("with no room's warmth it is asked for", async () => {
  fakeServer({
    [FIRST]: { body: HEAT },
    [heats("minutes=60")]: { body: { heat: null, room_c: null, hottest_c: null, cautions: [] } },
  });
  openAt(`/baths/${AMBER}`);
  await screen.findByRole("heading", { name: /^In 60 min/ });
  await userEvent.clear(screen.getByLabelText("The room is"));
  expect(await screen.findByRole("heading", { name: "How warm will it be?" })).toBeVisible();
  expect(screen.queryByRole("img", { name: /^From 18\.5/ })).toBeNull();
  expect(screen.getByText("Say how warm the room is: the bath goes there.")).toBeVisible();
});

test("until the next answer comes the one before stands, as the answer to its own question", async () => {
  let letGo = () => {};
  const slow = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  fakeServer({
    [FIRST]: { body: HEAT },
    [heats("minutes=60&room_c=18&reach_c=20")]: async () => {
      await slow;
      return { body: { ...HEAT, heat: { ...HEAT.heat, reach_minutes: 24.2 } } };
    },
  });
  openAt(`/baths/${AMBER}`);
  const before = await screen.findByRole("heading", { name: /^In 60 min/ });
  await type("Wanted", "20");
  expect(before).toHaveTextContent(/^In 60 min/);
  letGo();
  expect(await screen.findByRole("heading", { name: /^20\.0 °C in 24 min/ })).toBeVisible();
});
