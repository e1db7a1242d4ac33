import { act, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { vi } from "vitest";
import type { Edition } from "../../api/editions";
import { plateId, told } from "../../testing/server";
import { columnsOf, laidOut, leads, sheetWord } from "./columns";
import { EditionLine } from "./EditionLine";

const edition = (change: Partial<Edition> = {}) => ({
  ...told<Edition>(`/plates/${plateId("Closing Time")}/edition`),
  ...change,
});

test("sheets hang as they were pulled, the OK as such, then the numbers nobody has", () => {
  const words = columnsOf(edition()).map(sheetWord);
  expect(words.slice(0, 6)).toEqual(["OK", "1", "2", "3", "", "4"]);
  expect(words).toContain("AP 2");
  expect(words.slice(-9)).toEqual(["12", "13", "14", "15", "16", "17", "18", "19", "20"]);
  expect(leads(edition())).toBe(false);
});

test("an OK that was no pull here hangs by itself before the first", () => {
  const now = edition();
  const rows = now.rows.filter((each) => each.series === "edition");
  expect(leads({ ...now, rows })).toBe(true);
  expect(columnsOf({ ...now, rows })[0]).toEqual({ kind: "ok" });
});

test("a number taken out of turn is not offered again", () => {
  const now = edition({ size: 4 });
  const rows = now.rows.filter((each) => each.number === 1 || each.number === 3);
  const words = columnsOf({ ...now, rows })
    .slice(-2)
    .map(sheetWord);
  expect(words).toEqual(["2", "4"]);
});

test("no edition yet: nothing is to come", () => {
  expect(columnsOf(edition({ version: 0, rows: [], ok: null }))).toEqual([]);
});

test("columns are never narrower than a sheet can be read", () => {
  expect(laidOut(200, 1000).wide).toBe(42);
  expect(laidOut(10, 1000).x(0)).toBeCloseTo(44 + 95.6 / 2, 5);
});

/** The page is laid out: the width of what is observed is told at once. */
function laidOutAt(width: number) {
  vi.stubGlobal(
    "ResizeObserver",
    class {
      constructor(private told: (entries: unknown[]) => void) {}
      observe() {
        this.told([{ contentRect: { width } }]);
      }
      disconnect() {}
    },
  );
}

test("the line says the answer, and a touch on a sheet chooses it", async () => {
  laidOutAt(1058);
  const choose = vi.fn();
  const now = edition();
  await act(async () => {
    render(<EditionLine edition={now} zone={[]} chosen={null} choose={choose} />);
  });
  const line = await screen.findByRole("img", { name: new RegExp(now.sentence.slice(0, 10)) });
  expect(line).toHaveTextContent(`no. ${now.pale_from}`);
  expect(line).toHaveTextContent("tolerance, 3 L* lighter than the OK");
  await userEvent.pointer({ keys: "[MouseLeft]", target: screen.getByText("11") });
  expect(choose).toHaveBeenCalledWith(now.rows.at(-1)?.pull);
  vi.unstubAllGlobals();
});
