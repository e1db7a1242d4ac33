/** A list to choose from at the left: tables, mordants, calculators. */
export function SideList({
  label,
  rows,
  chosen,
  choose,
}: {
  label: string;
  rows: { key: string; text: string }[];
  chosen: string | undefined;
  choose: (key: string) => void;
}) {
  return (
    <nav aria-label={label} className="grid max-desk:flex max-desk:overflow-x-auto">
      {rows.map(({ key, text }) => (
        <button
          key={key}
          type="button"
          aria-pressed={key === chosen}
          className="min-h-9 px-2 py-1 text-left aria-pressed:bg-ink aria-pressed:text-paper-lift max-desk:whitespace-nowrap pointer-coarse:min-h-12"
          onClick={() => choose(key)}
        >
          {text}
        </button>
      ))}
    </nav>
  );
}
