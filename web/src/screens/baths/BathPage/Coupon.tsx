import { type Bath, weighCoupon } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { FromInstrument } from "../../../frame/FromInstrument";
import { useHere } from "../../../frame/useHere";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, temperature, time, area } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm } from "../../../ui/form/useForm";
import { useSaved } from "./useSaved";

const SHAPE = shapeOf("CouponIn", {
  area_cm2: area("Bare area, both sides"),
  mass_before_g: number("Before"),
  mass_after_g: number("After"),
  mass_spread_g: number("Scale sure to, ±", { optional: true }),
  seconds: time("In the bath for"),
  temperature_c: temperature("Bath was"),
});
const START = {
  area_cm2: "",
  mass_before_g: "",
  mass_after_g: "",
  mass_spread_g: "",
  seconds: "10:00",
  temperature_c: "",
};
type Read = Omit<Shapes["CouponIn"], "id" | "kind" | "mass_spread_g"> & {
  mass_spread_g: number | null;
};
const USUAL_SPREAD = 0.005;

/** A scrap of known area, weighed before and after: the surest word on how fast a bath bites. */
export function Coupon({ bath, done }: { bath: Bath; done: () => void }) {
  const { room } = useHere();
  const saved = useSaved();
  const form = useForm<Read, Bath>(SHAPE, {
    keepAs: `${room} coupon ${bath.id}`,
    start: START,
    send: (read, { id }) =>
      weighCoupon(room, bath.id, {
        id,
        kind: "coupon",
        ...read,
        mass_spread_g: read.mass_spread_g ?? USUAL_SPREAD,
      }),
    done: (next) => {
      done();
      return saved(next, "The coupon counts. Plans in this bath follow.");
    },
  });
  const fromScale = (name: string) => <FromInstrument form={form} name={name} kind="mass" />;
  return (
    <form ref={useFirstField()} noValidate onSubmit={form.submit}>
      <p className="note mt-1">
        A {bath.metal} scrap: degrease it, measure what is bare, weigh it dry, bite it, rinse, dry
        and weigh it again. Gloves: a fingerprint weighs something, too.
      </p>
      <div className="mt-2.5 flex flex-wrap items-start gap-4">
        <NumberField form={form} name="area_cm2" />
        <NumberField
          form={form}
          name="mass_before_g"
          step={0.001}
          hint={fromScale("mass_before_g")}
        />
        <NumberField
          form={form}
          name="mass_after_g"
          step={0.001}
          hint={fromScale("mass_after_g")}
        />
        <NumberField form={form} name="seconds" step={60} />
        <NumberField
          form={form}
          name="temperature_c"
          step={0.5}
          hint="As it stands, where empty."
        />
        <NumberField form={form} name="mass_spread_g" step={0.001} hint="0.005 where empty." />
      </div>
      <FormFoot form={form} submit="Log the coupon" />
    </form>
  );
}
