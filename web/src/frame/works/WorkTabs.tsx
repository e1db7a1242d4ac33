import { NavLink } from "react-router";
import type { Work } from "../../api/works";
import { useHere } from "../useHere";

const TABS = [
  ["", "Print"],
  ["/layers", "Layers"],
  ["/cut", "Stencils and tracing"],
] as const;

/** The pages of a work. */
export function WorkTabs({ work }: { work: Pick<Work, "id" | "name"> }) {
  const { room } = useHere();
  return (
    <nav aria-label="Pages of this work" className="flex flex-wrap items-center gap-x-5 gap-y-1">
      <b className="font-slab text-h3">{work.name}</b>
      {TABS.map(([path, label]) => (
        <NavLink
          key={path}
          end
          to={`/r/${room}/works/${work.id}${path}`}
          className="flex min-h-9 items-center underline decoration-1 underline-offset-4 aria-[current]:font-bold aria-[current]:no-underline pointer-coarse:min-h-12"
        >
          {label}
        </NavLink>
      ))}
    </nav>
  );
}
