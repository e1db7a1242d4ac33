import type { Course } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { pick, type Shape } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { useAddSteps } from "./useAddSteps";

type Props = { plate: Plate; course: Course; after: string | null };

const SHAPE: Shape = { fields: { key: { ...pick("Step"), needed: true } } };

/** Add a step of the table after the chosen one. */
export function AddSteps({ plate, course, after }: Props) {
  const add = useAddSteps(plate, course, after);
  const form = useForm<{ key: string }, unknown>(SHAPE, {
    start: { key: "proof" },
    send: ({ key }) => add.mutateAsync({ keys: [key], reason: "" }),
  });
  return (
    <details className="mt-5 border-t-2 border-ink pt-3">
      <summary className="font-semibold">Add a step</summary>
      <form noValidate onSubmit={form.submit} className="my-2.5">
        <PickField form={form} name="key" options={Object.entries(course.can_add)} />
        <FormFoot form={form} submit="Add after this" look="plain" />
      </form>
    </details>
  );
}
