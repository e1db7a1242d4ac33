import type { Plate } from "../../../api/plates";
import type { ProcessParts } from "../../../processes/parts";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { Segments } from "../../../ui/Segments";

export type Scale = "eased" | "even";
const SCALES = [
  ["eased", "Eased scale"],
  ["even", "Even minutes"],
] as const;

type Props = {
  process: ProcessParts;
  plate: Plate;
  form: Form;
  scale: Scale;
  setScale: (scale: Scale) => void;
};

/** What is planned, how it is bitten, and how the figure is drawn. */
export function Heading({ process, plate, form, scale, setScale }: Props) {
  const words = plate.processes.find((each) => each.key === process.key);
  const method = useTyped<ProcessParts["methods"][number][0]>(form, "method");
  return (
    <header className="flex min-h-11 flex-wrap items-center gap-x-4 gap-y-2">
      <h2>{words?.title ?? "Plan"}</h2>
      <span className="note">
        {plate.run ? "Bites were made: the run follows the plan it began with." : process.hint}
      </span>
      <span className="ml-auto flex flex-wrap gap-3">
        {plate.run || process.methods.length < 2 ? null : (
          <Segments
            label="Method"
            value={method}
            options={process.methods}
            onChange={(next) => form.hook.setValue("method", next, { shouldDirty: true })}
          />
        )}
        <Segments label="Scale" value={scale} options={SCALES} onChange={setScale} />
      </span>
    </header>
  );
}
