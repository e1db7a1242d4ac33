/** Choose one of two to five words. */
export function Segments<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}) {
  return (
    <fieldset className="inline-flex min-w-0 rounded-cut border-[1.5px] border-ink bg-paper-lift print:hidden">
      <legend className="sr-only">{label}</legend>
      {options.map(([key, text]) => (
        <button
          key={key}
          type="button"
          aria-pressed={key === value}
          className="flex min-h-8.5 items-center gap-2 border-line px-3 aria-pressed:bg-ink aria-pressed:font-semibold aria-pressed:text-paper-lift pointer-coarse:min-h-12 [&:not(:nth-child(2))]:border-l"
          onClick={() => onChange(key)}
        >
          {text}
        </button>
      ))}
    </fieldset>
  );
}
