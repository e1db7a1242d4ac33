import { useEffect, useRef } from "react";
import { useField } from "../form/useField";
import type { Form } from "../form/useForm";
import { byArrows } from "../form/Fields";

type Props = { form: Form; name: string; step: number; hidden?: boolean; focus?: boolean };

/** A figure typed with wet hands: large, its fault under it. */
export function NightField({ form, name, step, hidden, focus }: Props) {
  const field = useField(form, name);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (focus) input.current?.focus();
  }, [focus]);
  return (
    <>
      <label htmlFor={field.id} className={hidden ? "sr-only" : undefined}>
        {field.label}
      </label>
      <span className="flex items-stretch rounded-cut border-[1.5px] border-night-ink bg-night">
        <input
          id={field.id}
          ref={input}
          inputMode={field.kind === "time" ? "text" : "decimal"}
          autoComplete="off"
          aria-invalid={field.fault ? true : undefined}
          aria-describedby={field.fault ? `${field.id}-e` : undefined}
          className="num w-34 p-2.5 text-right text-show leading-none font-bold text-night-ink"
          value={field.text}
          onChange={(event) => field.change(event.target.value)}
          onKeyDown={(event) => {
            const next = byArrows(event, step, field.kind === "time");
            if (next !== null) field.change(next);
          }}
        />
        <span className="flex items-center pr-3 pl-1 text-far text-night-ink-2">{field.unit}</span>
      </span>
      {field.fault ? (
        <p
          id={`${field.id}-e`}
          role="alert"
          className="order-last basis-full font-semibold text-night-ferric"
        >
          {field.fault}
        </p>
      ) : null}
    </>
  );
}
