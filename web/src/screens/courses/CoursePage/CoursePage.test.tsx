import { act, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Course } from "../../../api/courses";
import { nowSeconds } from "../../../device/clock";
import type { Task } from "../../../api/tasks";
import { fakeServer, fault, listed, plateId, told } from "../../../testing/server";
import { alerts, openAt, pick, press, type } from "../../../testing/show";

const STEAM = plateId("Steam Stall");
const LANTERN = plateId("Lantern Row");
const COURSE = `/plates/${STEAM}/course`;
const steps = (plate: string) => told<Course>(`/plates/${plate}/course`).steps;
const panel = () => screen.findByRole("article");

test("the step to do is shown, its list beside it, and ] and [ move along", async () => {
  fakeServer();
  const { router } = openAt(COURSE);
  const todo = steps(STEAM).findIndex((step) => step.status === "todo");
  const at = (i: number) => steps(STEAM)[i]?.title as string;
  expect(await screen.findByRole("heading", { name: at(todo), level: 2 })).toBeVisible();
  await userEvent.keyboard("]");
  expect(await screen.findByRole("heading", { name: at(todo + 1), level: 2 })).toBeVisible();
  await userEvent.keyboard("[[");
  expect(await screen.findByRole("heading", { name: at(todo), level: 2 })).toBeVisible();
  expect(router.state.location.search).toContain("step=");
});

test("after Done the title of what comes next is where one reads on", async () => {
  const course = told<Course>(`/plates/${STEAM}/course`);
  const at = course.steps.findIndex((each) => each.status === "todo" && !each.by_itself);
  const after = course.steps.map((each, n) => (n === at ? { ...each, status: "done" } : each));
  const next = after.slice(at + 1).find((each) => each.status === "todo");
  fakeServer({
    [`POST /plates/${STEAM}/course`]: {
      body: { ...course, version: course.version + 1, steps: after },
    },
  });
  openAt(`${COURSE}?step=${course.steps[at]?.id}`);
  const first = await screen.findByRole("heading", { name: course.steps[at]?.title, level: 2 });
  expect(first).not.toHaveFocus(); // it was only opened
  await press("Done");
  await press("Done all the same"); // nothing is noted here
  await waitFor(() =>
    expect(screen.getByRole("heading", { name: next?.title, level: 2 })).toHaveFocus(),
  );
});

test("a step says why, what good is, how it fails, and what is dangerous", async () => {
  fakeServer();
  const step = steps(LANTERN).find((each) => each.cautions.length > 0 && each.fails.length > 0);
  if (!step) throw new Error("no step of the demo has cautions");
  openAt(`/plates/${LANTERN}/course?step=${step.id}`);
  const shown = within(await panel());
  for (const words of [step.why, step.good, step.fails[0]?.mend, step.cautions[0]?.text]) {
    expect(shown.getByText(words as string)).toBeVisible();
  }
});

test.each([["Steam Stall"], ["Lantern Row"]])("every step of %s can be opened", async (name) => {
  fakeServer();
  const plate = plateId(name);
  const { router } = openAt(`/plates/${plate}/course`);
  for (const step of steps(plate)) {
    await act(() => router.navigate(`${router.state.location.pathname}?step=${step.id}`));
    const shown = await screen.findByText(step.title, { selector: "h2" });
    expect(shown).toBeVisible();
  }
});

test("a wait is started as a timer; a time that is none is told", async () => {
  const server = fakeServer({ "POST /timers": { body: {} } });
  openAt(`${COURSE}?step=soft-ground`);
  const timer = await screen.findByLabelText("Timer: ground cooling");
  await type("Timer: ground cooling", "soon");
  await press("Start another");
  expect(alerts()).toEqual(["Timer: ground cooling: “soon” is not a time: write 3:45 or 225 s."]);
  await userEvent.clear(timer);
  await userEvent.type(timer, "90 s");
  await press("Start another");
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(server.last().body).toMatchObject({ plate: STEAM, what: "ground cooling", seconds: 90 });
});

test("a step of the table is added after the one shown", async () => {
  const course = told<Course>(COURSE);
  const server = fakeServer({ [`POST ${COURSE}`]: { body: course } });
  openAt(COURSE);
  await userEvent.click(await screen.findByText("Add a step"));
  await pick("Step", course.can_add.proof as string);
  await press("Add after this");
  await waitFor(() => expect(server.last().body).toMatchObject({ act: "add", keys: ["proof"] }));
  expect(await screen.findByText("Added to the course.")).toBeVisible();
});

const ROUTES = {
  fault: "too dark",
  text: "Burnish first.",
  new_plate_is_shorter: false,
  routes: [
    {
      key: "burnish",
      title: "Burnish",
      possible: true,
      minutes: 20,
      minutes_low: 10,
      minutes_high: 40,
      why: "Shallow enough.",
      remaining_lstar: 52,
      steps: ["burnish"],
    },
    { key: "power", title: "Power", possible: false, why: "Too thin.", steps: [], minutes: 0 },
  ],
};

test("ways to mend are compared from what is typed, and one joins the course", async () => {
  const proof = steps(LANTERN).find((step) => step.beside.includes("repair"));
  const server = fakeServer({
    "POST /api/calc/repair-routes": { body: ROUTES },
    [`POST /plates/${LANTERN}/course`]: { body: told<Course>(`/plates/${LANTERN}/course`) },
  });
  openAt(`/plates/${LANTERN}/course?step=${proof?.id}`);
  await type("Area", "0");
  await type("Deep", "12,5");
  await press("Compare the ways");
  expect(alerts()).toEqual(["Area: 0 is not between 0.01 and 20000 cm²."]);
  await type("Area", "4");
  await press("Compare the ways");
  expect(await screen.findByText(/Prints about L\* 52/)).toBeVisible();
  expect(server.last().body).toMatchObject({ area_cm2: 4, depth_um: 12.5, material: "copper" });
  expect(screen.getAllByRole("button", { name: "Add its steps" })).toHaveLength(1);
  await press("Add its steps");
  await waitFor(() =>
    expect(server.last().body).toMatchObject({ keys: ["burnish"], reason: "Burnish" }),
  );
});

test("ammonia is measured out for the amount wanted, comma or point", async () => {
  const server = fakeServer({
    "POST /api/calc/dilute": {
      body: { pour: ["water first: 0.48 L", "ammonia: 0.03 L"], cautions: [] },
    },
  });
  const degrease = steps(LANTERN).find((step) => step.beside.includes("degreasers"));
  openAt(`/plates/${LANTERN}/course?step=${degrease?.id}`);
  await type("Ammonia water 1 + 20", "500,5");
  await waitFor(() => expect(server.last()?.body.volume_l).toBeCloseTo(0.5005));
  expect(await screen.findByText(/water first: 0.48 L/)).toBeVisible();
});

const SEEN: NonNullable<Task["result"]> = {
  tables: "1",
  covered: 0.42,
  covered_spread: 0.02,
  verdict: "good",
  grains_per_mm2: 80,
  median_grain_um: 60,
  grains_are: "lighter",
  reasons: [],
  patches: [{ x: 0, y: 0, width: 0.5, height: 0.5, covered: 0.2, verdict: "too thin" }],
};
const TASKS = `GET /tasks?about=${LANTERN}&kind=dust-coverage`;
const COUNT = `POST /plates/${LANTERN}/coverage`;
const task = (part: Partial<Task>) => ({
  id: "count",
  kind: "dust-coverage",
  about: LANTERN,
  given: { picture: "photo", um_per_pixel: 4 },
  state: "waiting",
  progress: 0,
  turn: 0,
  result: null,
  fault: null,
  created_at: new Date(nowSeconds() * 1000).toISOString(),
  ended_at: null,
  ...part,
});

async function counting(...first: ReturnType<typeof task>[]) {
  let now = first;
  const server = fakeServer({
    "POST /files": { body: {} },
    [TASKS]: () => ({ body: listed(now) }),
    [COUNT]: () => {
      now = [task({})];
      return { status: 202, body: now[0] };
    },
    "POST /tasks/count/stop": () => {
      now = [task({ state: "stopped" })];
      return { body: now[0] };
    },
  });
  const dust = steps(LANTERN).find((step) => step.beside.includes("dust-count"));
  openAt(`/plates/${LANTERN}/course?step=${dust?.id}`);
  const input = await screen.findByLabelText("Close photograph of the dust");
  return {
    server,
    tell: (part: Partial<Task>) => {
      now = [task(part)];
    },
    give: () => userEvent.upload(input, new File(["x"], "dust.png", { type: "image/png" })),
  };
}

test("a scale that cannot be is told before anything is sent", async () => {
  const { server, give } = await counting();
  await type("One pixel shows", "900");
  await give();
  expect(alerts()).toEqual(["One pixel shows: 900 is not between 0.2 and 200 µm."]);
  expect(server.sent).toEqual([]);
});

test("the dust of a photograph is counted: it waits, tells how far it is, and shows what it saw", async () => {
  const { server, tell, give } = await counting();
  await type("One pixel shows", "4,5");
  await give();
  expect(await screen.findByText(/^Waiting for its turn/)).toBeVisible();
  expect(server.sent.map(({ call }) => call)).toEqual(["POST /files", COUNT]);
  expect(server.last().body).toMatchObject({ um_per_pixel: 4.5, id: expect.any(String) });
  tell({ state: "doing", progress: 0.28, turn: 1 });
  expect(await screen.findByText(/^Counting the grains, 28 %/)).toBeVisible();
  expect(screen.getByRole("progressbar")).toHaveAttribute("value", "0.28");
  tell({ state: "doing", progress: 0.1, turn: 2 });
  expect(await screen.findByText(/^Counting the grains, 10 %, begun again/)).toBeVisible();
  tell({ state: "done", progress: 1, result: SEEN });
  expect(await screen.findByText("42 %")).toBeVisible();
  expect(screen.queryByRole("progressbar")).toBeNull();
  expect(screen.getByText(/20 −/)).toBeVisible();
});

test("a count that nothing takes up says so", async () => {
  const minuteAgo = new Date(nowSeconds() * 1000 - 60_000).toISOString();
  await counting(task({ created_at: minuteAgo }));
  expect(await screen.findByText(/^Still waiting: nothing has taken it up yet/)).toBeVisible();
});

test("come back to, a count is as far as it is, and is stopped", async () => {
  const { server } = await counting(task({ state: "doing", progress: 0.55, turn: 1 }));
  expect(await screen.findByText(/^Counting the grains, 55 %/)).toBeVisible();
  await press("Stop");
  expect(await screen.findByText("Stopped. Nothing was written.")).toBeVisible();
  expect(server.last().call).toBe("POST /tasks/count/stop");
  expect(screen.getByRole("button", { name: "Count again at this scale" })).toBeVisible();
});

test("a count that came to nothing says why; the same photograph is counted at another scale", async () => {
  const why = fault("image", "No grains can be told from the metal.") as Task["fault"];
  const { server } = await counting(task({ state: "failed", fault: why }));
  expect(await screen.findByRole("alert")).toHaveTextContent("No grains can be told");
  await type("One pixel shows", "5");
  await press("Count again at this scale");
  await screen.findByText(/^Waiting for its turn/);
  expect(server.sent).toHaveLength(1);
  expect(server.last().body).toMatchObject({ picture: "photo", um_per_pixel: 5 });
});
