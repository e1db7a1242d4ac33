import { useUser } from "../../../ui/useUser";
import { askForPositive, type Chart, type Positive, type PositiveIn } from "../../../api/exposures";
import type { Task } from "../../../api/tasks";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import type { useTask } from "../../../frame/useTask";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, share } from "../../../ui/form/shape";
import { type Form, useForm } from "../../../ui/form/useForm";

const SHAPE = shapeOf("PositiveIn", {
  chart: pick("Greys by"),
  dpi: number("Printer draws", { needed: true }),
  "levels.black_lstar": number("Black is L*", { needed: true, unit: "" }),
  "levels.white_lstar": number("White is L*", { needed: true, unit: "" }),
  "levels.middle": number("Middle greys", { needed: true }),
  sharpen: number("Sharpen", { needed: true }),
  most_black: share("Most ink", { needed: true }),
  film_density: number("Film's black", { optional: true }),
  fit: pick("Fit"),
  printed_side: pick("Printed side"),
  form: pick("As"),
  "crop.left": share("Cut from the left", { needed: true }),
  "crop.top": share("Cut from the top", { needed: true }),
  "crop.width": share("Take, wide", { needed: true }),
  "crop.height": share("Take, high", { needed: true }),
});
const FITS = [
  ["fill", "cut to the plate"],
  ["whole", "all of it, white about it"],
] as const;
const SIDES = [
  ["to-plate", "to the plate"],
  ["away", "away from it"],
] as const;
const FORMS = [
  ["tiff", "TIFF, 16 bits"],
  ["png", "PNG, 16 bits"],
  ["pdf", "PDF at 1:1"],
] as const;

type Read = Omit<PositiveIn, "id" | "picture" | "chart" | "forms"> & {
  chart: string;
  form: "tiff" | "png" | "pdf";
};
type Props = {
  picture: string;
  charts: Chart[];
  found: ReturnType<typeof useTask<Positive>>;
};

/** How the film is made: by which curve, for which printer, how it lies. */
export function Make({ picture, charts, found }: Props) {
  const { room } = useHere();
  const { plate } = usePlate();
  const { me } = useUser();
  const form = useForm<Read, Task>(SHAPE, {
    keepAs: me ? `${room} positive ${plate.id}` : undefined,
    start: {
      chart: charts[0]?.id ?? "",
      dpi: "720",
      levels: { black_lstar: "0", white_lstar: "100", middle: "1" },
      sharpen: "0",
      most_black: "100",
      film_density: "",
      fit: "fill",
      printed_side: "to-plate",
      form: "tiff",
      crop: { left: "0", top: "0", width: "100", height: "100" },
    },
    send: ({ chart, form: wanted, ...read }, { id }) =>
      askForPositive(room, plate.id, {
        ...read,
        id,
        picture,
        chart: chart || null,
        forms: [wanted],
      }),
    done: found.take,
  });
  const curves = charts.map((chart) => [chart.id, chart.name] as const);
  return (
    <form noValidate onSubmit={form.submit} className="mt-3 grid gap-3.5">
      <PickField form={form} name="chart" options={[...curves, ["", "nothing: as drawn"]]} />
      <PickField form={form} name="printed_side" options={SIDES} />
      <PickField form={form} name="form" options={FORMS} />
      <FormFoot form={form} submit="Make the film" disabled={found.open} />
      <details>
        <summary className="min-h-9 cursor-pointer font-semibold pointer-coarse:min-h-12">
          Printer, ink, levels, cut and fit
        </summary>
        <Finer form={form} />
      </details>
    </form>
  );
}

/** What is usually left as it is. */
function Finer({ form }: { form: Form }) {
  return (
    <>
      <div className="mt-2 grid grid-cols-2 items-start gap-x-4 gap-y-3.5">
        <NumberField form={form} name="dpi" step={120} />
        <NumberField form={form} name="most_black" step={5} />
        <NumberField form={form} name="levels.black_lstar" />
        <NumberField form={form} name="levels.white_lstar" />
        <NumberField form={form} name="levels.middle" step={0.1} hint="Above 1: darker." />
        <NumberField form={form} name="film_density" step={0.1} hint="Measured; else empty." />
        <NumberField form={form} name="sharpen" step={0.1} hint="0: off." />
        <NumberField form={form} name="crop.left" />
        <NumberField form={form} name="crop.top" />
        <NumberField form={form} name="crop.width" />
        <NumberField form={form} name="crop.height" />
      </div>
      <div className="mt-3.5">
        <PickField form={form} name="fit" options={FITS} />
      </div>
    </>
  );
}
