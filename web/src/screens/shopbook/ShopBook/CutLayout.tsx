import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { shownLength } from "../../../ui/units";
import { CutDrawing, type Layout } from "./CutDrawing";

type Props = { sheet: Shapes["CutSheetInput"]; layout: Layout };

/** How the sheet is cut: what is wasted, drawn, and the cuts in their order. */
export function CutLayout({ sheet, layout }: Props) {
  const { me } = useHere();
  const long = (mm: number) => `${shownLength(mm, me)} ${me.length_unit}`;
  return (
    <>
      <p className="mb-2">
        Waste <b className="num">{layout.waste_cm2.toFixed(0)}</b> cm².{" "}
        {layout.optimal
          ? "No layout of straight cuts wastes less."
          : `None can waste less than ${layout.waste_bound_cm2.toFixed(0)} cm².`}{" "}
        <b className="num">{layout.cuts.length}</b> cuts.
        {layout.left_out.length > 0 ? (
          <b> Left out: {layout.left_out.join(", ")}.</b>
        ) : (
          ` The largest rest is ${layout.largest_rest_mm.map(long).join(" × ")}.`
        )}
      </p>
      <CutDrawing layout={layout} width={sheet.sheet_width_mm} height={sheet.sheet_height_mm} />
      <ol className="note my-2 list-inside list-decimal columns-2">
        {layout.cuts.map((cut) => (
          <li key={cut.number}>
            {cut.along === "across"
              ? `across at ${long(cut.at_mm)} from the top`
              : `down at ${long(cut.at_mm)} from the left`}
            , {shownLength(cut.from_mm, me)} to {long(cut.to_mm)}
          </li>
        ))}
      </ol>
    </>
  );
}
