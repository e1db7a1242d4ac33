import type { Study } from "../../../api/studies";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import type { Changes } from "./useStudy";

/** Lettering prints the way it stands here: somebody looks once, and it is kept who said what. */
export function Lettering({ study, changes }: { study: Study; changes: Changes }) {
  if (!study.lettering_asks) return null;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3 bg-ferric-pale px-3 py-1.5">
      <Care>Is there lettering in it? As it prints it must read the right way round.</Care>
      <span className="ml-auto flex flex-wrap gap-2">
        <Button className="min-h-9!" onClick={() => changes.change({ lettering: "reads right" })}>
          It reads right
        </Button>
        <Button className="min-h-9!" onClick={() => changes.change({ lettering: "none" })}>
          There is none
        </Button>
      </span>
    </div>
  );
}
