import { useMutation, useQueryClient } from "@tanstack/react-query";
import { changePlate } from "../../../api/plates";
import { type Picture, sendPicture } from "../../../api/proofs";
import type { Study, StudyIn } from "../../../api/studies";
import { newId } from "../../../device/ids";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FilePick } from "../../../ui/form/FilePick";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, pick, share, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { plain } from "../../../ui/numbers";
import { Trouble } from "../../../ui/Trouble";
import { shownLength, type Units } from "../../../ui/units";
import { useUser } from "../../../ui/useUser";
import { Pens } from "./Pens";
import { Sources } from "./Sources";
import { SketchRow } from "./SketchRow";
import { filling, whole } from "./useUpload";
import type { Changes } from "./useStudy";

const SHAPE = shapeOf("StudyIn", {
  "sketches.*.left_mm": length("From the left", { optional: true }),
  "sketches.*.top_mm": length("From the top", { optional: true }),
  "sketches.*.width_mm": length("Wide"),
  "sketches.*.height_mm": length("High"),
  "sketches.*.turned": pick("Turned"),
  "sketches.*.lies": pick("Lies"),
  "sketches.*.crop.*": share("Crop", { low: 0, high: 1 }),
  "tuning.black": number("Black is L*"),
  "tuning.white": number("White is L*"),
  "tuning.gamma": number("Middle greys"),
  smooth_mm: length("Brush"),
  map: pick("Black and white"),
});
const MAPS = [
  ["linear", "stretched to what the strip reaches"],
  ["as-is", "kept as they are"],
] as const;

type Read = Pick<StudyIn, "sketches" | "tuning" | "smooth_mm" | "map">;

/** Where the pictures lie on the plate, and how their greys are taken. */
export function Pictures({ study, changes }: { study: Study; changes: Changes }) {
  return (
    <details open={!study.ready}>
      <summary className="cursor-pointer text-h3 font-semibold">
        Pictures, levels, brush and pens
      </summary>
      <Sources study={study} changes={changes} />
      <Pens study={study} changes={changes} />
      <Laid key={study.version} study={study} changes={changes} />
    </details>
  );
}

function Laid({ study, changes }: { study: Study; changes: Changes }) {
  const { units } = useUser();
  const form = useForm<Read, void>(SHAPE, {
    start: typed(study, units),
    send: async (read) => {
      const sketches = read.sketches.map((each, i) => ({
        ...each,
        turned: Number(each.turned) as 0,
        picture: study.sketches[i]?.picture ?? "",
      }));
      changes.change({ ...read, sketches });
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="mt-3 grid gap-4">
      {study.sketches.map((sketch, i) => (
        <SketchRow
          // biome-ignore lint/suspicious/noArrayIndexKey: one picture may lie twice
          key={`${sketch.picture} ${i}`}
          form={form}
          place={i}
          sketch={sketch}
          study={study}
          changes={changes}
        />
      ))}
      <Another study={study} changes={changes} />
      <div className="flex flex-wrap items-start gap-4 border-t border-hair pt-3">
        <NumberField form={form} name="tuning.black" />
        <NumberField form={form} name="tuning.white" />
        <NumberField form={form} name="tuning.gamma" step={0.1} hint="Above 1: darker." />
        <NumberField form={form} name="smooth_mm" step={0.5} hint="Finer is not painted." />
        <div className="w-72">
          <PickField form={form} name="map" options={MAPS} />
        </div>
      </div>
      <FormFoot form={form} submit="Lay them so" look="plain" />
    </form>
  );
}

/** More pictures on the same plate: laid over, or only where they are darker. */
function Another({ study, changes }: { study: Study; changes: Changes }) {
  const { room } = useHere();
  const { plate } = usePlate();
  const client = useQueryClient();
  const send = useMutation({
    mutationFn: (file: File) => sendPicture(room, newId(), file),
    onSuccess: (picture: Picture) => {
      const added = { ...whole(picture, plate), lies: "darkens" as const };
      changes.change({ sketches: [...study.sketches, added] });
    },
  });
  const replace = useMutation({
    mutationFn: (file: File) => sendPicture(room, newId(), file),
    onSuccess: (picture: Picture) => changes.change({ sketches: [filling(picture, plate)] }),
  });
  const size = useMutation({
    mutationFn: (high: number) =>
      changePlate(room, plate.id, { version: plate.version, height_mm: high }),
    onSuccess: async (now) => {
      await client.invalidateQueries({ queryKey: [room] });
      changes.change({
        sketches: study.sketches.map((each, i) =>
          i === 0 ? { ...each, crop: [0, 0, 1, 1], left_mm: 0, top_mm: 0, ...sizeOf(now) } : each,
        ),
      });
    },
  });
  const toPicture = () => {
    const image = document.querySelector<HTMLImageElement>("[data-sketch='0']");
    if (!image?.naturalWidth) return;
    size.mutate(Math.round((10 * plate.width_mm * image.naturalHeight) / image.naturalWidth) / 10);
  };
  return (
    <div className="flex flex-wrap items-center gap-3">
      <FilePick label="Another picture on this plate" onPick={(file) => send.mutate(file)}>
        {send.isPending ? "Sending" : "Add a picture"}
      </FilePick>
      <FilePick
        label="Another picture in its place"
        look="quiet"
        onPick={(file) => replace.mutate(file)}
      >
        Another picture in place of all
      </FilePick>
      {plate.run ? null : (
        <button
          type="button"
          className="px-1.5 font-semibold underline underline-offset-4"
          onClick={toPicture}
        >
          Give the plate the picture's proportions
        </button>
      )}
      <Trouble error={send.error ?? replace.error ?? size.error} />
    </div>
  );
}

const sizeOf = ({ width_mm, height_mm }: { width_mm: number; height_mm: number }) => ({
  width_mm,
  height_mm,
});

function typed(study: Study, units: Units) {
  const mm = (value: number | undefined) => shownLength(value ?? 0, units);
  return {
    sketches: study.sketches.map((each) => ({
      left_mm: mm(each.left_mm),
      top_mm: mm(each.top_mm),
      width_mm: mm(each.width_mm),
      height_mm: mm(each.height_mm),
      turned: String(each.turned ?? 0),
      lies: each.lies ?? "over",
      crop: (each.crop ?? [0, 0, 1, 1]).map((side) => plain(Math.round(side * 1000) / 10)),
    })),
    tuning: {
      black: plain(study.tuning?.black ?? 0),
      white: plain(study.tuning?.white ?? 100),
      gamma: plain(study.tuning?.gamma ?? 1),
    },
    smooth_mm: mm(study.smooth_mm),
    map: study.map ?? "linear",
  };
}
