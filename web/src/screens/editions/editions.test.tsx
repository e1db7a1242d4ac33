import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Edition, PaperPlan, Press } from "../../api/editions";
import { dropEvents, waitingEvents } from "../../device/store";
import { type Body, fakeServer, fault, plateId, refuse, told } from "../../testing/server";
import { alerts, openAt, type } from "../../testing/show";

const USER = told<{ me: { id: string } }>("/api/session").me.id;
const CLOSING = plateId("Closing Time");
const AT = `/plates/${CLOSING}`;
const edition = () => told<Edition>(`${AT}/edition`);
const EVENTS = `POST ${AT}/pulls/events`;

const key = (keys: string) => userEvent.keyboard(keys);

beforeEach(async () => {
  await dropEvents((await waitingEvents(USER)).map((each) => each.id));
});

async function atTheEdition(change: Partial<Edition> = {}, more = {}) {
  const now = { ...edition(), ...change };
  const server = fakeServer({ [`GET ${AT}/edition`]: { body: now }, ...more });
  openAt(`${AT}/edition`);
  await screen.findByRole("heading", { name: new RegExp(now.sentence.slice(0, 12)) });
  return server;
}

test("the answer leads: from which number it is too pale, and how far that is known", async () => {
  await atTheEdition();
  const now = edition();
  expect(screen.getByText(`(${now.range_text})`)).toBeInTheDocument();
  expect(
    screen.getByText(/Edition of 20: 11 done, 2 spoiled, 2 artist's proofs, 16 pulls\./),
  ).toBeInTheDocument();
  expect(screen.getByRole("link", { name: /Pull no\. 12/ })).toHaveAttribute(
    "href",
    expect.stringMatching(/\/pull$/),
  );
});

test("what is still needed, with what is to spare", async () => {
  await atTheEdition();
  const { needs } = edition();
  expect(screen.getByRole("heading", { name: "Still needed for 9 more" })).toBeInTheDocument();
  expect(screen.getByText(new RegExp(`from ${needs.counted} pulls in a row`))).toBeInTheDocument();
});

test("no edition yet: it says how to begin, and sends what was typed", async () => {
  let sent: Body = {};
  await atTheEdition(
    { version: 0, sentence: "No edition yet: say how many.", rows: [], range_text: "" },
    { [`PUT ${AT}/edition`]: (body: Body) => { sent = body; return { body: edition() }; } },
  ); // biome-ignore format: one call
  await type("Impressions", "12");
  await userEvent.click(screen.getByRole("button", { name: "Begin" }));
  await waitFor(() => expect(sent).toMatchObject({ version: 0, size: 12, order: "pulled" }));
});

test("smaller than what is numbered: the field says from how many on", async () => {
  await atTheEdition({}, {
    [`PUT ${AT}/edition`]: refuse(422, fault("size", "11 impressions are numbered already, and a number once signed stays.", { allowed: "at least 11" })),
  }); // biome-ignore format: one call
  await type("Impressions", "5");
  await userEvent.click(screen.getByRole("button", { name: "Keep" }));
  expect(await screen.findByText(/11 impressions are numbered already/)).toBeInTheDocument();
  expect(screen.getByLabelText("Impressions")).toHaveValue("5");
});

const rowOf = (change: Partial<Edition["rows"][number]>) => {
  const now = edition();
  const last = now.rows.at(-1) as Edition["rows"][number];
  return { rows: [...now.rows.slice(0, -1), { ...last, ...change }] };
};

test("a pull left unsigned is signed under a free number; a taken one is refused with its words", async () => {
  const bodies: Body[] = [];
  await atTheEdition(rowOf({ state: "unsigned", label: "not signed", number: null, series: null }), {
    [`POST ${AT}/edition/sign`]: (body: Body) => {
      bodies.push(body);
      return refuse(422, fault("number", "No. 3 is taken or not of this edition: numbers are never given twice.", { allowed: "one of 11, 12" }));
    },
  }); // biome-ignore format: one call
  await userEvent.click(screen.getByRole("button", { name: /^Sign the pull of/ }));
  await userEvent.type(screen.getByLabelText("Number"), "3");
  await userEvent.click(screen.getByRole("button", { name: "Sign it" }));
  expect(await screen.findByText(/No\. 3 is taken/)).toBeInTheDocument();
  expect(bodies[0]).toMatchObject({ number: 3, series: "edition" });
});

test("a numbered one that is spoiled later stands void, and says its number stays taken", async () => {
  const server = await atTheEdition();
  await userEvent.click(screen.getByRole("button", { name: "Spoiled: no. 11" }));
  expect(screen.getByText("Its number stays taken.")).toBeInTheDocument();
  await userEvent.type(screen.getByLabelText("Why"), "torn in drying");
  await userEvent.click(screen.getByRole("button", { name: "It is void" }));
  await waitFor(() => expect(server.sent.some((each) => each.call === EVENTS)).toBe(true));
});

test("arrows choose an impression; W asks what scratching now would do", async () => {
  const server = await atTheEdition({}, { [`GET ${AT}/edition?after=16`]: { body: edition() } });
  await key("{ArrowLeft}");
  await key("w");
  await screen.findByRole("button", { name: "As it stands" });
  expect(server.sent).toHaveLength(0);
});

test("cancelling asks first, with the safe answer in hand", async () => {
  const sent: Body[] = [];
  await atTheEdition({}, { [`POST ${AT}/edition/cancel`]: (body: Body) => { sent.push(body); return { body: edition() }; } }); // biome-ignore format: one call
  await userEvent.click(screen.getByRole("button", { name: "Cancel the plate" }));
  const dialog = within(await screen.findByRole("dialog"));
  await waitFor(() => expect(dialog.getByRole("button", { name: "Leave it" })).toHaveFocus());
  await userEvent.click(dialog.getByRole("button", { name: "Cancelled: scored through" }));
  await waitFor(() => expect(sent[0]).toMatchObject({ how: "scored through" }));
});

test("the certificate tells of what is on the record and of nothing else", async () => {
  fakeServer();
  openAt(`${AT}/certificate`);
  await screen.findByText("9 are not printed yet: it certifies what is.");
  const numbers = within(screen.getByRole("list", { name: "Numbers of the edition" }));
  expect(numbers.getByText("11")).toBeInTheDocument();
  expect(numbers.getByText("12 not printed")).toBeInTheDocument();
  expect(
    screen.getByText(/and AP 1, AP 2\. No other impression was numbered\./),
  ).toBeInTheDocument();
  expect(screen.getByText("2, none of them numbered")).toBeInTheDocument();
});

test("a void number is told on the certificate", async () => {
  fakeServer({
    [`GET ${AT}/edition`]: { body: { ...edition(), ...rowOf({ state: "void" }), void: 1 } },
  });
  openAt(`${AT}/certificate`);
  expect(await screen.findByText("3, void: 11")).toBeInTheDocument();
});

async function atThePaper(change: Partial<PaperPlan> = {}, as = {}) {
  const server = fakeServer({
    [`GET ${AT}/paper`]: { body: { ...told<PaperPlan>(`${AT}/paper`), ...change } },
  });
  openAt(`${AT}/paper`, as);
  await screen.findByRole("heading", { name: "Put paper in" });
  return server;
}

test("how many sheets, how they are torn, what lies in the damp with its clock", async () => {
  await atThePaper();
  expect(screen.getByRole("heading", { name: /sheets for 23: 6 pieces each/ })).toBeInTheDocument();
  expect(screen.getByText(/Fold the 760 mm side into thirds/)).toBeInTheDocument();
  expect(screen.getByText("3 of 4 left")).toBeInTheDocument();
});

test("ink is weighed out for the first inking, each next one, and in its parts", async () => {
  await atThePaper();
  const { ink } = told<PaperPlan>(`${AT}/paper`);
  expect(screen.getByText(String(ink.first_g))).toBeInTheDocument();
  expect(screen.getByText(/black [\d.]+ g, medium [\d.]+ g\./)).toBeInTheDocument();
});

test("in inches no millimetre is left", async () => {
  await atThePaper({}, { length_unit: "in", temperature_unit: "F" });
  expect(await screen.findByText(/Fold the 29\.92 in side into thirds/)).toBeInTheDocument();
  expect(document.querySelector("main")?.textContent).not.toMatch(/\d mm\b|°C/);
});

test("paper too small says what would do, in the user's unit", async () => {
  await atThePaper({
    sheets: null,
    fault: fault("sheet_mm", "The paper is smaller than the plate. Take a larger sheet.", { allowed: "at least 180 by 130", unit: "mm" }) as PaperPlan["fault"],
  }); // biome-ignore format: one call
  expect(alerts().join()).toContain("Allowed: at least 180 by 130 mm.");
  expect(
    screen.getByRole("heading", { name: "This paper does not take the plate." }),
  ).toBeInTheDocument();
});

test("paper goes in with whose it is; one piece comes out and can be taken back", async () => {
  const server = await atThePaper();
  await type("Pieces", "5");
  await type("Whose", "student");
  await userEvent.click(screen.getByRole("button", { name: "Paper in" }));
  await waitFor(() => expect(server.sent.some((each) => each.call === EVENTS)).toBe(true));
  const [event] = server.last().body.events as { kind: string; data: Body }[];
  expect(event).toMatchObject({
    kind: "paper-in",
    data: { pieces: 5, whose: "student", school: "soft-soak", latest_seconds: 7200 },
  });
  await userEvent.click(screen.getAllByRole("button", { name: "One out" })[0] as HTMLElement);
  await screen.findByText("One piece out. Blot it.");
});

test("how it is printed is kept with the order of wiping as a list", async () => {
  let sent: Body = {};
  fakeServer({ [`PUT ${AT}/press`]: (body: Body) => { sent = body; return { body: told<Press>(`${AT}/press`) }; } }); // biome-ignore format: one call
  openAt(`${AT}/paper`);
  await type("Wiping, in order", "gauze, hand");
  await userEvent.click(screen.getByRole("button", { name: "Keep" }));
  await waitFor(() => expect(sent.wipes).toEqual(["gauze", "hand"]));
  expect(sent.margin_mm).toBe(50);
});

test("sheets that were not put to dry are hung in one touch, with the day they are dry", async () => {
  const server = await atTheEdition(rowOf({ dry_seconds: null }));
  expect(screen.getByText(/1 sheet not put to dry yet: between blotters/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Put to dry" }));
  await waitFor(() => expect(server.last()?.call).toBe(EVENTS));
  const [event] = server.last().body.events as { kind: string; data: Body }[];
  expect(event).toMatchObject({ kind: "hung", data: { how: "blotters", days: 2 } });
});

test("paper past its time is told as an alarm", async () => {
  const now = told<Press>(`${AT}/press`);
  const early = now.events.map((each) =>
    each.kind === "paper-in" ? { ...each, at_seconds: each.at_seconds - 9000 } : each,
  );
  fakeServer({ [`GET ${AT}/press`]: { body: { ...now, events: early } } });
  openAt(`${AT}/paper`);
  await waitFor(() => expect(alerts().join()).toContain("Take it out now"));
});
