import type { Fault } from "../../../api/client";
import type { CourseStep } from "../../../api/courses";
import { Choice, NumberField, TextField } from "../../../ui/Field";

type Props = {
  measure: CourseStep["measures"][number];
  value: string;
  onChange: (value: string) => void;
  fault: Fault | null;
};

/** One thing to note down, in the form its kind asks for. */
export function MeasureField({ measure, value, onChange, fault }: Props) {
  const shared = { label: measure.label, value, onChange, fault };
  if (measure.kind === "number")
    return <NumberField {...shared} unit={measure.unit || undefined} />;
  if (measure.kind === "text") return <TextField {...shared} />;
  const options = measure.kind === "yes-no" ? ["yes", "no"] : measure.options;
  return (
    <Choice
      {...shared}
      options={[["", "not noted"], ...options.map((o) => [o, o] as [string, string])]}
    />
  );
}
