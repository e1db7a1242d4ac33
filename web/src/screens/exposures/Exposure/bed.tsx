import type { Lamp } from "../../../api/exposures";
import { NumberField } from "../../../ui/form/Fields";
import type { Typed } from "../../../ui/form/read";
import { length, number } from "../../../ui/form/shape";
import type { Form } from "../../../ui/form/useForm";
import { typedNumber } from "../../../ui/numbers";
import { shownLength, type Units } from "../../../ui/units";

const PLACES = [
  "Top left",
  "Top middle",
  "Top right",
  "Middle left",
  "Middle",
  "Middle right",
  "Bottom left",
  "Bottom middle",
  "Bottom right",
];
const POINTS = PLACES.map((_, n) => `point_${n}` as const);
const LIGHT = { optional: true, low: 0.01, high: 1000, unit: "mW/cm²" } as const;

export type Points = Record<(typeof POINTS)[number], number | null>;

/** The bed of a lamp, and what a meter reads at nine points of it. */
export const BED_FIELDS = {
  bed_width_mm: length("Bed, wide", { optional: true }),
  bed_height_mm: length("Bed, high", { optional: true }),
  ...Object.fromEntries(POINTS.map((name, n) => [name, number(PLACES[n] ?? "", LIGHT)] as const)),
};

export const typedBed = (lamp: Lamp | null, units: Units): Typed => ({
  bed_width_mm: lamp?.bed_width_mm == null ? "" : shownLength(lamp.bed_width_mm, units),
  bed_height_mm: lamp?.bed_height_mm == null ? "" : shownLength(lamp.bed_height_mm, units),
  ...Object.fromEntries(POINTS.map((name, n) => [name, typedNumber(lamp?.nine[n] ?? null)])),
});

/** The points as one list, without those left empty: nine, or none. */
export function withNine<Read extends Points>(
  read: Read,
): Omit<Read, keyof Points> & {
  nine: number[];
} {
  const nine = POINTS.flatMap((name) => read[name] ?? []);
  const rest = Object.fromEntries(
    Object.entries(read).filter(([name]) => !(POINTS as string[]).includes(name)),
  );
  return { ...(rest as Omit<Read, keyof Points>), nine };
}

/** Nine readings in their places, as they lie under the lamp. */
export function BedFields({ form, open }: { form: Form; open: boolean }) {
  return (
    <details className="mt-3" open={open}>
      <summary className="min-h-9 cursor-pointer font-semibold pointer-coarse:min-h-12">
        How even it is: nine points of its bed
      </summary>
      <div className="mt-2 flex flex-wrap items-start gap-4">
        <NumberField form={form} name="bed_width_mm" step={10} />
        <NumberField form={form} name="bed_height_mm" step={10} />
      </div>
      <p className="note mt-2">All nine, as a meter reads them, or none.</p>
      <div className="mt-1.5 grid max-w-130 grid-cols-3 gap-3">
        {POINTS.map((name) => (
          <NumberField key={name} form={form} name={name} step={0.1} />
        ))}
      </div>
    </details>
  );
}
