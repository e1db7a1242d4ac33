import { PlateEdge } from "../../figures/PlateEdge";
import { FieldFault, PickField } from "../../ui/form/Fields";
import type { Form } from "../../ui/form/useForm";
import { PLASTICS } from "../../ui/materials";
import { METALS, type Metal } from "./shape";
import type { Told } from "./usePutIn";

const EDGE_MM = 280;

/** What the plate is of, each as its edge looks in the rack; a plastic is named. */
export function Metals({ form, of }: { form: Form; of: Told }) {
  const choose = (metal: Metal) => form.hook.setValue("metal", metal, { shouldDirty: true });
  return (
    <>
      <fieldset className="flex flex-wrap gap-x-6 gap-y-2 max-phone:grid max-phone:grid-cols-2">
        <legend className="sr-only">Material</legend>
        {METALS.map(([metal, name]) => (
          <button
            key={metal}
            type="button"
            aria-pressed={of.material === metal}
            className="grid min-h-11 min-w-23 justify-items-start gap-1 border-b-3 border-transparent pb-1 text-body text-ink-2 aria-pressed:border-ink aria-pressed:font-bold aria-pressed:text-ink pointer-coarse:min-h-12"
            onClick={() => choose(metal)}
          >
            <PlateEdge metal={metal} longMm={EDGE_MM} />
            {name}
          </button>
        ))}
      </fieldset>
      {of.material === "plastic" ? (
        <div className="mt-3">
          <PickField form={form} name="metal" options={PLASTICS_NAMED} />
        </div>
      ) : (
        <FieldFault form={form} name="metal" />
      )}
    </>
  );
}

const PLASTICS_NAMED = [["plastic", "Plastic, not known which"] as const, ...PLASTICS];
