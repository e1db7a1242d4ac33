import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Strip, WallStrip } from "../../api/strips";
import { fakeServer, fault, listed, refuse, stripId, told } from "../../testing/server";
import { alerts, openAt, press, type } from "../../testing/show";

const wall = told<{ items: WallStrip[] }>("/strips/wall").items;
const [first, second] = wall as [WallStrip, WallStrip];
const BESIDE = `GET /strips/${first.id}/beside/${second.id}`;
const beside = told<Record<string, unknown>>(`/strips/${first.id}/beside/${second.id}`);
const SPRING = stripId("Rosin in spring");

async function atTheWall(answers = {}, as = {}) {
  const server = fakeServer(answers);
  const page = openAt("/strips", as);
  await screen.findByRole("heading", { level: 1, name: /trust Rosin last week/ });
  return { server, ...page };
}

const hung = (name: string) =>
  screen.getByRole("heading", { level: 2, name: new RegExp(name) }).closest("li") as HTMLElement;
const slip = (name: string) => within(hung(name)).getByRole("button", { name: `Compare ${name}` });

test("the answer leads; each strip says what it counts, or why it does not", async () => {
  await atTheWall();
  expect(hung("Rosin last week")).toHaveTextContent(/counts \d+ %/);
  expect(hung("Rosin, thumb on it")).toHaveTextContent("1 patch left out");
  expect(hung("Lines on zinc")).toHaveTextContent("the only one for hard ground");
  expect(hung("Lines on zinc")).toHaveTextContent("3 lines measured");
  expect(hung("Sprayed dots")).toHaveTextContent("to bite");
  expect(hung("Rosin, old box")).toHaveTextContent("left out: dust box rebuilt since");
});

test("the shares of one ground add up to the whole curve", async () => {
  const rosin = wall.filter((each) => each.ground === "rosin dust" && each.counts !== null);
  expect(rosin.reduce((sum, each) => sum + (each.counts ?? 0), 0)).toBeCloseTo(1, 2);
});

test("the strip to trust is compared with the next of its ground, in one bath or as bitten", async () => {
  await atTheWall();
  expect(await screen.findByText(String(beside.text))).toBeVisible();
  expect(slip("Rosin last week")).toHaveAttribute("aria-pressed", "true");
  expect(screen.getByRole("img", { name: /in one bath/ })).toBeVisible();
  await press("As bitten");
  expect(screen.getByRole("img", { name: /as bitten/ })).toBeVisible();
});

test("two slips are chosen by hand; one that gives no curve cannot be", async () => {
  const other = { ...beside, text: "No. At 4:00 the other is 6 L* lighter.", agree: false };
  await atTheWall({ [`GET /strips/${second.id}/beside/${SPRING}`]: { body: other } });
  await userEvent.click(slip("Rosin in spring"));
  expect(await screen.findByText(other.text)).toBeVisible();
  expect(slip("Rosin last week")).toHaveAttribute("aria-pressed", "false");
  expect(slip("Sprayed dots")).toBeDisabled();
  await userEvent.click(slip("Rosin in spring"));
  expect(screen.getByText(/Choose two strips of one mordant/)).toBeVisible();
});

test("strips of two mordants say that neither speaks for the other", async () => {
  const zinc = stripId("Lines on zinc");
  const text = "They were bitten in two mordants: neither says anything of the other.";
  await atTheWall({
    [`GET /strips/${second.id}/beside/${zinc}`]: refuse(422, fault("other", text)),
  });
  await userEvent.click(slip("Lines on zinc"));
  await waitFor(() => expect(alerts().join()).toContain(text));
});

test("a strip is left out with its reason, and the last word is taken back", async () => {
  const kept = told<Strip>(`/strips/${second.id}`);
  const { server } = await atTheWall({
    [`PUT /strips/${second.id}`]: (body: Record<string, unknown>) => ({
      body: { ...kept, out_reason: body.out_reason, version: 7 },
    }),
  });
  await press(`Leave ${second.name} out`);
  await press("Leave it out");
  expect(alerts().join()).toContain("What has changed in the room");
  expect(server.sent.filter((each) => each.call.startsWith("PUT"))).toEqual([]);
  await type("What has changed in the room", "another rosin since");
  await press("Leave it out");
  expect(await screen.findByText(`${second.name} no longer counts.`)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: /Undo/ }));
  await waitFor(() =>
    expect(
      server.sent.filter((each) => each.call.startsWith("PUT")).map(({ body }) => body),
    ).toEqual([
      { version: second.version, out_reason: "another rosin since" },
      { version: 7, out_reason: "" },
    ]),
  );
});

test("one that is out is put back from beside the other", async () => {
  const old = stripId("Rosin, old box");
  const { server } = await atTheWall({
    [`GET /strips/${second.id}/beside/${old}`]: { body: beside },
    [`PUT /strips/${old}`]: { body: told<Strip>(`/strips/${old}`) },
  });
  await userEvent.click(slip("Rosin, old box"));
  await press("Put Rosin, old box back");
  await waitFor(() => expect(server.sent.at(-1)?.body).toMatchObject({ out_reason: "" }));
});

test("keys walk the wall: down, pick, the other bath, open", async () => {
  const { at } = await atTheWall({ [BESIDE]: { body: beside } });
  await userEvent.keyboard("{ArrowDown}{ArrowDown}");
  expect(hung(second.name)).toHaveAttribute("aria-current", "true");
  await userEvent.keyboard(" ");
  expect(slip(second.name)).toHaveAttribute("aria-pressed", "false");
  await userEvent.keyboard(" ");
  expect(await screen.findByRole("img", { name: /in one bath/ })).toBeVisible();
  await userEvent.keyboard("a");
  expect(screen.getByRole("img", { name: /as bitten/ })).toBeVisible();
  await userEvent.keyboard("{ArrowUp}{Enter}");
  await waitFor(() => expect(at()).toBe(`/strips/${first.id}`));
});

test("one metal is shown at a time; °F for who reads °F", async () => {
  await atTheWall({}, { temperature_unit: "F" });
  expect(hung("Rosin last week")).toHaveTextContent("66.2 °F");
  await press("zinc 1");
  expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent(
    "For hard ground on zinc, trust Lines on zinc.",
  );
  expect(screen.getAllByRole("button", { name: /^Compare Lines/ })).toHaveLength(1);
  expect(screen.queryByRole("button", { name: /^Compare Rosin/ })).toBeNull();
});

test("strip 101 is on the second page", async () => {
  const late = { ...first, id: "late", name: "Strip of spring" };
  await atTheWall({
    "GET /strips/wall": { body: listed(wall, 101) },
    "GET /strips/wall?page=2": { body: listed([late], 101, 2) },
  });
  await press("Older");
  expect(await screen.findByRole("heading", { level: 2, name: /Strip of spring$/ })).toBeVisible();
});

test("no strip yet: how wide a guess is, the strip that ends it, and the ways to one", async () => {
  const point = (seconds: number) => ({
    seconds,
    seconds_low: seconds / 2,
    seconds_high: seconds * 2,
    lstar: 90 - 12 * Math.log2(seconds / 15),
    lstar_low: 20,
    lstar_high: 95,
    reachable: true,
  });
  const server = fakeServer({
    "GET /strips/wall": { body: listed([]) },
    "GET /baths": { body: listed([]) },
    "POST /api/calc/read-curve": ({ lstar, seconds }) => ({
      body: {
        points: [...(lstar as number[]).map(() => point(240)), ...(seconds as number[]).map(point)],
        tables: "",
      },
    }),
  });
  openAt("/strips");
  expect(
    await screen.findByRole("heading", { name: "No strip on the wall yet.", level: 1 }),
  ).toBeVisible();
  expect(
    await screen.findByRole("img", { name: /6 patches, 0:30, 1:00, 2:00, 4:00, 8:00, 16:00/ }),
  ).toBeVisible();
  expect(screen.getByText("L* 42 is 2:00 to 8:00")).toBeInTheDocument();
  expect(server.last().body.bath).toEqual({ mordant: "copper-ferric", temperature_c: 20 });
  expect(screen.getByRole("link", { name: "Make this strip" })).toHaveAttribute(
    "href",
    expect.stringContaining("/strips/bite"),
  );
  expect(screen.getByRole("link", { name: "Read a strip" })).toBeVisible();
  expect(screen.getByRole("button", { name: "Open the demo room" })).toBeVisible();
});
