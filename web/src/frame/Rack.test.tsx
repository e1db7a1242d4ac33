import { screen, waitFor, within } from "@testing-library/react";
import type { PlateCard } from "../api/plates";
import type { Shapes } from "../api/client";
import { fakeServer, listed, told } from "../testing/server";
import { openAt, press, type } from "../testing/show";

const [card] = told<{ items: PlateCard[] }>("/plates").items;
const shelf = (from: number, to: number): PlateCard[] =>
  Array.from({ length: to - from + 1 }, (_, n) => ({
    ...(card as PlateCard),
    run: null,
    id: `p${from + n}`,
    name: `Stall ${from + n}`,
  }));
const rack = () => screen.getByRole("navigation", { name: "Rack" });

function withPages() {
  return fakeServer({
    "GET /plates": { body: listed(shelf(1, 100), 214) },
    "GET /plates?page=2": { body: listed(shelf(101, 200), 214, 2) },
    "GET /plates?page=3": { body: listed(shelf(201, 214), 214, 3) },
    "GET /plates?search=207": { body: listed(shelf(207, 207)) },
  });
}

test("the rack says how many plates there are, and pages on to the last", async () => {
  withPages();
  openAt("/bench");
  expect(await within(rack()).findByText("214 plates")).toBeVisible();
  expect(await within(rack()).findByText("1 to 100 of 214")).toBeVisible();
  await press("After");
  expect(await within(rack()).findByText("101 to 200 of 214")).toBeVisible();
  expect(within(rack()).getByText("Stall 101")).toBeVisible();
  await press("After");
  expect(await within(rack()).findByText("Stall 214")).toBeVisible();
  expect(screen.getByRole("button", { name: "After" })).toBeDisabled();
});

test("what is looked for is found on any page, and the run chip stays", async () => {
  const server = withPages();
  for (const part of ["2", "20"]) server.answer(`GET /plates?search=${part}`, { body: listed([]) });
  openAt("/bench");
  await within(rack()).findByText("1 to 100 of 214");
  await type("Find a plate by name, metal or route", "207");
  expect(await within(rack()).findByText("Stall 207")).toBeVisible();
  await waitFor(() => expect(within(rack()).queryByText("Stall 1")).toBeNull());
  expect(within(rack()).getByText("214 plates")).toBeVisible();
});

test("one page is looked through with no line", async () => {
  const server = fakeServer();
  openAt("/bench");
  await within(rack()).findByText("Closing Time");
  server.cutLine(true);
  await type("Find a plate by name, metal or route", "zinc");
  expect(within(rack()).getByText("Rain on Awnings")).toBeVisible();
  expect(within(rack()).queryByText("Closing Time")).toBeNull();
});

test("the bench says how many plates there are besides those it names", async () => {
  const bench = told<Shapes["Bench"]>("/bench");
  fakeServer({ "GET /bench": { body: { ...bench, plates: bench.next.length + 188 } } });
  openAt("/bench");
  expect(await screen.findByText(/^188 more in the rack/)).toBeVisible();
});
