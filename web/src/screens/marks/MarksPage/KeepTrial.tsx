import { useQueryClient } from "@tanstack/react-query";
import { type Marks, makeTrial, type Trial } from "../../../api/marks";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, text } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";
import { useKeepMarks } from "../../../frame/useKeepMarks";

const NUMBERS = [1, 2, 3, 4, 5];
const GRITS = [80, 120, 240, 400];
const USUAL_SPACING_UM = 300;

const SHAPE = shapeOf(
  "TrialIn",
  {
    name: text("Name"),
    needle: text("Needle", { optional: true }),
    needle_um: number("Its point", { optional: true, unit: "µm" }),
    lightest_lstar: number("Bare plate"),
    solid_lstar: number("Solid ink"),
    "pressures.*.spacing_um": number("Lines apart, pressure #", { unit: "µm" }),
    "pressures.*.lstar": number("Pressure #", { optional: true }),
    "textures.*.lstar": number("Grit #", { optional: true }),
  },
  { pressures: (row) => row.lstar == null, textures: (row) => row.lstar == null },
);

type Row = { lstar?: number; spacing_um?: number };
type Read = Record<string, unknown> & {
  pressures?: (Row | undefined)[];
  textures?: (Row | undefined)[];
};

/** A trial on an offcut: five pressures drawn the same way, four grits, printed and read. */
export function KeepTrial({ marks, close }: { marks: Marks; close: () => void }) {
  const { room } = useHere();
  const { plate } = usePlate();
  const client = useQueryClient();
  const say = useSay();
  const keep = useKeepMarks(marks);
  const form = useForm<Read, Trial>(SHAPE, {
    keepAs: `${room} trial ${marks.id}`,
    start: {
      name: `Trial for ${plate.name}`,
      needle: "",
      needle_um: marks.needle_um === null ? "" : String(marks.needle_um),
      lightest_lstar: String(marks.lightest_lstar),
      solid_lstar: String(marks.solid_lstar),
      pressures: NUMBERS.map(() => ({ spacing_um: String(USUAL_SPACING_UM), lstar: "" })),
      textures: GRITS.map(() => ({ lstar: "" })),
    },
    send: (read, { id }) => makeTrial(room, trialIn(read, id, materialOf(plate)) as never),
    done: async (trial) => {
      await keep({ trial: trial.id });
      await client.invalidateQueries({ queryKey: [room, "marks", marks.id] });
      close();
      say({ text: `${trial.name} is kept: spacings go by it now.` });
    },
  });
  return (
    <form
      ref={useFirstField()}
      noValidate
      onSubmit={form.submit}
      className="my-2 grid gap-3 rounded-plate border-[1.5px] border-dashed border-ink-3 px-4 py-3"
    >
      <p className="note">
        On an offcut: five patches hatched one way, evenly, lightest pressure first; four rubs.
        Print them as the plate will be printed, dry, read.
      </p>
      <TextField form={form} name="name" />
      <div className="grid grid-cols-2 gap-3">
        <TextField form={form} name="needle" />
        <NumberField form={form} name="needle_um" />
        <NumberField form={form} name="lightest_lstar" />
        <NumberField form={form} name="solid_lstar" />
      </div>
      <fieldset className="grid gap-1">
        <legend className="font-semibold">L* by pressure, and how far apart</legend>
        {NUMBERS.map((n, i) => (
          <div
            key={n}
            className="grid grid-cols-[20px_minmax(0,1fr)_minmax(0,1fr)] items-center gap-2"
          >
            <b className="num">{n}</b>
            <NumberField form={form} name={`pressures.${i}.lstar`} step={0.5} bare />
            <NumberField form={form} name={`pressures.${i}.spacing_um`} step={10} bare />
          </div>
        ))}
      </fieldset>
      <fieldset className="grid gap-1">
        <legend className="font-semibold">L* of one rub, by grit</legend>
        {GRITS.map((grit, i) => (
          <div key={grit} className="grid grid-cols-[40px_minmax(0,1fr)] items-center gap-2">
            <b className="num">{grit}</b>
            <NumberField form={form} name={`textures.${i}.lstar`} step={0.5} bare />
          </div>
        ))}
      </fieldset>
      <FormFoot form={form} submit="Keep the trial" look="plain">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}

const materialOf = (plate: ReturnType<typeof usePlate>["plate"]) =>
  plate.facts.plastic ?? plate.metal;

/** Rows that were read, each with what it is of. */
function trialIn({ pressures = [], textures = [], ...read }: Read, id: string, material: string) {
  return {
    ...read,
    id,
    material,
    pressures: pressures.flatMap((row, i) =>
      row?.lstar == null ? [] : [{ ...row, pressure: NUMBERS[i], spread: 0.8 }],
    ),
    textures: textures.flatMap((row, i) =>
      row?.lstar == null ? [] : [{ ...row, texture: `abrasive-${GRITS[i]}`, times: 1 }],
    ),
  };
}
