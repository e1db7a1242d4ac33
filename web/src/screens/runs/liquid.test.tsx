import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Instrument } from "../../api/instruments";
import type { Run } from "../../api/runs";
import { fold } from "../../device/fold";
import { dropEvents, waitingEvents } from "../../device/store";
import { RUN, runEarlier, runWithout, withEvents } from "../../testing/run";
import { type Body, fakeServer, listed, NOW_MS, told } from "../../testing/server";
import { openAt, press, type } from "../../testing/show";

const USER = told<{ me: { id: string } }>("/api/session").me.id;
const EVENTS = `POST /runs/${RUN}/events`;
const NOW = NOW_MS / 1000;
const probe = (ago: number, more = {}): Run["probe"] => ({
  name: "Probe in Amber",
  at_seconds: NOW - ago,
  celsius: 17.4,
  silent_after_seconds: 20,
  why: "",
  ...more,
});

beforeEach(async () => {
  await dropEvents((await waitingEvents(USER)).map((each) => each.id));
});

/** Lifted: the bite under way was never dipped, those before it were made. */
function outOfBath(): Run {
  const run = runEarlier(0);
  const last = run.state.dips.at(-1)?.event;
  const events = run.events.filter((event) => event.id !== last);
  return { ...run, events, state: fold(events, run.bath_line) };
}

async function atTheBath(run: Run, as = {}) {
  let now = run;
  const server = fakeServer({
    [`GET /runs/${RUN}`]: () => ({ body: now }),
    [EVENTS]: (body: Body) => {
      now = withEvents(now, body);
      return { body: now };
    },
  });
  openAt(`/runs/${RUN}`, as);
  await screen.findByRole("heading", { name: "Lantern Row" });
  const said = () =>
    server.sent
      .filter((each) => each.call === EVENTS)
      .flatMap(({ body }) => body.events as { kind: string; data: Body }[]);
  return { server, said };
}

test("a live probe stands at the temperature; nothing is said of it", async () => {
  await atTheBath({ ...runEarlier(0), probe: probe(4) });
  expect(screen.getByText(/^Probe/)).toHaveTextContent("Probe ×");
  expect(screen.queryByText(/silent/)).toBeNull();
});

test("a silent probe is said, with its last word, and the bite goes on", async () => {
  await atTheBath({ ...runEarlier(0), probe: probe(40) }, { temperature_unit: "F" });
  expect(screen.getByText(/Probe silent since .*, 63\.3 °F\. Type it: T\./)).toBeVisible();
  expect(screen.getByRole("button", { name: /Lift/ })).toBeEnabled();
});

test("a word of the probe that is not believed says why", async () => {
  const why = "Outside 0 to 60 °C: not in a bath.";
  await atTheBath({ ...runEarlier(0), probe: probe(4, { celsius: 85, why }) });
  expect(screen.getByText(`Probe says 85.0 °C. ${why}`)).toBeVisible();
});

test("what a probe read in the bite moves the clock, as what is typed does", async () => {
  const run = runEarlier(0);
  const dip = run.state.dips.at(-1);
  if (!dip) throw new Error("no dip");
  const line: Run["bath_line"] = [...run.bath_line, [dip.at_seconds + 5, 12]];
  await atTheBath({ ...run, bath_line: line, probe: probe(4, { celsius: 12 }) });
  expect(screen.getByText(/Bath 12\.0: \d+:\d\d put on since the dip\./)).toBeVisible();
});

test("if it goes wrong is one press away, with no line too, and Esc is back at the bath", async () => {
  const { server } = await atTheBath(runEarlier(0));
  server.cutLine(true);
  await userEvent.keyboard("w");
  expect(await screen.findByRole("heading", { name: "If it goes wrong" })).toBeVisible();
  expect(screen.getByText(/In eyes: water for 15 minutes, then a doctor\. Follow/)).toBeVisible();
  await userEvent.keyboard("{Escape}");
  await waitFor(() =>
    expect(screen.queryByRole("heading", { name: "If it goes wrong" })).toBeNull(),
  );
  await press("Gone wrong?");
  expect(await screen.findByRole("button", { name: "Back to the bath" })).toBeVisible();
});

test("a companion scrap is read out of the bath, logged with its bite, and said", async () => {
  const { said } = await atTheBath(outOfBath());
  await userEvent.keyboard("k");
  await type(/The scrap reads L\*/, "58,5");
  await press("Log it");
  await waitFor(() =>
    expect(said().at(-1)).toMatchObject({ kind: "scrap", data: { lstar: 58.5 } }),
  );
  expect(await screen.findByText(/The scrap reads L\* 58\.5: the bites that remain/)).toBeVisible();
  expect(screen.getByRole("button", { name: "scrap read" })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
});

test("what the densitometer says of a scrap is taken by one press", async () => {
  const [meter] = told<{ items: Instrument[] }>("/instruments").items.filter(
    (each) => each.kind === "densitometer",
  );
  const last_at = new Date(NOW_MS - 20_000).toISOString();
  const now = { ...meter, last_kind: "lstar", last_value: 58.46, last_unit: "L*", last_at };
  const { said, server } = await atTheBath(outOfBath());
  server.answer("GET /instruments", { body: listed([{ ...now, last_why: "" }]) });
  await userEvent.keyboard("k");
  await press("Take 58.46");
  expect(screen.getByLabelText(/The scrap reads L\*/)).toHaveValue("58.46");
  await press("Log it");
  await waitFor(() =>
    expect(said().at(-1)).toMatchObject({ kind: "scrap", data: { lstar: 58.46 } }),
  );
});

test("in the bath no scrap is asked for", async () => {
  await atTheBath(runEarlier(0));
  await userEvent.keyboard("k");
  expect(screen.queryByLabelText(/The scrap reads/)).toBeNull();
});

test("goggles, gloves and extraction are said once, by G", async () => {
  const { said } = await atTheBath(runWithout(runEarlier(0), ["dip", "lift"]));
  await userEvent.keyboard("g");
  await waitFor(() => expect(said().at(-1)).toMatchObject({ kind: "protected" }));
});
