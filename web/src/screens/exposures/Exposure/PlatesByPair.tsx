import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Test } from "../../../api/exposures";
import { rackQuery } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";

/** The plates that are exposed by such a pair; each leads to its own times. */
export function PlatesByPair({ test }: { test: Test }) {
  const { room } = useHere();
  const { data } = useQuery(rackQuery(room));
  const plates = (data?.items ?? []).filter((plate) => plate.by_light);
  if (!test.pair || test.out_reason || plates.length === 0) return null;
  return (
    <p className="mt-1.5 flex flex-wrap items-baseline gap-x-4">
      <span className="text-ink-2">Expose by it:</span>
      {plates.map((plate) => (
        <Link
          key={plate.id}
          className="font-semibold underline underline-offset-3 pointer-coarse:min-h-12"
          to={`/r/${room}/plates/${plate.id}/expose`}
        >
          {plate.name}
        </Link>
      ))}
    </p>
  );
}
