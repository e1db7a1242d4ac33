import type { CourseStep } from "../../../api/courses";
import { NumberField, PickField, TextField } from "../../../ui/form/Fields";
import type { Form } from "../../../ui/form/useForm";

type Props = { form: Form; measure: CourseStep["measures"][number] };

/** One thing to note down, in the form its kind asks for. */
export function MeasureField({ form, measure }: Props) {
  const name = `measures.${measure.key}`;
  if (measure.kind === "number") return <NumberField form={form} name={name} />;
  if (measure.kind === "text") return <TextField form={form} name={name} />;
  const options = measure.kind === "yes-no" ? ["yes", "no"] : measure.options;
  return (
    <PickField
      form={form}
      name={name}
      options={[["", "not noted"], ...options.map((each) => [each, each] as const)]}
    />
  );
}
