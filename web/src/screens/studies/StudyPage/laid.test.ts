import type { Picture } from "../../../api/proofs";
import type { Study } from "../../../api/studies";
import { plateId, told } from "../../../testing/server";
import { isPlanned, planOf } from "./planOf";
import { filling, whole } from "./useUpload";

const PLATE = { width_mm: 200, height_mm: 150 };
const study = () => told<Study>(`/plates/${plateId("Lantern Row")}/study`);

test.each([
  [{ width_px: 4000, height_px: 3000 }, [0, 0, 1, 1]],
  [{ width_px: 8000, height_px: 3000 }, [0.25, 0, 0.75, 1]],
  [{ width_px: 3000, height_px: 4500 }, [0, 0.25, 1, 0.75]],
])("a picture of %o fills the plate, cut off on both sides alike", (size, crop) => {
  const laid = filling({ id: "p", ...size } as Picture, PLATE);
  for (const [i, side] of (laid.crop ?? []).entries()) expect(side).toBeCloseTo(crop[i] as number);
  const all = whole({ id: "p", ...size } as Picture, PLATE);
  expect(all.width_mm / all.height_mm).toBeCloseTo(size.width_px / size.height_px);
  expect(all.width_mm).toBeLessThanOrEqual(200.001);
  expect(all.height_mm).toBeLessThanOrEqual(150.001);
});

test("the study's areas make the plan, in the plan's own method", () => {
  const body = planOf(study(), null, "new");
  expect(body).toMatchObject({ id: "new", version: 0, method: "stop-out", bath: study().bath });
  expect(body?.areas.map((area) => area.name)).toContain("Tone 5");
  expect(planOf({ ...study(), bath: null }, null, "new")).toBeNull();
  expect(isPlanned(study(), null)).toBe(false);
});
