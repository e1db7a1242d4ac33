import { useState } from "react";
import type { Layer, Sheet } from "../../../api/works";
import type { Damp, Hands } from "../../../frame/works/useWorkHands";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { parseNumber } from "../../../ui/numbers";
import { Segments } from "../../../ui/Segments";
import { readLength, shownLength } from "../../../ui/units";
import { useUser } from "../../../ui/useUser";

const DAMPS: readonly (readonly [Damp, string])[] = [
  ["same", "As damp as it was"],
  ["redamped", "Damped again"],
  ["dry", "Dry"],
];
const FIELD =
  "num min-h-10 w-28 rounded-cut border-[1.5px] border-ink bg-white px-2 text-right pointer-coarse:min-h-12";

type Props = { sheet: Sheet; layer: Layer; hands: Hands; close: () => void };

/** The next layer of a sheet, with how damp it is and what it measures: paper grows between colours. */
export function PrintNext({ sheet, layer, hands, close }: Props) {
  const { units } = useUser();
  const [damp, setDamp] = useState<Damp>("same");
  const [wide, setWide] = useState("");
  const [high, setHigh] = useState("");
  const sides = [wide, high].map((each) => parseNumber(each, units.length_unit));
  const none = sides.every((each) => each === undefined);
  const mm = sides.map((each) => (each === undefined ? Number.NaN : readLength(each, units)));
  const good = none || mm.every((each) => each >= 10 && each <= 3000);
  const before = sheet.sheet_mm;
  return (
    <form
      className="flex flex-wrap items-end gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (!good) return;
        hands.print(layer, sheet, damp, none ? null : [mm[0] as number, mm[1] as number]);
        close();
      }}
    >
      <Segments label="How damp is it" value={damp} options={DAMPS} onChange={setDamp} />
      <label className="grid gap-1">
        <span className="font-semibold">Sheet across, {units.length_unit}</span>
        <input
          className={FIELD}
          inputMode="decimal"
          value={wide}
          placeholder={before ? shownLength(before[0], units) : ""}
          onChange={(event) => setWide(event.target.value)}
        />
      </label>
      <label className="grid gap-1">
        <span className="font-semibold">down, {units.length_unit}</span>
        <input
          className={FIELD}
          inputMode="decimal"
          value={high}
          placeholder={before ? shownLength(before[1], units) : ""}
          onChange={(event) => setHigh(event.target.value)}
        />
      </label>
      <Button type="submit" disabled={!good}>
        {layer.name} is printed
      </Button>
      <Button
        look="quiet"
        disabled={!good || none}
        onClick={() => {
          hands.measure(sheet, [mm[0] as number, mm[1] as number]);
          close();
        }}
      >
        Only measured
      </Button>
      {good ? (
        <span className="note">
          {damp === "same"
            ? "Measured, or left empty."
            : "Paper damped again, or dried, is no longer the size it was: measure it first."}
        </span>
      ) : (
        <Care role="alert">
          Both sides, between {shownLength(10, units)} and {shownLength(3000, units)}{" "}
          {units.length_unit}.
        </Care>
      )}
    </form>
  );
}
