import { pictureUrl } from "../../../api/proofs";
import type { Sketch, Study } from "../../../api/studies";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { TakeOut, TextButton } from "../../../ui/Button";
import { NumberField, PickField } from "../../../ui/form/Fields";
import type { Form } from "../../../ui/form/useForm";
import { filling, whole } from "./useUpload";
import type { Changes } from "./useStudy";

const TURNS = [
  ["0", "as it is"],
  ["90", "a quarter right"],
  ["180", "upside down"],
  ["270", "a quarter left"],
] as const;
const LIES = [
  ["over", "over what is below"],
  ["darkens", "where it is darker"],
] as const;
const SIDES = ["left", "top", "right", "bottom"];

type Props = { form: Form; place: number; sketch: Sketch; study: Study; changes: Changes };

/** One picture: where it lies, how large, what of it. */
export function SketchRow({ form, place, sketch, study, changes }: Props) {
  const { room } = useHere();
  const { plate } = usePlate();
  const at = `sketches.${place}`;
  const lay = (how: typeof filling) => {
    const image = document.querySelector<HTMLImageElement>(`[data-sketch='${place}']`);
    if (!image?.naturalWidth) return;
    const [width_px, height_px] = [image.naturalWidth, image.naturalHeight];
    const next = how({ id: sketch.picture, width_px, height_px } as never, plate);
    const sketches = study.sketches.map((each, i) =>
      i === place ? { ...next, lies: each.lies ?? "over" } : each,
    );
    changes.change({ sketches });
  };
  return (
    <fieldset className="flex flex-wrap items-start gap-x-4 gap-y-3 border-t border-hair pt-3">
      <legend className="sr-only">Picture {place + 1}</legend>
      <img
        data-sketch={place}
        src={pictureUrl(room, sketch.picture)}
        alt={`Sketch ${place + 1}`}
        className="h-24 max-w-36 border border-ink object-contain"
      />
      <NumberField form={form} name={`${at}.left_mm`} />
      <NumberField form={form} name={`${at}.top_mm`} />
      <NumberField form={form} name={`${at}.width_mm`} />
      <NumberField form={form} name={`${at}.height_mm`} />
      <div className="w-40">
        <PickField form={form} name={`${at}.turned`} options={TURNS} />
      </div>
      {place > 0 ? (
        <div className="w-48">
          <PickField form={form} name={`${at}.lies`} options={LIES} />
        </div>
      ) : null}
      <div className="flex flex-wrap gap-3">
        {SIDES.map((side, i) => (
          <NumberField
            key={side}
            form={form}
            name={`${at}.crop.${i}`}
            label={`Crop ${side} of picture ${place + 1}`}
            step={1}
            hint={`Crop, ${side}`}
            bare
          />
        ))}
      </div>
      <span className="flex flex-wrap items-center gap-4">
        <TextButton onClick={() => lay(filling)}>Fill the plate</TextButton>
        <TextButton onClick={() => lay(whole)}>All of it</TextButton>
        {study.sketches.length > 1 ? (
          <TakeOut
            what={`picture ${place + 1}`}
            onClick={() =>
              changes.change({ sketches: study.sketches.filter((_, i) => i !== place) })
            }
          />
        ) : null}
      </span>
    </fieldset>
  );
}
