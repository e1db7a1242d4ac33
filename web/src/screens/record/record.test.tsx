import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Shapes } from "../../api/client";
import { fakeServer, fault, plateId, refuse, told } from "../../testing/server";
import { alerts, openAt, pick, press, type } from "../../testing/show";

type Page = { items: Shapes["EntryOut"][]; total: number; page: number; page_size: number };
const FIRST = "/record?search=&page=1";
const page = told<Page>(FIRST);
const LANTERN = plateId("Lantern Row");

test("entries stand with their time, plate and hand; a note is added", async () => {
  const server = fakeServer({ "POST /record": { body: page.items[0] } });
  openAt("/record");
  expect((await screen.findAllByText(page.items[0]?.text as string)).length).toBeGreaterThan(0);
  const add = screen.getByRole("button", { name: "Add" });
  expect(add).toBeDisabled();
  await type("Write a note", "The fan was off until ten.");
  await press("Add");
  await waitFor(() => expect(screen.getByLabelText("Write a note")).toHaveValue(""));
  expect(server.last().body).toMatchObject({
    text: "The fan was off until ten.",
    plate: null,
    corrects: null,
  });
});

test("a correction names the entry it corrects, and the old one stays", async () => {
  const server = fakeServer({ "POST /record": { body: page.items[0] } });
  openAt("/record");
  await userEvent.click(
    (await screen.findAllByRole("button", { name: "correct" }))[0] as HTMLElement,
  );
  const field = screen.getByLabelText("What is right; the old entry stays");
  expect(field).toHaveFocus();
  const row = field.closest("tr")?.previousElementSibling;
  expect(row).toHaveTextContent(page.items[0]?.text as string); // it opens at its row
  await type("What is right; the old entry stays", "It was 18.5 °C.");
  await press("Correct it");
  await waitFor(() => expect(server.last()?.body.corrects).toBe(page.items[0]?.id));
  expect(await screen.findByLabelText("Write a note")).toBeVisible();
});

test("what was corrected is struck, its correction says what stood; one corrected meanwhile says so", async () => {
  const [first, second, third] = page.items as Shapes["EntryOut"][];
  const items = [
    { ...first, corrects: second?.id, corrects_text: "plate at 140 °C" },
    { ...second, text: "plate at 140 °C", corrected: true },
    third,
  ];
  const text = "Keeper corrected this meanwhile: “3:54”";
  fakeServer({
    [`GET ${FIRST}`]: { body: { ...page, items } },
    "POST /record": refuse(409, fault("corrects", text, { code: "corrected-meanwhile" })),
  });
  openAt("/record", { temperature_unit: "F" });
  expect(await screen.findByText("corrected since")).toBeVisible();
  expect(screen.getByText(/^Before:/)).toHaveTextContent("Before: plate at 284 °F");
  const correct = screen.getAllByRole("button", { name: "correct" });
  expect(correct).toHaveLength(2);
  await userEvent.click(correct[1] as HTMLElement);
  await type("What is right; the old entry stays", "3:50");
  await press("Correct it");
  await waitFor(() => expect(alerts()).toEqual([text]));
  expect(screen.getByLabelText("What is right; the old entry stays")).toHaveValue("3:50");
});

test("a note that is too long is told before it is sent; one left is there again", async () => {
  const server = fakeServer();
  const { router } = openAt("/record");
  const note = await screen.findByLabelText("Write a note");
  await userEvent.click(note);
  await userEvent.paste("x".repeat(4001));
  await press("Add");
  expect(alerts()).toEqual(["Write a note: at most 4000 letters; this has 4001."]);
  expect(server.sent).toEqual([]);
  await router.navigate(router.state.location.pathname.replace("record", "bench"));
  await screen.findByRole("heading", { name: /Your hands/ });
  await router.navigate(-1);
  expect(await screen.findByLabelText("Write a note")).toHaveValue("x".repeat(4001));
});

test("what the server refuses is told at the note", async () => {
  fakeServer({ "POST /record": refuse(422, fault("text", "text: says nothing.")) });
  openAt("/record");
  await type("Write a note", "…");
  await press("Add");
  await waitFor(() => expect(alerts()).toEqual(["Write a note: says nothing."]));
});

test("entries are found by plate and by words, page by page, and leave as CSV", async () => {
  const asked: string[] = [];
  const server = fakeServer();
  const query = (text: string, body: Partial<Page> = {}) => {
    const call = `GET /record?${text}`;
    server.answer(call, () => {
      asked.push(text);
      return { body: { ...page, ...body, items: page.items.slice(0, 2), page_size: 50 } };
    });
  };
  query("search=&page=1", { total: 120 });
  query("search=&page=2", { total: 120, page: 2 });
  query(`plate=${LANTERN}&search=&page=1`);
  query(`plate=${LANTERN}&search=bite&page=1`);
  for (const part of ["b", "bi", "bit"]) query(`plate=${LANTERN}&search=${part}&page=1`);
  openAt("/record");
  expect(await screen.findByText("1 to 2 of 120")).toBeVisible();
  await press("Older");
  expect(await screen.findByText("51 to 52 of 120")).toBeVisible();
  await pick(/^Plate: /, "Lantern Row");
  await type("Find", "bite");
  await waitFor(() => expect(asked).toContain(`plate=${LANTERN}&search=bite&page=1`));
  expect(screen.getByRole("link", { name: "Export CSV" })).toHaveAttribute(
    "href",
    expect.stringContaining(`record.csv?plate=${LANTERN}`),
  );
});
