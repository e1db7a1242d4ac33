import { useQuery } from "@tanstack/react-query";
import { dilute } from "../../../api/calc";
import { NumberField } from "../../../ui/form/Fields";
import { number, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";

const PARTS_OF_WATER = 20;
const ML_PER_L = 1000;
const STEP_ML = 50;
const LIMITS = { unit: "mL", low: 1, high: 1_000_000, needed: true };

const SHAPE = shapeOf("DiluteInput", { amount: number("Ammonia water 1 + 20", LIMITS) });

/** One part of ammonia and twenty of water, for the amount wanted. */
export function Degreaser() {
  const form = useForm<{ amount: number }, unknown>(SHAPE, {
    start: { amount: "200" },
    send: async () => {},
  });
  const volume_l = (form.peek<{ amount: number }>(form.hook.watch())?.amount ?? 0) / ML_PER_L;
  const { data, error } = useQuery({
    queryKey: ["calc", "dilute", volume_l],
    queryFn: () => dilute({ volume_l, parts: { water: PARTS_OF_WATER, "household ammonia": 1 } }),
    enabled: volume_l > 0,
    placeholderData: (before) => before,
    retry: false,
  });
  return (
    <Section>
      <form noValidate onSubmit={form.submit} className="flex flex-wrap items-end gap-4">
        <NumberField form={form} name="amount" step={STEP_ML} />
        <p className="pb-2">
          {data ? data.pour.join(", ") : ""}.{" "}
          <span className="note">One part and twenty of water. {data?.cautions.join(" ")}</span>
        </p>
        <Trouble error={error} />
      </form>
    </Section>
  );
}
