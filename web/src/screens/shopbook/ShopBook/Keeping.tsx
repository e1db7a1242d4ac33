import { Button, TextButton } from "../../../ui/Button";
import { TickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import type { Form } from "../../../ui/form/useForm";

/** The way from a row to its form. */
export function Change({ name, onClick }: { name: string; onClick: () => void }) {
  return (
    <td>
      <TextButton onClick={onClick}>
        change<span className="sr-only"> {name}</span>
      </TextButton>
    </td>
  );
}

type FootProps = { form: Form; submit: string; old: boolean; leave: () => void };

/** The foot of what is kept in the shop book: put away, keep, or leave it as it was. */
export function KeepFoot({ form, submit, old, leave }: FootProps) {
  return (
    <>
      {old ? <TickField form={form} name="put_away" /> : null}
      <FormFoot form={form} submit={submit}>
        {old ? (
          <Button look="quiet" onClick={leave}>
            Leave it
          </Button>
        ) : null}
      </FormFoot>
    </>
  );
}

/** How a row looks that is not offered any more. */
export const awayLook = (away: boolean | undefined) => (away ? "text-ink-3" : undefined);
