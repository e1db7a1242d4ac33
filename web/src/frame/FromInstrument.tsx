import type { Form } from "../ui/form/useForm";
import { Button } from "../ui/Button";
import { type ReadKind, useInstrumentSaid } from "./useInstrumentSaid";

type Props = { form: Form; name: string; kind: ReadKind; bath?: string };

/** What an instrument said last, put into a field by one press; never by itself. */
export function FromInstrument({ form, name, kind, bath }: Props) {
  const said = useInstrumentSaid(kind, bath);
  if (!said) return null;
  return (
    <span className="block">
      <Button
        look="row"
        className="-ml-1.5"
        onClick={() => form.hook.setValue(name, said.text, { shouldDirty: true })}
      >
        Take {said.text} {said.unit}
      </Button>
      <span className="block">{said.from}</span>
    </span>
  );
}
