import type { Lamp } from "../../../api/exposures";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { pick, shapeOf, time } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";

export type TypedTimes = { screen_seconds: number; image_seconds: number; lamp: string };

const SHAPE = shapeOf("ExposureIn", {
  screen_seconds: time("Dot screen", { needed: true }),
  image_seconds: time("Image", { needed: true }),
  lamp: pick("Lamp"),
});
const STEP_SECONDS = 5;

/** Times that somebody knows from elsewhere. */
export function Typed({ lamps, done }: { lamps: Lamp[]; done: (times: TypedTimes) => void }) {
  const form = useForm<TypedTimes, void>(SHAPE, {
    start: { screen_seconds: "", image_seconds: "", lamp: lamps[0]?.id ?? "" },
    send: async (times) => done(times),
  });
  return (
    <form noValidate onSubmit={form.submit} className="mt-3 flex flex-wrap items-start gap-4">
      <NumberField form={form} name="screen_seconds" step={STEP_SECONDS} />
      <NumberField form={form} name="image_seconds" step={STEP_SECONDS} />
      <PickField form={form} name="lamp" options={lamps.map((each) => [each.id, each.name])} />
      <FormFoot form={form} submit="Take these" look="plain" beside />
    </form>
  );
}
