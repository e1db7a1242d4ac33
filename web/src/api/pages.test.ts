import { listed } from "../testing/server";
import { everyPage, hasPages, keepPageOf, pageAsked } from "./pages";

test.each([
  [0, [1]],
  [100, [1]],
  [101, [1, 2]],
  [214, [1, 2, 3]],
])("of %i things every page is asked for once, and nothing is left out", async (total, pages) => {
  const asked: number[] = [];
  const found = await everyPage(async (page) => {
    asked.push(page);
    const start = (page - 1) * 100;
    const items = Array.from({ length: Math.min(100, total - start) }, (_, n) => start + n);
    return listed(items, total, page);
  });
  expect(asked).toEqual(pages);
  expect(found.items).toEqual(Array.from({ length: total }, (_, n) => n));
});

test("a list has pages where one does not hold it; its first needs no number", () => {
  expect([hasPages(), hasPages(listed([], 100)), hasPages(listed([], 101))]).toEqual([
    false,
    false,
    true,
  ]);
  expect([pageAsked(1), pageAsked(2)]).toEqual([undefined, 2]);
});

test("the page before is kept for the same thing only", () => {
  const keep = keepPageOf("plate-a");
  expect(keep("page", { queryKey: ["room", "proofs", "plate-a", { page: 1 }] })).toBe("page");
  expect(keep("page", { queryKey: ["room", "proofs", "plate-b", { page: 1 }] })).toBeUndefined();
  expect(keep("page")).toBeUndefined();
});
