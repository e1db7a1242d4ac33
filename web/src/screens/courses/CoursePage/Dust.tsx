import { useRef } from "react";
import type { Shapes } from "../../../api/client";
import { countDust } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { pictureUrl, sendPicture } from "../../../api/proofs";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { NumberField } from "../../../ui/form/Fields";
import { FilePick } from "../../../ui/form/FilePick";
import { number, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Progress } from "../../../ui/Progress";
import { Section } from "../../../ui/Section";
import { Counted } from "./Counted";

type Coverage = Shapes["DustCoverageOutput"];
const SHAPE = shapeOf("CoverageIn", { um_per_pixel: number("One pixel shows") });

/** Count the dust from a close photograph: share, grains, and a map of thin and crowded patches. */
export function Dust({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const file = useRef<File | null>(null);
  const { task, open, take, stop } = useTask<Coverage>({
    about: plate.id,
    kind: "dust-coverage",
  });
  const counted = task ? String(task.given.picture) : undefined;
  const form = useForm<{ um_per_pixel: number }, void>(SHAPE, {
    start: { um_per_pixel: "4" },
    send: async (read) => {
      const picture = file.current ? newId() : counted;
      if (!picture) return;
      if (file.current) await sendPicture(room, picture, file.current);
      file.current = null;
      await take(await countDust(room, plate.id, { id: newId(), picture, ...read }));
    },
  });
  const count = (chosen: File) => {
    file.current = chosen;
    form.submit();
  };
  return (
    <Section>
      <h3>Count it from a close photograph</h3>
      <form noValidate onSubmit={form.submit} className="mt-2 flex flex-wrap items-start gap-3">
        <NumberField form={form} name="um_per_pixel" step={0.5} />
        <span className="mt-6 flex flex-wrap gap-3">
          <FilePick label="Close photograph of the dust" onPick={count}>
            {form.busy ? "Sending" : "Choose a photograph"}
          </FilePick>
          {counted && !open && !form.busy ? (
            <Button type="submit" look="quiet">
              Count again at this scale
            </Button>
          ) : null}
        </span>
      </form>
      <p className="note mt-1.5 mb-3">
        Put a steel rule in the picture once: a millimetre over its pixels gives the scale.
      </p>
      {form.trouble ? <Care role="alert">{form.trouble}</Care> : null}
      {task ? (
        <Progress task={task} doing="Counting the grains" stop={() => stop.mutate(task.id)} />
      ) : null}
      {stop.error ? <Care role="alert">{stop.error.message}</Care> : null}
      {task?.result ? (
        <Counted seen={task.result} href={pictureUrl(room, String(task.given.picture))} />
      ) : null}
    </Section>
  );
}
