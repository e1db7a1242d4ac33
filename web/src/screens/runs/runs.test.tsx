import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { vi } from "vitest";
import kinds from "../../api/kinds.gen.json";
import type { Run } from "../../api/runs";
import { nowSeconds } from "../../device/clock";
import { deviceId } from "../../device/ids";
import { dipUnderWay, localRun } from "../../device/local";
import { dropEvents, waitingEvents } from "../../device/store";
import {
  LANTERN,
  RUN,
  runEarlier,
  runFinished,
  runOpeningUp,
  runWithout,
  withEvents,
} from "../../testing/run";
import { type Body, fakeServer, fault, NOW_MS, refuse, told } from "../../testing/server";
import { alerts, openAt, press, type } from "../../testing/show";

const USER = told<{ me: { id: string } }>("/api/session").me.id;
const EVENTS = `POST /runs/${RUN}/events`;

beforeEach(async () => {
  await dropEvents((await waitingEvents(USER)).map((each) => each.id));
});

/** The run screen on a server that keeps what it is told. */
async function atTheBath(run: Run, as = {}) {
  let now = run;
  const server = fakeServer({
    [`GET /runs/${RUN}`]: () => ({ body: now }),
    [EVENTS]: (body: Body) => {
      now = withEvents(now, body);
      return { body: now };
    },
  });
  const page = openAt(`/runs/${RUN}`, as);
  await screen.findByRole("heading", { name: "Lantern Row" });
  const kinds = () =>
    server.sent
      .filter((each) => each.call === EVENTS)
      .flatMap(({ body }) => (body.events as { kind: string; data: Body }[]).map((e) => e));
  return { server, kinds, ...page };
}

/** So many seconds after the lift was due. */
function late(seconds: number): Run {
  const run = runEarlier(0);
  const due = told<{ run: { lift_seconds: number } }>(`/plates/${LANTERN}`).run.lift_seconds;
  return runEarlier(due - nowSeconds() + seconds) ?? run;
}

/** Two presses nearer than that are one. */
const moment = () => new Promise((resolve) => setTimeout(resolve, APART_MS));
const APART_MS = kinds.same_press_seconds * 1000 + 100;

test("in the bath: what is left, what happens at zero, three readings, one control", async () => {
  await atTheBath(runEarlier(0));
  expect(screen.getByRole("timer")).toHaveAccessibleName(/^\d:\d\d to go$/);
  expect(screen.getByText(/At zero:/)).toHaveTextContent(
    "At zero: lift, rinse, dry. Then stop out",
  );
  expect(screen.getByText("bite 3 of 5")).toBeVisible();
  expect(screen.getByText(/^Bites/)).toHaveTextContent("Bites ×0.93");
  expect(screen.getByText("18.5")).toHaveTextContent("18.5°C");
  expect(screen.getByRole("button", { name: /^Lift/ })).toBeVisible();
  expect(screen.getByRole("img", { name: /Depth against/ })).toBeInTheDocument();
});

test("Space lifts; the event goes to the server, and the plate is out of the bath", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await userEvent.keyboard(" ");
  expect(await screen.findByText("Out of the bath")).toBeVisible();
  await waitFor(() =>
    expect(kinds()).toMatchObject([{ kind: "lift", data: { remembered: false } }]),
  );
  expect(screen.getByText("Out for")).toBeVisible();
});

test("a press that bounces is one press", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await userEvent.keyboard("  ");
  await screen.findByText("Out of the bath");
  await waitFor(() => expect(kinds()).toHaveLength(1));
  expect(screen.queryByText("Dip anyway?")).toBeNull();
});

test("late: the clock counts on, says so, and tells what it did when lifted", async () => {
  await atTheBath(late(20));
  expect(screen.getByRole("timer")).toHaveAccessibleName(/^0:2\d over$/);
  expect(screen.getByText("Lift now.")).toBeVisible();
  await press(/^Lift/);
  expect(await screen.findByText(/^2\d s late\. The bites that follow are shorter/)).toBeVisible();
});

test("in the last half minute it says to get ready", async () => {
  await atTheBath(late(-25));
  expect(screen.getByRole("timer")).toHaveAccessibleName(/^0:2\d get ready$/);
});

test("far too late it asks when it was lifted; a time that cannot be is told", async () => {
  const { kinds } = await atTheBath(late(20 * 60));
  expect(screen.getByText(/This bite went stale/)).toBeVisible();
  await type(/^Lifted after/, "soon");
  await press("It was lifted after this");
  expect(alerts()[0]).toContain("“soon” is not a time");
  await type(/^Lifted after/, "5:00:00");
  await press("It was lifted after this");
  await waitFor(() => expect(alerts()[0]).toMatch(/5:00:00 is not between 0:00 and/));
  await type(/^Lifted after/, "2:40");
  await press("It was lifted after this");
  await waitFor(() =>
    expect(kinds()).toMatchObject([{ kind: "lift", data: { remembered: true } }]),
  );
  expect(await screen.findByText("Out of the bath")).toBeVisible();
});

test.each([
  ["It was lifted on time", "lift"],
  ["It was never dipped", "undo"],
])("or: %s", async (button, kind) => {
  const { kinds } = await atTheBath(late(20 * 60));
  await press(button);
  await waitFor(() => expect(kinds()[0]?.kind).toBe(kind));
});

test("a lift later than a bite can be is kept, told, and asked for again", async () => {
  const run = runEarlier(7 * 3600);
  const dip = dipUnderWay(localRun(run, [])) as { event: string; at_seconds: number };
  const lift = { ...run.events[0], id: "late", kind: "lift", data: { dip: dip.event } };
  const at_seconds = dip.at_seconds + 6.5 * 3600;
  const events = [...run.events, { ...lift, at_seconds }] as Run["events"];
  await atTheBath({ ...run, events });
  expect(screen.getByText(/This bite went stale/)).toBeVisible();
  expect(screen.getByText(/No bite is reckoned past 6 h/)).toBeVisible();
});

test("a dip past the plan that was forgotten is asked about, too", async () => {
  const { kinds } = await atTheBath(runFinished(runEarlier(7 * 3600)));
  expect(screen.getByText(/It was begun at/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "It was lifted on time" })).toBeNull();
  await type(/^Lifted after/, "2:40");
  await press("It was lifted after this");
  await waitFor(() => expect(kinds()[0]).toMatchObject({ kind: "lift" }));
});

test("an area the plate does not have is named out of the bath", async () => {
  const run = runWithout(runEarlier(0), ["dip", "lift"]);
  const strange = { ...run.events[0], id: "m", kind: "covered", data: { areas: ["Moon"] } };
  await atTheBath({ ...run, events: [...run.events, strange] as Run["events"] });
  expect(screen.getByText(/An entry names an area that this plate does not have/)).toBeVisible();
});

test("a device whose clock is wrong is told so", async () => {
  const run = runEarlier(0);
  const mine = { ...run.events[0], id: "w", device: deviceId(), clock_was_wrong: true };
  await atTheBath({ ...run, events: [...run.events, mine] as Run["events"] });
  expect(screen.getByText(/This device's clock is wrong: set it/)).toBeVisible();
});

test("a temperature is typed with T, refused out of its limits, and moves the time left", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await userEvent.keyboard("t");
  const field = await screen.findByLabelText("Bath now");
  expect(field).toHaveFocus();
  expect(field).toHaveValue("");
  await userEvent.keyboard("180{Enter}");
  expect(alerts()).toEqual(["Bath now: 180 is not between 0 and 60 °C."]);
  await userEvent.clear(field);
  await userEvent.keyboard("22,5{Enter}");
  await waitFor(() =>
    expect(kinds()).toMatchObject([{ kind: "temperature", data: { celsius: 22.5 } }]),
  );
  expect(await screen.findByText(/^Bath 22.5: \d:\d\d taken off\.$/)).toBeVisible();
  expect(screen.queryByLabelText("Bath now")).toBeNull();
});

test("a temperature that is odd for a bath is asked back, by Enter too, and taken when it is so", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await userEvent.keyboard("t");
  const field = await screen.findByLabelText("Bath now");
  await userEvent.type(field, "45{Enter}");
  expect(alerts()).toEqual(["45 °C is odd for a bath. Is that so?"]);
  expect(screen.queryByRole("button", { name: "Log it" })).toBeNull();
  expect(kinds()).toEqual([]);
  await userEvent.clear(field);
  await userEvent.type(field, "41");
  await press("Yes, I read it twice");
  await waitFor(() =>
    expect(kinds()).toMatchObject([{ kind: "temperature", data: { celsius: 41 } }]),
  );
  expect(screen.queryByLabelText("Bath now")).toBeNull();
});

test("in °F it is typed, refused and shown in °F", async () => {
  const { kinds } = await atTheBath(runEarlier(0), { temperature_unit: "F" });
  expect(screen.getByText("65.3")).toHaveTextContent("65.3°F");
  await press(/Temperature/);
  await userEvent.keyboard("20{Enter}");
  expect(alerts()).toEqual([
    "Bath now: 20 is not between 32 and 140 °F. Did you mean 68 °F (20 °C)?",
  ]);
  await userEvent.clear(screen.getByLabelText("Bath now"));
  await userEvent.keyboard("68{Enter}");
  await waitFor(() => expect(kinds()[0]?.data.celsius).toBeCloseTo(20));
});

test("Esc leaves the question first, then the screen", async () => {
  const { at } = await atTheBath(runEarlier(0));
  await userEvent.keyboard("t");
  await screen.findByLabelText("Bath now");
  await userEvent.keyboard("{Escape}");
  await waitFor(() => expect(screen.queryByLabelText("Bath now")).toBeNull());
  expect(at()).toBe(`/runs/${RUN}`);
  await userEvent.keyboard("{Escape}");
  await waitFor(() => expect(at()).toBe(`/plates/${LANTERN}`));
});

test("Z takes the last back, and says what", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await userEvent.keyboard(" ");
  await screen.findByText("Out of the bath");
  await userEvent.keyboard("z");
  expect(await screen.findByText(/^Took back: /)).toBeVisible();
  expect(await screen.findByRole("timer")).toBeVisible();
  await waitFor(() => expect(kinds().map((event) => event.kind)).toEqual(["lift", "undo"]));
});

test("out of the bath: what to stop out; Space asks before it is covered, C covers, then it dips", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await userEvent.keyboard(" ");
  expect(await screen.findByRole("heading", { name: "Stop out tone 3" })).toBeVisible();
  expect(screen.getByText(/As it lies on the plate: mirrored\./)).toBeVisible();
  expect(screen.getByText(/^cover now, L\*/)).toBeVisible();
  await moment();
  await userEvent.keyboard(" ");
  expect(await screen.findByText("Dip anyway?")).toBeVisible();
  await userEvent.keyboard("c");
  expect(await screen.findByRole("heading", { name: "Covered. Dry?" })).toBeVisible();
  await moment();
  await userEvent.keyboard(" ");
  expect(await screen.findByRole("timer")).toBeVisible();
  expect(screen.getByText("bite 4 of 5")).toBeVisible();
  await waitFor(() =>
    expect(kinds().map((event) => event.kind)).toEqual(["lift", "covered", "dip"]),
  );
});

const LINES = { covers: false, verb: "Draw", done: "Drawn", closed: "not drawn yet" };
const GRAIN = { covers: true, verb: "Open", done: "Opened", closed: "covered for now" };

test("lines are opened up: what to draw before each bite; Space asks before it is drawn", async () => {
  const { kinds } = await atTheBath(runOpeningUp(runEarlier(0), LINES));
  expect(screen.getByRole("heading", { name: "Draw tone 5, then dip" })).toBeVisible();
  expect(screen.getByText(/^draw now,/)).toBeVisible();
  expect(screen.getAllByText(/^not drawn yet,/)).toHaveLength(4);
  expect(screen.getByText("when tone 5 is drawn")).toBeVisible();
  await userEvent.keyboard(" ");
  expect(await screen.findByText("Dip anyway?")).toBeVisible();
  await press(/Drawn/);
  expect(await screen.findByRole("heading", { name: "Drawn. Dip" })).toBeVisible();
  await moment();
  await userEvent.keyboard(" ");
  expect(await screen.findByText(/At zero:/)).toHaveTextContent("Then draw Tone 4");
  await moment();
  await userEvent.keyboard(" ");
  expect(await screen.findByRole("heading", { name: "Draw tone 4, then dip" })).toBeVisible();
  expect(screen.getByText("bite 2 of 5")).toBeVisible();
  await press("drawn");
  await waitFor(() =>
    expect(kinds().map(({ kind, data }) => [kind, data.areas ?? data.open])).toEqual([
      ["opened", ["Tone 5"]],
      ["dip", ["Tone 5"]],
      ["lift", undefined],
      ["opened", ["Tone 4"]],
    ]),
  );
});

test("tones are opened up: covered for now before the first bite, white for good", async () => {
  const { kinds } = await atTheBath(runOpeningUp(runEarlier(0), GRAIN));
  const heading = "Stop out paper. Cover all but tone 5 for now";
  expect(screen.getByRole("heading", { name: heading })).toBeVisible();
  await press(/Covered/);
  expect(await screen.findByRole("heading", { name: "Covered. Dry?" })).toBeVisible();
  expect(screen.getAllByText(/^covered for now,/)).toHaveLength(4);
  await userEvent.keyboard(" ");
  await screen.findByRole("timer");
  await moment();
  await userEvent.keyboard(" ");
  expect(await screen.findByRole("heading", { name: "Open tone 4, then dip" })).toBeVisible();
  await userEvent.keyboard("c");
  expect(await screen.findByRole("heading", { name: "Covered. Dry?" })).toBeVisible();
  await waitFor(() =>
    expect(kinds().map((event) => event.kind)).toEqual(["covered", "dip", "lift", "opened"]),
  );
});

test("rinsed and what is seen or felt are one tap each, and ticked once", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await userEvent.keyboard(" ");
  const rinsed = await screen.findByRole("button", { name: "rinsed" });
  await userEvent.click(rinsed);
  await waitFor(() => expect(rinsed).toHaveAttribute("aria-pressed", "true"));
  await userEvent.click(rinsed);
  await press("feels firm");
  await waitFor(() =>
    expect(kinds().map((event) => event.kind)).toEqual(["lift", "rinsed", "observation"]),
  );
  expect(kinds()[2]?.data).toEqual({ about: "felt depth", text: "firm" });
  expect(screen.getByRole("button", { name: "feels firm", pressed: true })).toBeVisible();
});

test("bubbles are one tap in the bath", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await press("bubbles");
  await waitFor(() => expect(kinds()[0]?.data).toEqual({ about: "", text: "bubbles" }));
});

test.each([
  [null, "Last rinse, by school:", "bicarbonate wipe"],
  ["vinegar and salt" as const, /here as a rule: vinegar and salt/, "vinegar and salt"],
])(
  "the last rinse is asked for once, at the end; the room's own first: %s",
  async (usual, words, first) => {
    const lifted = runFinished(runWithout(runEarlier(0), ["dip", "lift"]));
    const { kinds } = await atTheBath({ ...lifted, usual_rinse: usual });
    const asked = within(screen.getByRole("region", { name: "Last rinse" }));
    expect(asked.getByText(words)).toBeVisible();
    expect(asked.getAllByRole("button")[0]).toHaveTextContent(first);
    await press("water only");
    await waitFor(() =>
      expect(kinds()).toMatchObject([{ kind: "neutralised", data: { how: "water" } }]),
    );
    expect(await screen.findByText("The last rinse is done.")).toBeVisible();
  },
);

const HEAT = { warned_c: 27, hottest_c: 30, warning: "Nitric is near 30 °C.", danger: "Lift now." };

test.each([
  ["26.9", null, null],
  ["27", "status", "Nitric is near 30 °C."],
  ["30,5", "alert", "Lift now."],
])("nitric typed at %s °C, with no line, too", async (celsius, role, words) => {
  const { server } = await atTheBath({ ...runEarlier(0), heat: HEAT });
  server.cutLine(true);
  await userEvent.keyboard("t");
  await type(/^Bath now/, celsius);
  await press("Log it");
  if (role && words) {
    await waitFor(() => expect(screen.getByText(words)).toHaveAttribute("role", role));
  } else {
    await screen.findByText("26.9");
    for (const text of [HEAT.warning, HEAT.danger]) expect(screen.queryByText(text)).toBeNull();
  }
});

test.each([
  [10, 1],
  [3600, 0],
])("a reminder every %s s is given where it falls before the lift: %s", async (every, given) => {
  const run = runEarlier(0);
  await atTheBath({ ...run, care: { ...run.care, every_seconds: every } });
  expect(screen.queryAllByText(/^Rock (in|now)/)).toHaveLength(given);
  expect(screen.getAllByText("In the bath")).toHaveLength(2 - given);
});

test("given in minutes it goes by the clock, however warm the bath is", async () => {
  const run = runEarlier(0);
  const [bite, ...rest] = run.sheet.plan.bites;
  if (!bite) throw new Error("a bite is under way");
  const plan = { ...run.sheet.plan, bites: [{ ...bite, seconds: 545 }, ...rest] };
  await atTheBath({ ...run, sheet: { ...run.sheet, by_clock: true, plan } });
  const left = () => {
    const [, m, s] = /^(\d+):(\d\d) to go$/.exec(
      screen.getByRole("timer").getAttribute("aria-label") ?? "",
    ) as RegExpExecArray;
    return 60 * Number(m) + Number(s);
  };
  const before = left();
  await userEvent.keyboard("t");
  await type(/^Bath now/, "28");
  await press("Log it");
  await screen.findByText("28.0");
  // so much warmer, a bite that counts as at the strip's temperature would lose minutes
  expect(before).toBeGreaterThan(300);
  expect(Math.abs(before - left())).toBeLessThan(30);
  expect(screen.queryByText(/taken off/)).toBeNull();
});

test("rocked is said with F", async () => {
  const { kinds } = await atTheBath(runEarlier(0));
  await userEvent.keyboard("f");
  await waitFor(() => expect(kinds()[0]?.kind).toBe("rocked"));
});

test("no line: the bite is lifted here, kept, said, and sent when there is a line again", async () => {
  const { server, kinds } = await atTheBath(runEarlier(0));
  server.cutLine(true);
  await userEvent.keyboard(" ");
  expect(await screen.findByText("Out of the bath")).toBeVisible();
  expect(await waitingEvents(USER)).toHaveLength(1);
  vi.setSystemTime(NOW_MS + 6_000);
  expect(await screen.findByText("No line. Kept here, sent later.")).toBeVisible();
  server.cutLine(false);
  window.dispatchEvent(new Event("online"));
  await waitFor(() => expect(kinds()).toHaveLength(1));
  await waitFor(async () => expect(await waitingEvents(USER)).toEqual([]));
});

test("what the server refuses stays here with its reason", async () => {
  const { server } = await atTheBath(runEarlier(0));
  server.answer(EVENTS, refuse(422, fault("events.0", "This run is ended.")));
  await userEvent.keyboard(" ");
  expect(await screen.findByText("Kept here, not taken: This run is ended.")).toBeVisible();
});

test("all bites done: what each area comes to; the run is ended and leads to the proof", async () => {
  const lifted = runFinished(runWithout(runEarlier(0), ["dip", "lift"]));
  const { server, at } = await atTheBath(lifted);
  expect(screen.getByText("All bites done")).toBeVisible();
  expect(screen.getByRole("heading", { name: "Bitten" })).toBeVisible();
  expect(screen.getByRole("region", { name: "Last rinse" })).toBeVisible();
  server.answer(`POST /runs/${RUN}/end`, refuse(409, fault("", "The plate is still in the bath.")));
  await press("End the run and proof");
  await waitFor(() => expect(alerts()).toEqual(["The plate is still in the bath."]));
  server.answer(`POST /runs/${RUN}/end`, { body: { ...lifted, outcome: "finished" } });
  await moment();
  await userEvent.keyboard(" ");
  await waitFor(() => expect(at()).toBe(`/plates/${LANTERN}/proofs/new`));
});

test("out of the bath it is set aside with a reason; with none it asks, with no line it says so", async () => {
  const out = runWithout(runEarlier(0), ["dip", "lift"]);
  const { server, at } = await atTheBath(out);
  await userEvent.keyboard("s");
  const send = () => within(screen.getByLabelText("another reason").closest("form") as HTMLElement);
  await userEvent.click(send().getByRole("button", { name: "Set aside" }));
  await waitFor(() => expect(alerts()[0]).toMatch(/Another reason/));
  server.cutLine(true);
  await press("foul bite");
  await waitFor(() => expect(alerts().join()).toMatch(/No line|not reach|line/i));
  server.cutLine(false);
  const ended = { ...out, ended_at: "2026-01-01T10:00:00Z", outcome: "set aside" };
  server.answer(`POST /runs/${RUN}/end`, (body: Body) => ({ body: { ...ended, ...body } }));
  await type("another reason", "the doorbell");
  await userEvent.click(send().getByRole("button", { name: "Set aside" }));
  expect(await screen.findByText("Set aside: the doorbell.")).toBeVisible();
  expect(server.last().body).toEqual({ reason: "the doorbell" });
  expect(at()).toBe(`/plates/${LANTERN}`);
});

test("a lift that is still on its way goes before the end of the run", async () => {
  const { server } = await atTheBath(runEarlier(0));
  let letGo = () => {};
  const slow = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  const ended = { outcome: "set aside", ended_at: "2026-01-01T10:00:00Z" };
  server.answer(EVENTS, async (body: Body) => {
    await slow;
    return { body: withEvents(runEarlier(0), body) };
  });
  server.answer(`POST /runs/${RUN}/end`, (body: Body) => ({
    body: { ...runEarlier(0), ...ended, ...body },
  }));
  await userEvent.keyboard(" ");
  await screen.findByText("Out of the bath");
  await userEvent.keyboard("s");
  await press("tomorrow");
  const calls = () =>
    server.sent.map((each) => each.call).filter((call) => call.startsWith("POST"));
  await waitFor(() => expect(calls()).toEqual([EVENTS]));
  letGo();
  await waitFor(() => expect(calls()).toEqual([EVENTS, `POST /runs/${RUN}/end`]));
  expect(await screen.findByText("Set aside: tomorrow.")).toBeVisible();
});

test.each([
  ["set aside", "Set aside", "tomorrow"],
  ["never dipped", "Never dipped", "wrong plate"],
])("%s: it says so and why, and no key dips it", async (outcome, heading, reason) => {
  const out = runWithout(runEarlier(0), ["dip", "lift"]);
  const { kinds } = await atTheBath({ ...out, outcome, reason, ended_at: "2026-01-01T10:00:00Z" });
  expect(screen.getByRole("heading", { name: heading })).toBeVisible();
  expect(screen.getByText(reason)).toBeVisible();
  expect(screen.getByRole("button", { name: "Ended" })).toBeDisabled();
  await userEvent.keyboard(" s");
  expect(screen.queryByLabelText("another reason")).toBeNull();
  expect(kinds()).toEqual([]);
});

test("in the bath nothing is set aside", async () => {
  await atTheBath(runEarlier(0));
  await userEvent.keyboard("s");
  expect(screen.queryByLabelText("another reason")).toBeNull();
});

test("gone on from: bites count on, what was covered is not asked for again", async () => {
  const out = runWithout(runEarlier(0), ["dip", "lift", "covered"]);
  const closed_before = out.areas.slice(0, 2).map((area) => area.name);
  await atTheBath({ ...out, bites_before: 2, closed_before });
  expect(screen.getByText("Out of the bath")).toBeVisible();
  expect(screen.getByText(/^bite 3 of \d$/)).toBeVisible();
  expect(screen.queryByText(/stop out paper/i)).toBeNull();
});

test("sound is a switch that is kept on this device", async () => {
  await atTheBath(runEarlier(0));
  const sound = screen.getByRole("switch", { name: "Sound" });
  expect(sound).toBeChecked();
  await userEvent.click(sound);
  expect(localStorage.getItem("keen-sound")).toBe("off");
});

test("a run that is not here, and never was on this device, says so", async () => {
  fakeServer();
  openAt("/runs/00000000-0000-0000-0000-000000000000");
  expect(await screen.findByRole("heading", { name: "The run is not here" })).toBeVisible();
});

test("a tick in the bath draws digits only: the metal and its patterns stay the same nodes", async () => {
  const run = runEarlier(0);
  await atTheBath(run);
  const dip = dipUnderWay(localRun(run, []));
  expect(dip).not.toBeNull();
  const patterns = document.querySelector("svg defs");
  const digits = screen.getByRole("timer").textContent;
  await waitFor(() => expect(screen.getByRole("timer").textContent).not.toBe(digits));
  expect(document.querySelector("svg defs")).toBe(patterns);
});
