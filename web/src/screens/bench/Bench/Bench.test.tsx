import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Shapes } from "../../../api/client";
import { nowSeconds } from "../../../device/clock";
import { fakeServer, listed, told } from "../../../testing/server";
import { openAt, press, show } from "../../../testing/show";
import { Headline } from "./Headline";

type Bench = Shapes["Bench"];
const bench = told<Bench>("/bench");
type Due = Bench["due"][number];
const due =
  (inSeconds: number, part: Partial<Due> = {}) =>
  (): Due => ({
    plate: "p",
    plate_name: "Lantern Row",
    kind: "lift" as const,
    at_seconds: nowSeconds() + inSeconds,
    text: "lift Lantern Row, bite 3",
    ...part,
  });

test("the bench says when hands are needed, which baths stand ready, and what is next", async () => {
  fakeServer();
  openAt("/bench");
  expect(
    await screen.findByRole("heading", { name: /Your hands are next needed at/ }),
  ).toBeVisible();
  for (const bath of bench.baths) expect(screen.getByText(bath.name)).toBeVisible();
  for (const step of bench.next) expect(screen.getAllByText(step.text)[0]).toBeVisible();
  for (const { title } of bench.cautions) expect(screen.getByText(title)).toBeVisible();
  expect(await screen.findByRole("img", { name: "The next two hours" })).toBeInTheDocument();
  expect(screen.getByRole("link", { name: /Go to the bath/ })).toBeVisible();
});

test("the first cautions stand in full, the others by their titles, which unfold", async () => {
  const [like] = bench.cautions;
  if (!like) throw new Error("the demo has cautions");
  const cautions = ["One", "Two", "Three"].map((title) => ({
    ...like,
    key: title,
    title,
    text: `${title} burns.`,
    now: `${title}: water.`,
  }));
  fakeServer({ "GET /bench": { body: { ...bench, cautions } } });
  openAt("/bench");
  expect(await screen.findByText("Two burns.")).toBeVisible();
  expect(screen.queryByText(/Three burns/)).toBeNull();
  await press(/^Three/);
  expect(await screen.findByText(/Three burns/)).toBeVisible();
  expect(screen.getByText(/Three: water/)).toBeVisible();
});

test.each<[string, (() => Due)[], string | undefined, RegExp]>([
  ["nothing due", [], undefined, /^Your hands are free\.$/],
  ["a lift to come", [due(300)], undefined, /next needed at \d\d:\d\d, to lift Lantern Row/],
  ["a lift that is late", [due(-65)], undefined, /^Lift Lantern Row now\. 1:0\d over\.$/],
  [
    "a lift that is late, behind a wait that is over",
    [due(-900, { kind: "wait" }), due(-65)],
    undefined,
    /^Lift Lantern Row now\. 1:0\d over\.$/,
  ],
  ["a wait to come", [due(60, { kind: "wait" })], undefined, /to see to: lift Lantern Row, bite 3/],
  ["a wait that is over", [due(-5, { kind: "wait" })], undefined, /^Look now: .* 0:0\d over\.$/],
  ["a bite gone stale", [due(-5)], "Lantern Row", /^Was Lantern Row lifted\?/],
])("%s is the bench's headline", async (_, items, stale, words) => {
  fakeServer();
  show(<Headline due={items.map((each) => each())} stale={stale} />);
  expect(screen.getByRole("heading")).toHaveTextContent(words);
});

test("a plate a quarter of an hour over is still what the bench says first", async () => {
  const late = { ...bench, due: [due(-14 * 60)(), due(-60, { kind: "wait" })()] };
  fakeServer({ "GET /bench": { body: late } });
  openAt("/bench");
  expect(
    await screen.findByRole("heading", { name: /^Lift Lantern Row now\. 14:0\d over/ }),
  ).toBeVisible();
});

test("ink that closes needs hands before; closed a quarter of an hour ago it is gone", async () => {
  const ink = (seconds: number) => due(seconds, { kind: "ink", text: "last print of Night" })();
  fakeServer({ "GET /bench": { body: { ...bench, due: [ink(-900), ink(1800)] } } });
  openAt("/bench");
  expect(
    await screen.findByRole("heading", {
      name: /next needed at .*, to see to: last print of Night/,
    }),
  ).toBeVisible();
});

test("an empty bench says what to do first", async () => {
  const empty = { baths: [], due: [], next: [], cautions: [], first: [] };
  fakeServer({ "GET /bench": { body: empty }, "GET /plates": { body: listed([]) } });
  openAt("/bench");
  expect(await screen.findByRole("heading", { name: "No bath yet" })).toBeVisible();
  expect(screen.getByText("Nothing falls due in the next two hours.")).toBeVisible();
  expect(screen.getByRole("heading", { name: "Your hands are free." })).toBeVisible();
});

const first = (...done: string[]) =>
  ["bath", "strip", "plate"].map((what) => ({ what, done: done.includes(what) }));

test("an empty room asks what there is: a bath, a strip, a plate, or the made-up room", async () => {
  const server = fakeServer({
    "GET /bench": { body: { ...bench, baths: [], due: [], next: [], plates: 0, first: first() } },
    "GET /plates": { body: listed([]) },
    "POST /api/session": { body: told("/api/session") },
  });
  const { at, client } = openAt("/bench");
  client.setQueryData(["session"], { ...told<object>("/api/session"), demo: true } as never);
  expect(
    await screen.findByRole("heading", { name: "What do you have in front of you?" }),
  ).toBeVisible();
  const titles = screen.getAllByRole("article").map((each) => within(each).getByRole("heading"));
  expect(titles.map((each) => each.textContent)).toEqual([
    "A bath",
    "A test strip",
    "A plate",
    "Nothing yet",
  ]);
  await userEvent.keyboard("4");
  await waitFor(() => expect(server.last().body.sign_in).toBe("keeper@lantern-quay"));
  await waitFor(() => expect(at()).toMatch(/bench$|^\/$/));
});

test("its digits lead to each of them", async () => {
  fakeServer({ "GET /bench": { body: { ...bench, first: first() } } });
  const { at } = openAt("/bench");
  await screen.findByRole("heading", { name: /What do you have/ });
  await userEvent.keyboard("3");
  await waitFor(() => expect(at()).toBe("/plates/new"));
});

test("a room that is begun is told what is still to come, the first of it strong", async () => {
  fakeServer({ "GET /bench": { body: { ...bench, first: first("bath") } } });
  openAt("/bench");
  expect(
    await screen.findByRole("heading", { name: /^two things more before a bite/i }),
  ).toBeVisible();
  expect(screen.getByText("It is there.")).toBeVisible();
  expect(screen.getByRole("link", { name: "Bite or read one" })).toHaveClass("bg-ink");
  expect(screen.getByRole("link", { name: "Put it in the rack" })).not.toHaveClass("bg-ink");
});

test("the bench that cannot be had says why", async () => {
  fakeServer({ "GET /bench": { status: 500, body: null } });
  openAt("/bench");
  expect(await screen.findByRole("alert")).toHaveTextContent("The server could not answer.");
});

type Timer = Shapes["TimerOut"];
const timer = (id: string, inSeconds: number, what: string) => ({
  ...told<Timer[]>("/timers")[0],
  id,
  what,
  ends_seconds: nowSeconds() + inSeconds,
});

test("waits: the first to end is largest, another may be chosen, Space ends the one shown", async () => {
  const both = [timer("b", 600, "rosin dust settling"), timer("a", 90, "ground cooling")];
  const server = fakeServer({
    "GET /timers": { body: listed(both) },
    "POST /timers/b/end": { body: {} },
  });
  openAt("/timers");
  expect(await screen.findByRole("timer")).toHaveAccessibleName(/^ground cooling 1:[23]\d to go$/);
  await press(/rosin dust settling/);
  expect(screen.getByRole("timer")).toHaveAccessibleName(/^rosin dust settling/);
  (document.activeElement as HTMLElement).blur();
  await userEvent.keyboard(" ");
  await waitFor(() => expect(server.last()?.call).toBe("POST /timers/b/end"));
});

test("a wait that is over says so; none says how to begin one", async () => {
  fakeServer({ "GET /timers": { body: listed([timer("a", -30, "ground cooling")]) } });
  openAt("/timers");
  expect(await screen.findByText("It has waited long enough.")).toBeVisible();
  expect(screen.getByRole("timer")).toHaveAccessibleName(/^ground cooling \+0:3\d over$/);
});

test("nothing waits", async () => {
  fakeServer({ "GET /timers": { body: listed([]) } });
  openAt("/timers");
  expect(await screen.findByRole("heading", { name: "Nothing waits" })).toBeVisible();
  expect(screen.getByRole("button", { name: /Done waiting/ })).toBeDisabled();
});
