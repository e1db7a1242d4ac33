import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Strip } from "../../api/strips";
import { API, fakeServer, fault, NOW_MS, refuse, stripId, told } from "../../testing/server";
import { clock } from "../../ui/times";
import { alerts, openAt, pick, press, rowsOf, type } from "../../testing/show";

const ROSIN = stripId("Rosin last week");
const strip = told<Strip>(`/strips/${ROSIN}`);
const POINT = {
  lstar: 42,
  lstar_low: 40,
  lstar_high: 44,
  seconds: 411,
  seconds_low: 386,
  seconds_high: 445,
  reachable: true,
};
const ASK = `POST /strips/${ROSIN}/ask`;

async function reading(as = {}) {
  const server = fakeServer({ "POST /strips": { body: { ...strip, id: ROSIN } } });
  const page = openAt("/strips/new", as);
  await screen.findByRole("heading", { name: "Read a strip" });
  return { server, ...page };
}

test("a strip is sent as it was read: unread patches are not, times as seconds", async () => {
  const { server, at } = await reading();
  await type("Name", "Ferry strip");
  await type("Bath temperature", "18,5");
  await type("Patch 1, time in all", "45 s");
  await type("Patch 1, L*", "87");
  await type("Patch 3, L*", "69,5");
  await press("Each patch in one dip");
  await press("See the curve");
  await waitFor(() => expect(at()).toBe(`/strips/${ROSIN}`));
  expect(server.sent[0]?.body).toMatchObject({
    name: "Ferry strip",
    bitten: "once",
    conditions: { mordant: "copper-ferric", temperature_c: 18.5, load_g_per_l: 0, baume: null },
    patches: [
      { seconds: 45, lstar: 87, left_out: false },
      { seconds: 120, lstar: 69.5, left_out: false },
    ],
    read_on: new Date(NOW_MS).toISOString().slice(0, 10),
  });
});

test("faults of the head and of the patches stand all together", async () => {
  const { server } = await reading();
  await type("Bath temperature", "180");
  await type("Patch 2, L*", "140");
  await type("Patch 4, time in all", "soon");
  await type("Patch 4, L*", "40");
  await press("See the curve");
  const said = screen.getAllByRole("alert").map((each) => each.textContent);
  expect(said.join(" ")).toContain("Name: nothing is written yet.");
  expect(said.join(" ")).toContain("Bath temperature: 180 is not between 0 and 60 °C.");
  expect(said.join(" ")).toContain("Patch 2, L*: 140 is not between 0 and 105 L*.");
  expect(said.join(" ")).toContain("Patch 4, time in all: “soon” is not a time");
  expect(screen.getByLabelText("Patch 2, L*")).toBeInvalid();
  expect(server.sent).toEqual([]);
});

test("a fault of the server stands at the patch it names, unread ones before it or not", async () => {
  const { server } = await reading();
  await type("Name", "Ferry strip");
  await type("Bath temperature", "18");
  await type("Patch 2, L*", "80");
  await type("Patch 5, L*", "81");
  const lighter = "A longer bite cannot print lighter.";
  server.answer("POST /strips", refuse(422, fault("patches.1.lstar", lighter)));
  await press("See the curve");
  await waitFor(() => expect(screen.getByLabelText("Patch 5, L*")).toBeInvalid());
  expect(screen.getByLabelText("Patch 2, L*")).toBeValid();
  expect(alerts().join()).toContain(`Patch 5, L*: ${lighter}`);
});

test("the numbers of a bath are taken over, in °F for who reads °F", async () => {
  await reading({ temperature_unit: "F" });
  await pick(/Take the numbers from/, "Amber tray");
  expect(screen.getByLabelText("Bath temperature")).toHaveValue("65.3");
  expect(screen.getByLabelText("Metal in the bath")).toHaveValue("17");
  expect(screen.getByLabelText("Hydrometer, if read")).toHaveValue("42");
});

test("another patch doubles the last time; the ground may be one of those offered", async () => {
  await reading();
  await press("Add a patch");
  expect(screen.getByLabelText("Patch 7, time in all")).toHaveValue("32:00");
  await userEvent.clear(screen.getByLabelText("Ground"));
  await userEvent.click(await screen.findByRole("option", { name: "sprayed dots" }));
  expect(screen.getByLabelText("Ground")).toHaveValue("sprayed dots");
});

test("a half-read strip is there again when one comes back to it", async () => {
  const { router } = await reading();
  await type("Name", "Ferry strip");
  await type("Patch 1, L*", "87");
  await router.navigate(`${API.replace("/api/rooms", "/r")}/strips`);
  await screen.findByRole("heading", { name: "Strips" });
  await router.navigate(-1);
  expect(await screen.findByLabelText("Patch 1, L*")).toHaveValue("87");
  expect(screen.getByText(/typed before stands here again/)).toBeVisible();
});

test("a strip is asked both ways, by hand and by arrow keys", async () => {
  const server = fakeServer({ [ASK]: { body: { points: [POINT] } } });
  openAt(`/strips/${ROSIN}`);
  expect(await screen.findByText("6:51", { selector: "b" })).toBeVisible();
  expect(screen.getByText("(6:26 to 7:25)")).toBeVisible();
  await type("Tone wanted", "50,5");
  await waitFor(() => expect(server.last().body.lstar).toEqual([50.5]));
  await type("Tone wanted", "dark");
  expect(screen.getByLabelText("Tone wanted")).toBeInvalid();
  (document.activeElement as HTMLElement).blur();
  await userEvent.keyboard("{ArrowUp}{ArrowUp}{ArrowDown}");
  await waitFor(() => expect(screen.getByLabelText("Tone wanted")).toHaveValue("51.5"));
  await press("A time");
  await type("Time in the bath", "5:00");
  await waitFor(() => expect(server.last().body.seconds).toEqual([300]));
  expect(screen.getByText(/it prints L\*/)).toHaveTextContent("it prints L* 42 (40 to 44)");
});

test("the same question in one of today's baths, and what is beyond the strip says so", async () => {
  const beyond = { ...POINT, reachable: false, lstar: 24 };
  const server = fakeServer({
    [ASK]: ({ bath }) => ({ body: { points: [bath ? { ...POINT, seconds: 500 } : beyond] } }),
  });
  openAt(`/strips/${ROSIN}`);
  expect(await screen.findByText(/Beyond this strip. Nearest: L\* 24/)).toBeVisible();
  await pick(/In which bath/, "Amber tray");
  expect(await screen.findByText("8:20 (6:26 to 7:25)")).toBeVisible();
  expect(server.last().body.bath).not.toBeNull();
});

test("a patch is chosen by key and left out with X, which sends all patches anew", async () => {
  const out = {
    ...strip,
    readings: strip.readings.map((patch, i) => ({ ...patch, left_out: i === 1 })),
  };
  const server = fakeServer({
    [ASK]: { body: { points: [POINT] } },
    [`PUT /strips/${ROSIN}`]: { body: out },
  });
  openAt(`/strips/${ROSIN}`);
  await screen.findByRole("table");
  await userEvent.keyboard("{ArrowRight}{ArrowRight}x");
  expect(await screen.findByText("Patch 2 left out. Fitted again.")).toBeVisible();
  const put = server.sent.filter((each) => each.call.startsWith("PUT"));
  const patches = put.flatMap(({ body }) => body.patches as { left_out: boolean }[]);
  expect(patches.map((patch) => patch.left_out)).toEqual(strip.readings.map((_, i) => i === 1));
  expect(await screen.findByRole("button", { name: /Put it back/ })).toBeVisible();
});

test("a patch is typed anew: its time in all and its tone, the others stay as they are", async () => {
  const server = fakeServer({
    [ASK]: { body: { points: [POINT] } },
    [`PUT /strips/${ROSIN}`]: { body: strip },
  });
  openAt(`/strips/${ROSIN}`);
  await screen.findByRole("table");
  await userEvent.keyboard("{ArrowRight}{ArrowRight}e");
  expect(screen.getByRole("heading", { name: "Patch 2" })).toBeVisible();
  await type("Read, L*", "120");
  await press("Keep it");
  expect(alerts().join()).toContain("Read, L*: 120 is not between 0 and 105 L*.");
  await type("Read, L*", "81,5");
  await type("In the bath in all", "0:45");
  await press("Keep it");
  expect(await screen.findByText(/Patch 2 is typed anew/)).toBeVisible();
  const sent = server.sent.find(({ call }) => call.startsWith("PUT"))?.body;
  const before = strip.readings;
  expect(sent).toMatchObject({ version: strip.version });
  expect(sent?.patches).toEqual(
    before.map((patch, i) =>
      i === 1 ? { ...patch, seconds: 45, lstar: 81.5, spread: null } : patch,
    ),
  );
});

test("a patch's fault of the server stands at its field, and Escape leaves it", async () => {
  const server = fakeServer({
    [ASK]: { body: { points: [POINT] } },
    [`PUT /strips/${ROSIN}`]: refuse(422, fault("patches.0.seconds", "Too long for a strip.")),
  });
  openAt(`/strips/${ROSIN}`);
  await screen.findByRole("table");
  await userEvent.keyboard("{ArrowRight}e");
  await type("In the bath in all", "9:00");
  await press("Keep it");
  await waitFor(() => expect(screen.getByLabelText("In the bath in all")).toBeInvalid());
  expect(server.sent.at(-1)?.body.version).toBe(strip.version);
  await userEvent.keyboard("{Escape}");
  expect(screen.queryByLabelText("In the bath in all")).toBeNull();
});

test("dots stand at the time of one dip, in the figure as in the table", async () => {
  fakeServer({ [ASK]: { body: { points: [POINT] } } });
  openAt(`/strips/${ROSIN}`);
  const rows = rowsOf(await screen.findByRole("table"));
  const once = strip.one_dip_seconds.map(clock);
  expect(rows[0]).toEqual(["Patch", "In all", "as one dip", "read", "off by"]);
  expect(rows.slice(1).map((row) => row[2])).toEqual(once);
  expect(once.at(-1)).not.toBe(clock(strip.readings.at(-1)?.seconds ?? 0));
  expect(screen.getByText(/Each dip loses about/)).toBeVisible();
});

test("a bad patch is named with its reason, and struck through in the table", async () => {
  fakeServer();
  const bad = told<{ items: { id: string; left_out: number }[] }>("/strips")
    .items.map(({ id }) => told<Strip>(`/strips/${id}`))
    .find((each) => JSON.stringify(each.fit).includes('"outlier":true'));
  openAt(`/strips/${bad?.id}`);
  expect(await screen.findByText(/Why patch \d is left out/)).toBeVisible();
  const rows = rowsOf(within(screen.getByRole("main")).getByRole("table"));
  expect(rows.filter((row) => row[4] === "left out" || /^[+-]\d\d/.test(row[4] ?? ""))).not.toEqual(
    [],
  );
});

test("lines measured on a strip are added, checked and kept", async () => {
  const server = fakeServer({ [`PUT /strips/${ROSIN}`]: { body: { ...strip, version: 9 } } });
  openAt(`/strips/${ROSIN}`);
  await userEvent.click(await screen.findByText(/Lines measured on this strip/));
  await press("Add a measured line");
  await type("Line 1, Bitten s", "600");
  await type("Line 1, Deep µm", "900");
  await press("Keep the lines");
  expect(alerts().join()).toContain("Line 1, Deep µm: 900 is not between 0.1 and 800 µm.");
  await type("Line 1, Deep µm", "42,5");
  await press("Keep the lines");
  const kept = () => server.sent.find((each) => each.call === `PUT /strips/${ROSIN}`);
  await waitFor(() => expect(kept()).toBeDefined());
  expect(kept()?.body.lines).toEqual([
    expect.objectContaining({ seconds: 600, dips: 1, depth_um: 42.5, temperature_c: 19 }),
  ]);
});

test("what a strip was printed with is kept; the room's own are offered", async () => {
  const server = fakeServer({ [`PUT /strips/${ROSIN}`]: { body: { ...strip, version: 9 } } });
  openAt(`/strips/${ROSIN}`);
  await press("Change");
  expect(screen.getByLabelText("Ink")).toHaveValue("black, a quarter medium");
  await userEvent.clear(screen.getByLabelText("Paper"));
  await userEvent.click(await screen.findByRole("option", { name: "soft cotton, 280 g/m²" }));
  await type("Wipe", "tarlatan, then palm");
  await press("Keep");
  const kept = () => server.sent.find((each) => each.call === `PUT /strips/${ROSIN}`);
  await waitFor(() => expect(kept()).toBeDefined());
  expect(kept()?.body).toEqual({
    version: strip.version,
    paper: "soft cotton, 280 g/m²",
    ink: "black, a quarter medium",
    wipe: "tarlatan, then palm",
  });
});

test("a strip that does not say how it was printed asks for it, with the reason", async () => {
  fakeServer({ [`GET /strips/${ROSIN}`]: { body: { ...strip, paper: "", ink: "", wipe: "" } } });
  openAt(`/strips/${ROSIN}`);
  expect(await screen.findByText(/only where it was printed as this/)).toBeVisible();
  await press("Say how it was printed");
  expect(screen.getByLabelText("Paper")).toHaveValue("");
  await press("Leave it");
  expect(screen.queryByLabelText("Paper")).toBeNull();
});

test("a curve says what it owes to earlier strips, and one that is out says why", async () => {
  const leans_on = [{ strip: "old", name: "Rosin in spring", share: 0.06 }];
  const out_reason = "dust box rebuilt since";
  fakeServer({
    [`GET /strips/${ROSIN}`]: { body: { ...strip, leans_on, own_share: 0.94, out_reason } },
  });
  openAt(`/strips/${ROSIN}`);
  expect(
    await screen.findByText(
      "94 % of this curve is known from its own patches, 6 % from Rosin in spring.",
    ),
  ).toBeVisible();
  expect(
    screen.getByText(/Left out, it counts for no other: dust box rebuilt since/),
  ).toBeVisible();
});
