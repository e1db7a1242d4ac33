import { act, cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { PLACES, PLATE_PLACES } from "../places";
import {
  bathId,
  fakeServer,
  listed,
  plateId,
  ROOM,
  stripId,
  told,
  testId,
  workId,
} from "../testing/server";
import { alerts, openAt, press } from "../testing/show";

const LANTERN = plateId("Lantern Row");
const RUN = told<{ run: { id: string } }>(`/plates/${LANTERN}`).run.id;
const AT: Record<string, string> = {
  ":strip": stripId("Rosin last week"),
  ":bath": bathId("Amber tray"),
  ":test": testId("New film, chalked"),
  ":run": RUN,
  ":part": "tones",
  ":plate": plateId("Closing Time"),
  ":work": workId("Awnings at Nine"),
};
const filled = (path: string) => path.replace(/:\w+/g, (name) => AT[name] ?? name);

test.each(PLACES.map((place) => [place.path, place]))(
  "%s opens, with its name in the title",
  async (path, place) => {
    fakeServer();
    openAt(`/${filled(path)}`);
    expect((await screen.findAllByRole("heading")).length).toBeGreaterThan(0);
    await waitFor(() =>
      expect(document.title).toBe(`${place.name} · Lantern Quay Print Room · Keen Bite`),
    );
    expect(screen.queryByRole("navigation", { name: "Rack" }) === null).toBe(place.whole ?? false);
  },
);

test.each(PLATE_PLACES.map((place) => [place.name, place]))(
  "the plate's page %s stands under its head, course and tabs",
  async (name, place) => {
    fakeServer();
    openAt(`/plates/${LANTERN}/${filled(place.path)}`);
    expect(await screen.findByRole("heading", { name: "Lantern Row", level: 1 })).toBeVisible();
    expect(screen.getByRole("navigation", { name: "Pages of this plate" })).toBeVisible();
    expect(screen.getByRole("button", { name: /^Ground/ })).toBeVisible();
    await waitFor(() => expect(document.title).toContain(name));
  },
);

const PAGES = [
  ...PLACES.filter((place) => !place.whole).map((place) => filled(place.path)),
  ...PLATE_PLACES.map((place) => `plates/${LANTERN}/${filled(place.path)}`),
];

test.each(PAGES)("%s stays when the line drops, and says so", async (path) => {
  const server = fakeServer();
  const { client } = openAt(`/${path}`);
  const main = await screen.findByRole("main");
  const headings = () =>
    within(main)
      .queryAllByRole("heading")
      .map((each) => each.textContent);
  await waitFor(() => {
    expect(headings()).not.toEqual([]);
    expect(main.querySelector("[data-waiting]")).toBeNull();
  });
  const before = headings();
  server.cutLine(true);
  await act(() => client.refetchQueries());
  expect(
    await within(main).findByText(/^No line\. What stands here is as it was at/),
  ).toBeVisible();
  expect(headings()).toEqual(before);
  // what must be reckoned anew for what is typed cannot be, and says so
  for (const told of alerts()) expect(told).toMatch(/^No line/);
});

test("an answer that is long in coming is said to be, and one that fails says why", async () => {
  fakeServer({ "GET /bench": () => new Promise(() => {}) });
  openAt("/bench");
  expect(await screen.findByText("Opening")).toBeVisible();
  expect(screen.getByRole("heading", { name: "Bench" })).toBeVisible();
  cleanup();
  fakeServer({ "GET /bench": { status: 500 } });
  openAt("/bench");
  expect(await screen.findByRole("alert")).toHaveTextContent("The server could not answer.");
});

test("no two places share a path or a letter", () => {
  const paths = PLACES.map((place) => place.path);
  const letters = PLACES.flatMap((place) => place.key ?? []);
  expect(new Set(paths).size).toBe(paths.length);
  expect(new Set(letters).size).toBe(letters.length);
});

test("another's room, and a page that is none, say so", async () => {
  fakeServer();
  const { router } = openAt("/nothing-here");
  expect(await screen.findByRole("heading", { name: "Nothing here" })).toBeVisible();
  await router.navigate("/r/another/bench");
  await waitFor(() => expect(screen.queryByRole("navigation", { name: "Rack" })).toBeNull());
  expect(screen.getByRole("heading", { name: "Nothing here" })).toBeVisible();
});

test.each(PLACES.filter((place) => place.key).map((place) => [place.key, place.path]))(
  "G then %s goes to %s",
  async (letter, path) => {
    fakeServer();
    const { at } = openAt(path === "bench" ? "/strips" : "/bench");
    await screen.findByRole("navigation", { name: "Rack" });
    await userEvent.keyboard(`g${letter}`);
    await waitFor(() => expect(at()).toBe(`/${path}`));
  },
);

test("after a change of page its heading has the focus; on one that was opened, nothing has", async () => {
  fakeServer();
  openAt("/bench");
  await screen.findByRole("heading", { level: 1 });
  expect(document.body).toHaveFocus();
  await userEvent.click(screen.getByRole("link", { name: "Baths" }));
  await waitFor(() => {
    const heading = within(screen.getByRole("main")).getAllByRole("heading", { level: 1 })[0];
    expect(heading).toHaveFocus();
  });
  await userEvent.click(screen.getByRole("link", { name: "Members" }));
  await waitFor(() => expect(screen.getByRole("heading", { name: /Members/ })).toHaveFocus());
});

test("within a plate, whose name stays, it is the page's own heading", async () => {
  fakeServer();
  openAt(`/plates/${LANTERN}/proofs`);
  await screen.findByRole("heading", { name: "Lantern Row", level: 1 });
  const tabs = within(screen.getByRole("navigation", { name: "Pages of this plate" }));
  await userEvent.click(tabs.getByRole("link", { name: "Course" }));
  await waitFor(() => expect(document.activeElement?.tagName).toBe("H2"));
});

test("a page that begins at its first field keeps it there", async () => {
  fakeServer();
  openAt("/baths");
  await screen.findByRole("heading", { level: 1 });
  await userEvent.click(screen.getByRole("link", { name: "Put a plate in" }));
  await screen.findByLabelText("Name");
  screen.getByLabelText("Name").focus();
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(screen.getByLabelText("Name")).toHaveFocus();
});

test("B goes to the bath, 4 to the plan, and a letter typed into a field goes nowhere", async () => {
  fakeServer();
  const { at, router } = openAt(`/plates/${LANTERN}`);
  await screen.findByRole("heading", { name: "Bite section" });
  await userEvent.type(screen.getByRole("searchbox"), "b4");
  expect(at()).toBe(`/plates/${LANTERN}`);
  (document.activeElement as HTMLElement).blur();
  await userEvent.keyboard("4");
  await waitFor(() => expect(at()).toBe(`/plates/${LANTERN}/plan/tones`));
  await router.navigate(`/r/${ROOM}/bench`);
  await screen.findByRole("heading", { name: /Your hands/ });
  await userEvent.keyboard("b");
  await waitFor(() => expect(at()).toBe(`/runs/${RUN}`));
});

test("? lists the keys, and Esc closes the list", async () => {
  fakeServer();
  openAt("/bench");
  await screen.findByRole("navigation", { name: "Rack" });
  await userEvent.keyboard("?");
  const list = await screen.findByRole("dialog");
  expect(within(list).getByText(/^G then B, S, T, E, P, O, D, M, W$/)).toBeVisible();
  await userEvent.keyboard("{Escape}");
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
});

test("the rack is searched by name, metal and route, and walked with R and the arrows", async () => {
  fakeServer();
  const { at } = openAt("/bench");
  const rack = await screen.findByRole("navigation", { name: "Rack" });
  const slots = () =>
    within(rack)
      .getAllByRole("link")
      .filter((link) => "slot" in link.dataset);
  await waitFor(() => expect(slots()).toHaveLength(10));
  await userEvent.keyboard("r{ArrowDown}{ArrowDown}{ArrowUp}");
  expect(document.activeElement).toBe(slots()[1]);
  await userEvent.type(screen.getByRole("searchbox"), "etched line");
  expect(slots().map((link) => link.textContent)).toEqual([
    expect.stringContaining("Rain on Awnings"),
  ]);
  await userEvent.click(slots()[0] as HTMLElement);
  await waitFor(() => expect(at()).toBe(`/plates/${plateId("Rain on Awnings")}`));
});

test("plates that were put away are found from the rack", async () => {
  const away = listed([{ ...told<{ items: object[] }>("/plates").items[0], name: "Old Quay" }]);
  fakeServer({ "GET /plates?put_away=true": { body: away } });
  openAt("/bench");
  await press("10 plates");
  expect(await screen.findByText("Old Quay")).toBeVisible();
});

test("the run chip counts down to the lift, wherever one is", async () => {
  fakeServer();
  openAt("/record");
  const chip = await screen.findByRole("link", { name: /Lantern Row, bite 3/ });
  expect(chip).toHaveTextContent(/\d:\d\d\s*to go/);
});

test("signing out ends at the gate", async () => {
  fakeServer({
    "DELETE /api/session": { body: null },
    "GET /api/session": { body: { me: null, demo: true } },
  });
  const { router } = openAt("/bench");
  await press("Sign out");
  await waitFor(() => expect(router.state.location.pathname).toBe("/sign-in"));
  expect(await screen.findByRole("button", { name: "Open the demo print room" })).toBeVisible();
});
