import { useMordantOptions } from "../../../api/mordants";
import { useHere } from "../../../frame/useHere";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, pick, shapeOf } from "../../../ui/form/shape";
import { useForm, useTyped } from "../../../ui/form/useForm";
import type { Asked } from "../../../api/baths";
import { useEffect, useRef } from "react";

const SHAPE = shapeOf("MakeUpInput", {
  mordant: pick("Mordant"),
  volume_l: number("How much", { optional: true }),
  stock_baume: number("Bottle holds"),
  target_baume: number("Bath shall have"),
  "vessel.length_mm": length("Tray, long", { optional: true }),
  "vessel.width_mm": length("Tray, short", { optional: true }),
  "vessel.height_mm": length("Tray, high", { optional: true }),
  "plate.width_mm": length("Largest plate, wide", { optional: true }),
  "plate.height_mm": length("Largest plate, high", { optional: true }),
  over_mm: length("Liquid over it", { optional: true }),
  price: number("Bottle costs, a litre or kilo", { optional: true }),
});
const START = {
  mordant: "copper-ferric",
  volume_l: "4",
  stock_baume: "",
  target_baume: "",
  vessel: { length_mm: "", width_mm: "", height_mm: "" },
  plate: { width_mm: "", height_mm: "" },
  over_mm: "",
  price: "",
};
type Side = number | null | undefined;
type Read = Pick<Asked, "mordant" | "volume_l" | "stock_baume" | "target_baume"> & {
  vessel?: { length_mm: Side; width_mm: Side; height_mm: Side };
  plate?: { width_mm: Side; height_mm: Side };
  over_mm: Side;
  price: Side;
};
/** What is bought for each family of mordant. */
const BOUGHT: Record<string, string> = {
  ferric: "ferric chloride",
  nitric: "nitric acid 68 %",
  sulphate: "copper sulphate",
};
const USUAL_OVER_MM = 20;

type Props = { asked: Asked; ask: (asked: Asked) => void; error: unknown };

/** What is made up, from what, for which vessel and plate; the answer follows as it is typed. */
export function Recipe({ asked, ask, error }: Props) {
  const mordants = useMordantOptions();
  const { me } = useHere();
  const form = useForm<Read, Asked>(SHAPE, {
    keepAs: undefined,
    start: START,
    send: async (read) => askedOf(read),
    done: ask,
  });
  const typed = form.hook.watch();
  const mordant = useTyped(form, "mordant");
  const seen = useRef(JSON.stringify(asked));
  useEffect(() => {
    const read = form.peek<Read>(typed);
    if (!read) return;
    const next = askedOf(read);
    const told = JSON.stringify(next);
    if (told === seen.current) return;
    seen.current = told;
    ask(next);
  }, [typed, form, ask]);
  useEffect(() => {
    if (error) form.place(error);
  }, [error, form.place]);
  const ferric = mordant.includes("ferric");
  return (
    <form noValidate onSubmit={form.submit}>
      <div className="grid grid-cols-[repeat(auto-fit,minmax(150px,1fr))] items-start gap-x-4 gap-y-3">
        <div className="col-span-full">
          <PickField form={form} name="mordant" options={mordants} />
        </div>
        <NumberField
          form={form}
          name="volume_l"
          step={0.5}
          hint="Empty: as much as covers the plate."
        />
        {ferric ? (
          <NumberField form={form} name="stock_baume" hint="Its label; 42 where empty." />
        ) : null}
        {ferric ? <NumberField form={form} name="target_baume" hint="42 where empty." /> : null}
        <NumberField form={form} name="price" hint="Empty: not reckoned." />
      </div>
      <h2 className="mt-4 text-lead">Does the plate fit?</h2>
      <div className="mt-2 grid grid-cols-[repeat(auto-fit,minmax(120px,1fr))] items-start gap-x-4 gap-y-3">
        <NumberField form={form} name="vessel.length_mm" />
        <NumberField form={form} name="vessel.width_mm" />
        <NumberField form={form} name="vessel.height_mm" />
        <NumberField form={form} name="plate.width_mm" />
        <NumberField form={form} name="plate.height_mm" />
        <NumberField
          form={form}
          name="over_mm"
          hint={`${me.length_unit === "in" ? "0.8 in" : "20 mm"} where empty.`}
        />
      </div>
      <div className="sr-only">
        <FormFoot form={form} submit="Reckon it" look="plain" />
      </div>
    </form>
  );
}

/** What is asked of the server, from what was typed. */
function askedOf(read: Read): Asked {
  const { vessel, plate, price } = read;
  const bought = Object.entries(BOUGHT).find(([family]) => read.mordant.includes(family))?.[1];
  return {
    mordant: read.mordant,
    volume_l: read.volume_l ?? null,
    stock_baume: read.stock_baume ?? null,
    target_baume: read.target_baume ?? null,
    vessel:
      vessel?.length_mm && vessel.width_mm && vessel.height_mm
        ? {
            length_mm: vessel.length_mm,
            width_mm: vessel.width_mm,
            height_mm: vessel.height_mm,
            upright: read.mordant === "zinc-copper-sulphate",
          }
        : null,
    plate:
      plate?.width_mm && plate.height_mm
        ? { width_mm: plate.width_mm, height_mm: plate.height_mm, thickness_mm: 1.2 }
        : null,
    over_mm: read.over_mm ?? USUAL_OVER_MM,
    salts_g_per_l: {},
    prices: price && bought ? { [bought]: price } : {},
    name: "",
  };
}
