import { Dimension } from "../../figures/plate/Dimension";
import { EdgeCut } from "../../figures/plate/EdgeCut";
import { laidOut, PlateOnTable, USUAL } from "../../figures/plate/PlateOnTable";
import { useWidth } from "../../figures/useWidth";
import { FieldFault, NumberField } from "../../ui/form/Fields";
import type { Form } from "../../ui/form/useForm";
import type { Told } from "./usePutIn";

const ROOM_PX = 470;
const BESIDE_PX = 128;
const STEP_MM = 1;

type Props = { form: Form; of: Told };

/** The plate as it is typed: its fields stand on the dimension lines. */
export function DrawnPlate({ form, of }: Props) {
  const [ref, width] = useWidth(ROOM_PX);
  const { units } = form;
  const room = Math.max(120, Math.min(ROOM_PX, width || ROOM_PX) - BESIDE_PX);
  const laid = laidOut(of.wide ?? USUAL.wide, of.high ?? USUAL.high, room);
  const bevel = of.told?.bevel ?? null;
  const asked = bevel?.needed === "needed";
  return (
    <div ref={ref} className="mt-4 min-w-0">
      <div className="flex">
        <div style={{ width: laid.wide }} className="relative flex h-14 justify-center">
          <div className="absolute inset-x-0 top-4 h-5">
            <Dimension px={laid.wide} />
          </div>
          <div className="relative">
            <NumberField form={form} name="width_mm" step={STEP_MM} bare drawn />
          </div>
        </div>
      </div>
      <div className="flex items-start gap-4">
        <PlateOnTable
          laid={laid}
          metal={of.material}
          ghost={of.wide === null && of.high === null}
          bevelMm={asked ? bevel.run_mm : null}
          units={units}
        />
        <div style={{ height: laid.high }} className="relative flex min-h-12 items-center">
          <div className="absolute top-0 left-2 w-5">
            <Dimension px={laid.high} upright />
          </div>
          <div className="relative">
            <NumberField form={form} name="height_mm" step={STEP_MM} bare drawn />
          </div>
        </div>
      </div>
      <FieldFault form={form} name="width_mm" />
      <FieldFault form={form} name="height_mm" />
      <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-hair pt-3">
        <EdgeCut metal={of.material} thickMm={of.thick} bevel={asked ? bevel : null} />
        <NumberField form={form} name="thickness_mm" step={0.1} bare drawn word="thick" />
      </div>
      <FieldFault form={form} name="thickness_mm" />
      <p className="note mt-1.5 max-w-115">
        {of.told?.bevel_fault || bevel?.reason || "Type its size: the bevel follows from it."} Cut
        edges cut skin: file them first.
      </p>
    </div>
  );
}
