import { useMutation, useQueryClient } from "@tanstack/react-query";
import type { Plate } from "../../../api/plates";
import { type Picture, sendPicture } from "../../../api/proofs";
import { keepStudy, type Sketch, type StudyIn, studyQuery } from "../../../api/studies";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";

type Size = Pick<Plate, "width_mm" | "height_mm">;

/** A picture that fills a plate: what stands over is cut off on both sides alike. */
export function filling(picture: Picture, { width_mm, height_mm }: Size): Sketch {
  const [own, plate] = [picture.width_px / picture.height_px, width_mm / height_mm];
  const [wide, high] = own > plate ? [plate / own, 1] : [1, own / plate];
  const [left, top] = [(1 - wide) / 2, (1 - high) / 2];
  return {
    picture: picture.id,
    crop: [left, top, left + wide, top + high],
    turned: 0,
    left_mm: 0,
    top_mm: 0,
    width_mm,
    height_mm,
    lies: "over",
  };
}

/** A whole picture on a plate: white stays beside it. */
export function whole(picture: Picture, { width_mm, height_mm }: Size): Sketch {
  const own = picture.width_px / picture.height_px;
  const wide = Math.min(width_mm, height_mm * own);
  const high = wide / own;
  return {
    ...filling(picture, { width_mm, height_mm }),
    crop: [0, 0, 1, 1],
    left_mm: (width_mm - wide) / 2,
    top_mm: (height_mm - high) / 2,
    width_mm: wide,
    height_mm: high,
  };
}

/** A study nobody changed yet: the server takes its strip and bath, and as many tones as pay. */
const AS_USUAL: Omit<StudyIn, "id" | "sketches"> = {
  version: 0,
  tuning: { black: 0, white: 100, gamma: 1 },
  smooth_mm: 1.5,
  map: "linear",
  join_mm2: 0,
  edits: [],
  names: {},
  pens: [],
  lettering: "",
};

/** Send the first picture of a plate and lay it out. */
export function useFirstPicture(plate: Plate) {
  const { room } = useHere();
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) => {
      const picture = await sendPicture(room, newId(), file);
      return keepStudy(room, plate.id, {
        ...AS_USUAL,
        id: newId(),
        sketches: [filling(picture, plate)],
      });
    },
    onSuccess: async (study) => {
      client.setQueryData(studyQuery(room, plate.id).queryKey, study);
      await client.invalidateQueries({ queryKey: [room] });
    },
  });
}
