import { Button } from "../Button";
import type { Typed } from "./read";
import { fieldAt } from "./shape";
import type { Form } from "./useForm";

type Difference = { path: string; label: string; mine: string; theirs: string };

/** Somebody else changed it meanwhile: both stand side by side, and one of them is taken. */
export function Stale({ form }: { form: Form }) {
  if (!form.theirs) return null;
  const rows = differences(form, form.hook.getValues(), form.theirs.values);
  return (
    <section className="plate-mark px-5 py-4" aria-label="Changed meanwhile">
      <h3>Somebody changed this meanwhile</h3>
      <table className="mt-2">
        <thead>
          <tr>
            <th>
              <span className="sr-only">What</span>
            </th>
            <th>Yours</th>
            <th>Theirs</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ path, label, mine, theirs }) => (
            <tr key={path}>
              <td>{label}</td>
              <td className="num">{mine}</td>
              <td className="num">{theirs}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 flex flex-wrap gap-3">
        <Button onClick={form.keepMine}>Keep mine</Button>
        <Button onClick={form.takeTheirs}>Take theirs</Button>
      </div>
    </section>
  );
}

export function differences(form: Form, mine: Typed, theirs: Typed): Difference[] {
  const [left, right] = [told(form, mine), told(form, theirs)];
  const paths = [...new Set([...left.keys(), ...right.keys()])];
  return paths
    .filter((path) => (left.get(path) ?? "") !== (right.get(path) ?? ""))
    .map((path) => ({
      path,
      label: fieldAt(form.shape, path)?.label ?? path,
      mine: left.get(path) ?? "nothing",
      theirs: right.get(path) ?? "nothing",
    }));
}

/** Every field that has a value, by its path. */
function told(form: Form, typed: unknown, at = ""): Map<string, string> {
  if (fieldAt(form.shape, at)) {
    const text = typeof typed === "boolean" ? (typed ? "yes" : "no") : String(typed ?? "");
    return new Map([[at, text]]);
  }
  if (!typed || typeof typed !== "object") return new Map();
  return new Map(
    Object.entries(typed).flatMap(([key, value]) => [
      ...told(form, value, at ? `${at}.${key}` : key),
    ]),
  );
}
