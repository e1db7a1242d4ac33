import type { Shapes } from "../../api/client";
import type { Lies, Register, Work } from "../../api/works";
import { shownLength, type Units } from "../../ui/units";

type Growth = Shapes["PaperGrowthOutput"];
type Warning = Shapes["StackWarning"];

const TURN_SEEN_MM = 0.1;
const SEEN_MM = 0.05;

/** A small length, as far as it is known: "0.6 mm", "0.024 in". */
export const fine = (mm: number, units: Units): string =>
  units.length_unit === "in" ? `${(mm / 25.4).toFixed(3)} in` : `${mm.toFixed(1)} mm`;

/** A size: "282.5 × 381 mm". */
export const sizeOf = (wide: number, high: number, units: Units): string =>
  `${shownLength(wide, units)} × ${shownLength(high, units)} ${units.length_unit}`;

/** How a plate lies off: "0.6 right, 0.3 down". */
export function offOf(lies: Pick<Lies, "right_mm" | "down_mm">, units: Units): string {
  const said = [way(lies.right_mm, "right", "left", units), way(lies.down_mm, "down", "up", units)];
  return said.filter(Boolean).join(", ") || "no more than can be read";
}

/** The move that takes an offset away: the other way, and a turn where one end stands off. */
export function moveOf(lies: Lies, wide_mm: number, units: Units): string {
  const said = [way(lies.right_mm, "left", "right", units), way(lies.down_mm, "up", "down", units)];
  const rise = Math.abs(Math.sin((lies.clockwise_deg * Math.PI) / 180)) * wide_mm;
  if (rise >= TURN_SEEN_MM)
    said.push(`${lies.clockwise_deg > 0 ? "raise" : "lower"} its right end ${fine(rise, units)}`);
  return said.filter(Boolean).join(", ");
}

function way(mm: number, more: string, less: string, units: Units): string {
  return Math.abs(mm) < SEEN_MM ? "" : `${fine(Math.abs(mm), units)} ${mm > 0 ? more : less}`;
}

export type Said = { title: string; text: string };

/** How the plates lie, in one sentence and what to do. */
export function registerSaid(told: Register, work: Pick<Work, "width_mm">, units: Units): Said {
  const furthest = told.plates.reduce((a, b) => (b.worst_mm > a.worst_mm ? b : a));
  if (told.cause === "fits")
    return {
      title: "The plates fit.",
      text: `${furthest.name} lies furthest off: ${fine(furthest.worst_mm, units)} at a corner.`,
    };
  const blamed = told.plates.find((each) => each.name === told.blame);
  if (!blamed) {
    const shift = keyShift(told);
    return {
      title: `${told.blame} lies ${fine(Math.hypot(shift.right_mm, shift.down_mm), units)} off.`,
      text: `All others lie off alike: move the template of ${told.blame} ${moveOf(shift, work.width_mm, units)}.`,
    };
  }
  if (told.cause === "paper")
    return {
      title: `The sheet grew: ${blamed.name} lies ${fine(blamed.worst_mm, units)} off at a corner.`,
      text: "No move mends it all. Damp it to the size it had, or print every colour in one damping.",
    };
  return {
    title: `${blamed.name} lies ${fine(blamed.off_mm, units)} off.`,
    text: `Move its template ${moveOf(blamed, work.width_mm, units)}.`,
  };
}

/** How the key itself lies, where all the others lie off alike: the other way. */
export function keyShift(told: Register): Lies {
  const middle = (key: "right_mm" | "down_mm") => {
    const sorted = told.plates.map((each) => each[key]).sort((a, b) => a - b);
    return sorted[Math.floor(sorted.length / 2)] ?? 0;
  };
  const first = told.plates[0] as Lies;
  return {
    ...first,
    name: told.blame,
    right_mm: -middle("right_mm"),
    down_mm: -middle("down_mm"),
    clockwise_deg: 0,
    within: false,
  };
}

/** What the paper was measured to do between colours; empty where it holds, or nobody measured. */
export function growthSaid(growth: Growth, units: Units): string {
  const off = growth.colours.filter((each) => !each.within);
  const measured = off.find((each) => each.measured);
  if (measured) {
    const grown = measured.wider_mm + measured.higher_mm > 0;
    const by = Math.max(Math.abs(measured.wider_mm), Math.abs(measured.higher_mm));
    const size = `${fine(by, units)} ${grown ? "larger" : "smaller"} over the print`;
    return `For ${measured.name} the sheet is ${size} than under the first colour: ${grown ? "let it dry" : "damp it on"} to the size it had.`;
  }
  return "";
}

/** What a layer asks for, its sizes in the reader's units. */
export function stackSaid(warning: Warning, work: Work, units: Units): string {
  const layer = work.layers_out.find((each) => each.name === warning.layer);
  const print = sizeOf(work.width_mm, work.height_mm, units);
  if (warning.code === "plates-differ" && layer?.plate_width_mm && layer.plate_height_mm)
    return `${layer.name} is ${sizeOf(layer.plate_width_mm, layer.plate_height_mm, units)}, the print ${print}: two plate marks are seen, and each needs its own place on the template.`;
  if (warning.code === "chine-at-edge")
    return `${warning.layer} reaches the plate's edge: cut it ${fine(1, units)} smaller on each side, since damp it grows and the press pushes it over.`;
  return warning.text;
}
