import type { ReactNode } from "react";
import { Button, type Look } from "../../../ui/Button";
import { FormFoot } from "../../../ui/form/FormFoot";
import type { Form } from "../../../ui/form/useForm";

type Props = {
  form: Form;
  submit: string;
  close: () => void;
  leave?: string;
  look?: Look;
  disabled?: boolean;
  /** Another thing that can be done with what was typed. */
  also?: ReactNode;
  children: ReactNode;
};

/** What is asked about a sheet, under its row: kept on this device until it is said or left. */
export function SheetForm(props: Props) {
  const { form, submit, close, leave = "Leave it", look, disabled, also, children } = props;
  return (
    <form
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className="max-w-200"
    >
      <div className="flex flex-wrap items-start gap-4">{children}</div>
      <FormFoot form={form} submit={submit} look={look ?? "plain"} disabled={disabled}>
        {also}
        <Button look="quiet" onClick={close}>
          {leave}
        </Button>
      </FormFoot>
    </form>
  );
}
