import { Link } from "react-router";
import type { Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import { useOpenRuns } from "../../../frame/useOpenRuns";
import { Mark } from "../../../ui/Mark";
import { LeftUntil } from "../../../ui/Ticking";

/** Other plates that are in a bath now, each with its clock; a touch leads to its screen. */
export function Others({ run }: { run: Run }) {
  const { room } = useHere();
  const wet = useOpenRuns().filter((plate) => plate.run?.in_bath && plate.run.id !== run.id);
  if (wet.length === 0) return null;
  return (
    <ul aria-label="Also in a bath" className="ml-4 flex min-w-0 gap-2" data-waits>
      {wet.map((plate) => (
        <li key={plate.id} className="min-w-0">
          <Link
            to={`/r/${room}/runs/${plate.run?.id}`}
            className="flex min-h-12 items-center gap-2 rounded-cut border-[1.5px] border-night-line px-2.5 text-lead whitespace-nowrap text-night-ink-2 [&>svg]:size-5 [&>svg]:flex-none"
          >
            <Mark name="bath" />
            <span className="max-[1500px]:sr-only">{plate.name}</span>
            {plate.run?.lift_seconds ? (
              <LeftUntil
                at={plate.run.lift_seconds}
                className="text-far font-bold text-night-ink"
              />
            ) : null}
          </Link>
        </li>
      ))}
    </ul>
  );
}
