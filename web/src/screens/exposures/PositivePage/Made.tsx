import type { Positive } from "../../../api/exposures";
import { taskFileUrl } from "../../../api/tasks";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";

type Name = Positive["previews"][number]["name"];

const SAID: Record<Name, readonly [string, string]> = {
  drawn: ["As drawn", ""],
  without: ["Without the curve", "how it would print as it is"],
  with: ["As it will print", "by the curve"],
  film: ["The film as it lies", "seen from above, on the plate"],
};

/** The film: what it will print, beside what it would without, its files, and what to beware of. */
export function Made({ task, film }: { task: string; film: Positive }) {
  const { room } = useHere();
  return (
    <>
      <div className="grid grid-cols-2 gap-x-4 gap-y-3 max-phone:grid-cols-1">
        {film.previews.map((each, i) => (
          <figure key={each.name} className="min-w-0">
            <img
              src={taskFileUrl(room, task, film.files.length + i + 1)}
              alt={SAID[each.name][0]}
              className="w-full border border-ink bg-paper-lift"
            />
            <figcaption className="text-note">
              <b>{SAID[each.name][0]}</b> {SAID[each.name][1]}
            </figcaption>
          </figure>
        ))}
      </div>
      <p className="mt-2">{film.lie}</p>
      {film.warnings.map((each) => (
        <Care key={each.code} className="mt-1.5">
          {each.text}
        </Care>
      ))}
      <ul className="mt-2 grid gap-1">
        {film.files.map((file, i) => (
          <li key={file.path}>
            <a
              className="font-semibold underline underline-offset-4 pointer-coarse:inline-block pointer-coarse:min-h-12"
              href={taskFileUrl(room, task, i + 1)}
              target="_blank"
              rel="noreferrer"
            >
              {file.path}
            </a>{" "}
            <span className="note">
              {film.width_px} × {film.height_px} px
              {film.mirrored ? ", mirrored" : ", reads right"}. Print it at 100 %.
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
