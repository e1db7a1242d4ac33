import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import type { ReactNode } from "react";
import { Care } from "../Care";
import { stepped } from "../numbers";
import { clock, parseTime } from "../times";
import { Picker, type Options } from "./Picker";
import { type Bound, useField } from "./useField";
import type { Form } from "./useForm";

type Props = { form: Form; name: string; hint?: ReactNode };

const LABEL = "mb-1 block font-semibold";
const BOX =
  "flex max-w-full items-stretch rounded-cut border-[1.5px] border-ink bg-white has-aria-invalid:border-[2.5px] has-aria-invalid:border-ferric-deep";
const INPUT = "min-w-0 flex-1 px-3 py-2 outline-offset-4 pointer-coarse:min-h-12";

/** A label, what is typed under it, a word about it, and what is wrong with it. */
export function Labelled({
  of,
  hint,
  bare,
  children,
}: {
  of: Pick<Bound, "id" | "label" | "fault">;
  hint?: ReactNode;
  /** In a row: its label is not seen, and its fault is told below the rows. */
  bare?: boolean;
  children: ReactNode;
}) {
  return (
    <div className="min-w-0">
      <label className={bare ? "sr-only" : LABEL} htmlFor={of.id} id={`${of.id}-l`}>
        {of.label}
      </label>
      {children}
      <div id={`${of.id}-h`}>
        {hint ? <p className="note mt-1">{hint}</p> : null}
        {of.fault && !bare ? (
          <Care role="alert" className="mt-1.5">
            {of.fault}
          </Care>
        ) : null}
      </div>
    </div>
  );
}

/** What is wrong with a field, told elsewhere than at it. */
export function FieldFault({ form, name }: { form: Form; name: string }) {
  const { fault } = useField(form, name);
  if (!fault) return null;
  return (
    <Care role="alert" className="mt-1.5">
      {fault}
    </Care>
  );
}

const attributes = (field: Bound) => ({
  id: field.id,
  ref: field.ref,
  autoComplete: "off",
  "aria-invalid": field.fault ? true : undefined,
  "aria-describedby": `${field.id}-h`,
  onBlur: field.onBlur,
});

/** Arrow keys step what is typed, Shift ten times. */
export function byArrows(
  event: React.KeyboardEvent<HTMLInputElement>,
  step: number,
  isTime: boolean,
): string | null {
  const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
  if (!way) return null;
  event.preventDefault();
  const by = way * step * (event.shiftKey ? 10 : 1);
  const typed = event.currentTarget.value;
  if (!isTime) return stepped(typed, by);
  const seconds = parseTime(typed);
  return seconds === null ? typed : clock(Math.max(0, seconds + by));
}

/** A number or a time, its unit inside at the right. */
export function NumberField({
  form,
  name,
  hint,
  step = 1,
  bare,
  label,
  drawn,
  word,
}: Props & {
  step?: number;
  bare?: boolean;
  label?: string;
  /** On a drawing: no wider than it must be. */
  drawn?: boolean;
  /** Said after the unit. */
  word?: string;
}) {
  const bound = useField(form, name);
  const field = label ? { ...bound, label } : bound;
  const isTime = field.kind === "time";
  return (
    <Labelled of={field} hint={hint} bare={bare}>
      <div className={`${BOX} ${bare ? "w-full" : "w-fit"}`}>
        <input
          {...attributes(field)}
          inputMode={isTime ? "text" : "decimal"}
          className={`num ${drawn ? "w-15" : "w-24"} min-w-0 flex-1 py-2 pr-1 pl-3 text-right text-h3 leading-none font-bold outline-offset-4 pointer-coarse:min-h-12`}
          value={field.text}
          onChange={(event) => field.change(event.target.value)}
          onKeyDown={(event) => {
            const next = byArrows(event, step, isTime);
            if (next !== null) field.change(next);
          }}
        />
        <span className="flex items-center pr-3 pl-1 whitespace-nowrap text-ink-2">
          {word ? `${field.unit} ${word}` : field.unit}
        </span>
      </div>
    </Labelled>
  );
}

/** Words in one line; a password is never shown. */
export function TextField({
  form,
  name,
  hint,
  type = "text",
  autoComplete = "off",
}: Props & { type?: string; autoComplete?: string }) {
  const field = useField(form, name);
  return (
    <Labelled of={field} hint={hint}>
      <div className={BOX}>
        <input
          {...attributes(field)}
          type={type}
          autoComplete={autoComplete}
          className={INPUT}
          value={field.text}
          onChange={(event) => field.change(event.target.value)}
        />
      </div>
    </Labelled>
  );
}

/** Words in several lines. */
export function LongField({ form, name, hint }: Props) {
  const field = useField(form, name);
  return (
    <Labelled of={field} hint={hint}>
      <div className={BOX}>
        <textarea
          {...attributes(field)}
          rows={3}
          className={INPUT}
          value={field.text}
          onChange={(event) => field.change(event.target.value)}
        />
      </div>
    </Labelled>
  );
}

/** Words of one's own, or one of those offered. */
export function ComboField({ form, name, hint, offered }: Props & { offered: string[] }) {
  const field = useField(form, name);
  const fits = offered.filter((each) => each.includes(field.text.trim()) || field.text === "");
  return (
    <Labelled of={field} hint={hint}>
      <Combobox immediate value={field.text} onChange={(next) => field.change(next ?? "")}>
        <div className={BOX}>
          <ComboboxInput
            {...attributes(field)}
            className={INPUT}
            onChange={(event) => field.change(event.target.value)}
          />
        </div>
        <ComboboxOptions
          anchor="bottom start"
          className="z-20 w-(--input-width) border-[1.5px] border-ink bg-paper-lift empty:hidden"
        >
          {fits.map((each) => (
            <ComboboxOption
              key={each}
              value={each}
              className="cursor-pointer px-3 py-2 data-focus:bg-ink data-focus:text-paper-lift pointer-coarse:min-h-12"
            >
              {each}
            </ComboboxOption>
          ))}
        </ComboboxOptions>
      </Combobox>
    </Labelled>
  );
}

/** One of a list. */
export function PickField<T extends string>({
  form,
  name,
  hint,
  options,
  bare,
}: Props & { options: Options<T>; bare?: boolean }) {
  const field = useField(form, name);
  return (
    <Labelled of={field} hint={hint} bare={bare}>
      <Picker
        id={field.id}
        labelledBy={`${field.id}-l`}
        value={field.text as T}
        options={options}
        onChange={field.change}
        inputRef={field.ref}
        invalid={field.fault !== ""}
      />
    </Labelled>
  );
}

/** A tick. */
export function TickField({ form, name }: Props) {
  const field = useField(form, name);
  return (
    <div>
      <label className="flex min-h-9 items-center gap-2.5 pointer-coarse:min-h-12">
        <input
          {...attributes(field)}
          type="checkbox"
          className="size-5.5 flex-none accent-ink"
          checked={field.value === true}
          onChange={(event) => field.change(event.target.checked)}
        />
        {field.label}
      </label>
      {field.fault ? <Care role="alert">{field.fault}</Care> : null}
    </div>
  );
}

/** A cell of a table to type into; its fault is told below the table. */
export function CellField({
  form,
  name,
  label,
  wide,
  placeholder,
  step,
}: Props & { label?: string; wide?: boolean; placeholder?: string; step?: number }) {
  const field = useField(form, name);
  return (
    <td className="py-0.5 pr-1.5">
      <div className={BOX}>
        <input
          {...attributes(field)}
          aria-label={label ?? field.label}
          title={field.fault || undefined}
          placeholder={placeholder}
          inputMode={wide ? "text" : "decimal"}
          className={`num min-w-0 px-1.5 py-1.5 pointer-coarse:min-h-12 ${wide ? "w-23 text-left" : "w-13 text-right"}`}
          value={field.text}
          onChange={(event) => field.change(event.target.value)}
          onKeyDown={(event) => {
            if (!step || field.text.trim() === "") return;
            const next = byArrows(event, step, field.kind === "time");
            if (next !== null) field.change(next);
          }}
        />
      </div>
      <span id={`${field.id}-h`} className="sr-only">
        {field.fault}
      </span>
    </td>
  );
}
