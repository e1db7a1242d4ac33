import { useState } from "react";
import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { Said } from "../../../ui/Said";
import { counted } from "../../../ui/numbers";
import { dayOf } from "../../../ui/times";
import { shownLength } from "../../../ui/units";
import { CutDrawing, type Layout } from "./CutDrawing";

type Props = { sheet: Shapes["CutSheetInput"]; layout: Layout };

/** How the sheet is cut: what comes of it, drawn, and the cuts in their order to be ticked off. */
export function CutLayout({ sheet, layout }: Props) {
  const { me, zone, roomName } = useHere();
  const long = (mm: number) => `${shownLength(mm, me)} ${me.length_unit}`;
  return (
    <>
      <p className="note hidden print:block">
        {roomName}, cut list of {dayOf(new Date().toISOString(), zone)}. Sheet{" "}
        {long(sheet.sheet_width_mm)} × {long(sheet.sheet_height_mm)}.
      </p>
      <h2>
        {counted(layout.placed.length, "plate")} in {counted(layout.cuts.length, "cut")}
        {layout.left_out.length > 0 ? `; ${layout.left_out.join(", ")} left out` : ""}.
      </h2>
      <p className="mb-2">
        {layout.usable_rest_cm2 > 0
          ? `A rest of ${layout.largest_rest_mm.map(long).join(" × ")} is left to use. `
          : "No rest is left that is wide enough to use. "}
        <Said>{`Offcuts ${layout.offcuts_cm2.toFixed(0)} cm².`}</Said>{" "}
        <Said>
          {layout.optimal
            ? "No layout of straight cuts gets more plates out of it."
            : `Plates fill ${layout.used_cm2.toFixed(0)} cm²; none can fill more than ${(layout.used_cm2 + layout.waste_cm2 - layout.waste_bound_cm2).toFixed(0)} cm².`}
        </Said>
      </p>
      <CutDrawing layout={layout} width={sheet.sheet_width_mm} height={sheet.sheet_height_mm} />
      <Cuts layout={layout} long={long} />
    </>
  );
}

/** The cuts in order: each is ticked off when it is made, on the screen or on paper. */
function Cuts({ layout, long }: { layout: Layout; long: (mm: number) => string }) {
  const { me } = useHere();
  const [made, setMade] = useState<number[]>([]);
  const tick = (number: number) =>
    setMade((was) => (was.includes(number) ? was.filter((n) => n !== number) : [...was, number]));
  return (
    <ol aria-label="Cuts in order" className="my-2 grid gap-x-6 grid-cols-2 max-phone:grid-cols-1">
      {layout.cuts.map((cut) => (
        <li key={cut.number}>
          <label className="flex min-h-11 items-center gap-2.5 has-checked:text-ink-3 has-checked:line-through">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={made.includes(cut.number)}
              onChange={() => tick(cut.number)}
            />
            <b className="num w-5 text-right">{cut.number}</b>
            <span>
              {cut.along === "across"
                ? `across at ${long(cut.at_mm)} from the top`
                : `down at ${long(cut.at_mm)} from the left`}
              , {shownLength(cut.from_mm, me)} to {long(cut.to_mm)}
            </span>
          </label>
        </li>
      ))}
    </ol>
  );
}
