import type { Shapes } from "../../../api/client";
import { Segments } from "../../../ui/Segments";

/** What was looked for, and whether it was seen; what is not in it was not looked for. */
export type Said = Record<string, "seen" | "not" | "">;
type Props = { signs: Shapes["SignOut"][]; said: Said; say: (said: Said) => void };

const WAYS: [Said[string], string][] = [
  ["seen", "yes"],
  ["not", "no"],
];

/** What may be seen: yes or no, pressed again neither; a no tells something, too. */
export function Signs({ signs, said, say }: Props) {
  return (
    <ul className="grid gap-1">
      {signs.map(({ key, label }) => (
        <li
          key={key}
          className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b border-hair py-1"
        >
          <span>{label}</span>
          <Segments
            label={label}
            value={said[key] ?? ""}
            options={WAYS}
            onChange={(how) => say({ ...said, [key]: said[key] === how ? "" : how })}
          />
        </li>
      ))}
    </ul>
  );
}
