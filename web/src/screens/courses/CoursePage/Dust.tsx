import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { Shapes } from "../../../api/client";
import { measureDust } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { pictureUrl, sendPicture } from "../../../api/proofs";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { NumberField } from "../../../ui/form/Fields";
import { FilePick } from "../../../ui/form/FilePick";
import { number, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { Counted } from "./Counted";

type Coverage = Shapes["DustCoverageOutput"];
const SHAPE = shapeOf("CoverageIn", { um_per_pixel: number("One pixel shows") });

/** Count the dust from a close photograph: share, grains, and a map of thin and crowded patches. */
export function Dust({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const client = useQueryClient();
  const file = useRef<File | null>(null);
  const [seen, setSeen] = useState<{ found: Coverage; picture: string } | null>(null);
  const form = useForm<{ um_per_pixel: number }, void>(SHAPE, {
    start: { um_per_pixel: "4" },
    send: async (read) => {
      const picture = file.current ? newId() : seen?.picture;
      if (!picture) return;
      if (file.current) await sendPicture(room, picture, file.current);
      file.current = null;
      setSeen({ found: await measureDust(room, plate.id, { picture, ...read }), picture });
      await client.invalidateQueries({ queryKey: [room, "record"] });
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
            {form.busy ? "Counting" : "Choose a photograph"}
          </FilePick>
          {seen && !form.busy ? (
            <Button type="submit" look="quiet">
              Count again at this scale
            </Button>
          ) : null}
        </span>
      </form>
      <p className="note mt-1.5">
        Put a steel rule in the picture once: a millimetre over its pixels gives the scale.
      </p>
      {form.trouble ? <Care role="alert">{form.trouble}</Care> : null}
      {seen ? <Counted seen={seen.found} href={pictureUrl(room, seen.picture)} /> : null}
    </Section>
  );
}
