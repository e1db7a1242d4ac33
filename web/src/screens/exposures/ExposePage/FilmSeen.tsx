import { taskFileUrl } from "../../../api/tasks";
import { useHere } from "../../../frame/useHere";
import type { Film } from "./usePositive";

/** What is seen of a film that was made: as it lies on the plate, and as it will print. */
const SHOWN = [
  ["film", "The film as it lies, from above"],
  ["with", "As it will print"],
] as const;

/** The film that goes onto the plate: how it lies, what it prints. */
export function FilmSeen({ task, film }: Film) {
  const { room } = useHere();
  return (
    <>
      <div className="grid grid-cols-2 gap-4 max-phone:grid-cols-1">
        {SHOWN.map(([name, said]) => {
          const at = film.previews.findIndex((each) => each.name === name);
          return at < 0 ? null : (
            <figure key={name} className="min-w-0">
              <img
                src={taskFileUrl(room, task, film.files.length + at + 1)}
                alt={said}
                className="w-full border border-ink bg-paper-lift"
              />
              <figcaption className="text-note">{said}</figcaption>
            </figure>
          );
        })}
      </div>
      <p className="note">{film.lie}</p>
    </>
  );
}
