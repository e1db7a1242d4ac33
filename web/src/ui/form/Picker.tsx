import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from "@headlessui/react";
import type { Ref } from "react";

export type Options<T extends string> = readonly (readonly [T, string])[];

type Props<T extends string> = {
  id?: string;
  /** Id of the label, or the label itself where none is seen. */
  labelledBy?: string;
  label?: string;
  value: T;
  options: Options<T>;
  onChange: (value: T) => void;
  inputRef?: Ref<HTMLButtonElement>;
  invalid?: boolean;
  narrow?: boolean;
};

/** One of a list. */
export function Picker<T extends string>(props: Props<T>) {
  const { id, labelledBy, label, value, options, onChange, inputRef, invalid, narrow } = props;
  const shown = options.find(([key]) => key === value)?.[1] ?? value;
  return (
    <Listbox value={value} onChange={onChange}>
      <ListboxButton
        id={id}
        ref={inputRef}
        aria-label={label ? `${label}: ${shown}` : undefined}
        aria-labelledby={labelledBy ? `${labelledBy} ${id}` : undefined}
        aria-invalid={invalid || undefined}
        className={`flex w-full items-center gap-2 rounded-cut border-[1.5px] border-ink bg-white text-left aria-invalid:border-[2.5px] aria-invalid:border-ferric-deep pointer-coarse:min-h-12 ${narrow ? "px-1.5 py-1.5" : "px-3 py-2"}`}
      >
        <span className="min-w-0 flex-1 truncate">{shown}</span>
        <span aria-hidden="true" className="flex-none text-note">
          ▾
        </span>
      </ListboxButton>
      <ListboxOptions
        anchor={{ to: "bottom start", gap: 2 }}
        className="z-50 max-h-72! min-w-(--button-width) border-[1.5px] border-ink bg-paper-lift"
      >
        {options.map(([key, text]) => (
          <ListboxOption
            key={key}
            value={key}
            className="flex cursor-pointer items-center px-3 py-1.5 data-focus:bg-ink data-focus:text-paper-lift data-selected:font-bold pointer-coarse:min-h-12"
          >
            {text}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}

/** One of a list under its label, where nothing is sent: a filter, a way of seeing. */
export function Chooser<T extends string>({
  label,
  ...rest
}: Omit<Props<T>, "id" | "labelledBy"> & { label: string }) {
  return (
    <div className="min-w-0">
      <span className="mb-1 block font-semibold" aria-hidden="true">
        {label}
      </span>
      <Picker label={label} {...rest} />
    </div>
  );
}
