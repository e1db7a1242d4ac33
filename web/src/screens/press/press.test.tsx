import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Press } from "../../api/editions";
import { happened } from "../../device/happened";
import { foldPulls } from "../../device/pullFold";
import { dropEvents, waitingEvents } from "../../device/store";
import { type Body, fakeServer, plateId, told } from "../../testing/server";
import { openAt } from "../../testing/show";

const USER = told<{ me: { id: string } }>("/api/session").me.id;
const CLOSING = plateId("Closing Time");
const EVENTS = `POST /plates/${CLOSING}/pulls/events`;
const PRESS = `GET /plates/${CLOSING}/press`;

const key = (keys: string) => userEvent.keyboard(keys);

beforeEach(async () => {
  sessionStorage.clear();
  await dropEvents((await waitingEvents(USER)).map((each) => each.id));
});

/** The press of a plate, on a server that keeps what it is told. */
async function atThePress(change: Partial<Press> = {}, as = {}) {
  let now = { ...told<Press>(`/plates/${CLOSING}/press`), ...change };
  const server = fakeServer({
    [PRESS]: () => ({ body: now }),
    [EVENTS]: (body: Body) => {
      const events = [...now.events, ...(body.events as never[]).map((each) => happened(each))];
      now = { ...now, events: events as never, state: foldPulls(events as never) };
      return { body: now };
    },
  });
  openAt(`/plates/${CLOSING}/pull`, as);
  await screen.findByRole("heading", { name: "Closing Time" });
  return server;
}

const logged = (server: { sent: { call: string; body: Body }[] }) =>
  server.sent
    .filter((each) => each.call === EVENTS)
    .flatMap(({ body }) => body.events as { kind: string; data: Body }[]);

const verb = (word: string) => screen.findByRole("heading", { name: word });

test("the foot switch goes through a pull, each touch one event with its time", async () => {
  const server = await atThePress();
  for (const word of ["Ink", "Wipe", "Lay", "Pull"]) {
    await verb(word);
    await key(" ");
  }
  await screen.findByText(/^Write on it:/);
  await waitFor(() =>
    expect(new Set(logged(server).map((each) => each.kind))).toEqual(
      new Set(["inked", "wiped", "paper-out", "laid", "pulled"]),
    ),
  );
  const of = (kind: string) => logged(server).find((each) => each.kind === kind);
  const [inked, wiped, laid] = [of("inked"), of("wiped"), of("laid")];
  expect(inked?.data).toMatchObject({ name: "Lamp black", celsius: 31 });
  expect(wiped?.data.passes).toEqual(["gauze 2 min", "paper 1 min", "hand, chalk"]);
  expect(laid?.data).toMatchObject({ checked: ["limp", "no shine", "edges wiped"] });
});

test("with no line it goes on, and the number is to come", async () => {
  const server = await atThePress();
  await verb("Ink");
  server.cutLine(true);
  for (const word of ["Ink", "Wipe", "Lay", "Pull"]) {
    await verb(word);
    await key(" ");
  }
  await userEvent.click(await screen.findByRole("button", { name: /^Sign it/ }));
  await verb("Ink");
  expect(await screen.findByText(/number to come/)).toBeInTheDocument();
  expect(await waitingEvents(USER)).toHaveLength(6);
});

test("the wipe map is told in words: what to leave, what to clean", async () => {
  await atThePress();
  await verb("Ink");
  await key(" ");
  expect(await screen.findByText(/Leave the sky and the near stones\./)).toBeInTheDocument();
  expect(screen.getByText(/Clean the lamp and the light on the ground\./)).toBeInTheDocument();
});

test("without a map and without an order it says to wipe evenly", async () => {
  const empty = told<Press>(`/plates/${CLOSING}/press`);
  await atThePress({
    events: [],
    state: { ...empty.state, patches: [], pulls: [], batches: [] },
    decided: { ...empty.decided, wipes: [] },
    labels: [],
    checks: [],
  });
  await verb("Ink");
  expect(screen.getByText("No paper in the damp.")).toBeInTheDocument();
  await key(" ");
  expect(await screen.findByText(/Evenly all over/)).toBeInTheDocument();
});

test("a patch is added by hand or by keys, named, and kept as the print lies", async () => {
  const server = await atThePress();
  await verb("Ink");
  await userEvent.click(screen.getByRole("button", { name: /Change the wipe map/ }));
  await userEvent.click(screen.getByRole("button", { name: "Whiting" }));
  await userEvent.click(screen.getByRole("button", { name: "Add a patch" }));
  await key("{ArrowRight}");
  await userEvent.type(screen.getByLabelText("Name of patch 5"), "the spot");
  await userEvent.click(screen.getByRole("button", { name: "Keep the wipe map" }));
  await waitFor(() => expect(logged(server)).toHaveLength(1));
  const patches = logged(server)[0]?.data.patches as {
    kind: string;
    name: string;
    points: number[][];
  }[];
  expect(patches).toHaveLength(5);
  expect(patches[4]).toMatchObject({ kind: "whiting", name: "the spot" });
  // moved to the right as the plate lies: to the left on the print
  expect(patches[4]?.points[0]?.[0]).toBeCloseTo(0.4 * 180 - 2, 1);
});

test("while the map is painted the foot switch does nothing", async () => {
  const server = await atThePress();
  await verb("Ink");
  await key("m");
  await screen.findByRole("button", { name: "Keep the wipe map" });
  await key(" ");
  expect(logged(server)).toHaveLength(0);
  await key("{Escape}");
  await key(" ");
  await verb("Wipe");
});

test("paper fresh in the damp is laid from its own batch, not from the last one emptied", async () => {
  const fresh = "00000000-0000-4000-8000-0000000000aa";
  const now = told<Press>(`/plates/${CLOSING}/press`);
  const last = now.events.at(-1) as Press["events"][number];
  const at = last.at_seconds + 1;
  const all = now.state.batches
    .filter((each) => each.left > 0)
    .map((each, n) => ({
      ...last, id: `${fresh.slice(0, -2)}b${n}`, kind: "paper-out", at_seconds: at, data: { batch: each.event, pieces: null },
    })); // biome-ignore format: one event
  const paper = { ...last, id: fresh, kind: "paper-in", at_seconds: at + 1, data: { pieces: 3 } };
  const inked = [...now.events, ...all, paper] as Press["events"];
  const server = await atThePress({ events: inked, state: foldPulls(inked as never) });
  for (const word of ["Ink", "Wipe", "Lay"]) {
    await verb(word);
    await key(" ");
  }
  const laid = () => logged(server).find((each) => each.kind === "laid");
  await waitFor(() => expect(laid()).toBeDefined());
  expect(laid()?.data.batch).toBe(fresh);
});

test("a quarter turn either way is said, with the passes as they are", async () => {
  const server = await atThePress();
  await verb("Ink");
  await userEvent.click(screen.getByRole("button", { name: "A quarter more: darker" }));
  await waitFor(() => expect(logged(server)[0]?.data).toMatchObject({ quarters: 8, passes: 1 }));
  expect(screen.getAllByText("2").length).toBeGreaterThan(0);
});

async function justPulled(change: Partial<Press> = {}) {
  const server = await atThePress(change);
  for (const word of ["Ink", "Wipe", "Lay", "Pull"]) {
    await verb(word);
    await key(" ");
  }
  await screen.findByText(/^Write on it:/);
  return server;
}

test("spoiled asks why, and the reason goes with it", async () => {
  const server = await justPulled();
  await key("x");
  await userEvent.click(await screen.findByRole("button", { name: "creased" }));
  await waitFor(() => expect(logged(server).at(-1)?.kind).toBe("spoiled"));
  expect(logged(server).at(-1)?.data.reason).toBe("creased");
  await verb("Ink");
});

test("before the OK a signature asks for its reason", async () => {
  const server = await justPulled({ ok: null });
  await key(" ");
  await userEvent.click(await screen.findByRole("button", { name: "a gift" }));
  await waitFor(() => expect(logged(server).at(-1)?.kind).toBe("signed"));
  expect(logged(server).at(-1)?.data).toMatchObject({ series: "edition", reason: "a gift" });
});

test("tones are typed with a comma too; one that cannot be is named and kept", async () => {
  const server = await justPulled();
  await key("r");
  const panel = within(await screen.findByRole("region", { name: "How it reads" }));
  await userEvent.type(panel.getByLabelText("Sky, L*"), "31,5");
  await userEvent.type(panel.getByLabelText("Shutter, L*"), "400");
  await userEvent.click(panel.getByRole("button", { name: "dirty edges" }));
  await userEvent.click(panel.getByRole("button", { name: "Keep the reading" }));
  expect(await panel.findByRole("alert")).toHaveTextContent("Shutter: L* from 0 to 105");
  await userEvent.clear(panel.getByLabelText("Shutter, L*"));
  await userEvent.click(panel.getByRole("button", { name: "Keep the reading" }));
  await waitFor(() => expect(logged(server).at(-1)?.kind).toBe("pull-read"));
  expect(logged(server).at(-1)?.data).toMatchObject({
    areas: [{ name: "Sky", lstar: 31.5 }],
    seen: ["edges-dirty"],
  });
});

test("as an artist's proof; a pull left for later; the last word taken back", async () => {
  const server = await justPulled();
  await userEvent.click(screen.getByRole("button", { name: "Artist's proof" }));
  const [, sign] = screen.getAllByRole("button", { name: /^Artist's proof/ });
  await userEvent.click(sign as HTMLElement);
  await waitFor(() => expect(logged(server).at(-1)?.data.series).toBe("artist"));
  await verb("Ink");
  await key("z");
  await waitFor(() => expect(logged(server).at(-1)?.kind).toBe("undo"));
  // the signature stays: what is taken back is the pull's reading or its paper, never the number
  expect(logged(server).at(-1)?.data.event).not.toBe(
    (logged(server).find((each) => each.kind === "signed") as { id?: string }).id,
  );
});

test("pulled again leaves this one for later, also after the page was closed", async () => {
  await justPulled();
  await key("a");
  await verb("Ink");
  expect(sessionStorage.length).toBe(1);
});

test("ink left on the plate is an alarm until somebody says it is clean", async () => {
  const first = told<Press>(`/plates/${CLOSING}/press`);
  const inked = first.events.filter((each) => each.kind !== "plate-cleaned");
  const server = await atThePress({
    events: inked,
    dries_seconds: 1,
    state: foldPulls(inked as never),
  });
  expect(await screen.findByRole("alert")).toHaveTextContent("Ink is setting in the lines");
  await key("k");
  await waitFor(() => expect(logged(server).at(-1)?.kind).toBe("plate-cleaned"));
  await waitFor(() => expect(screen.queryByRole("alert")).toBeNull());
});

test("a note is typed where there is no microphone", async () => {
  const server = await atThePress();
  await verb("Ink");
  await key("n");
  await userEvent.type(await screen.findByLabelText("Note"), "room is cold");
  await userEvent.click(screen.getByRole("button", { name: "Keep the note" }));
  await waitFor(() => expect(logged(server)[0]).toMatchObject({ kind: "pull-noted" }));
  expect(logged(server)[0]?.data.text).toBe("room is cold");
});

test("a cancelled plate prints no more", async () => {
  await atThePress({ cancelled: true });
  expect(await screen.findByRole("button", { name: /Cancelled/ })).toBeDisabled();
});

test("an edition numbered dry puts the sheet to dry; its number comes at the desk", async () => {
  const server = await justPulled({ order: "dried" });
  expect(screen.getByText(/It is numbered when it is dry/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: /^To dry/ }));
  await waitFor(() => expect(logged(server).at(-1)?.kind).toBe("hung"));
  expect(logged(server).at(-1)?.data).toMatchObject({ how: "blotters", days: 2 });
  await verb("Ink");
});
