import { Link } from "react-router";
import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { Mark } from "../../../ui/Mark";

/** Spent mordant stays on the shelf until it is fetched. */
export function Retired({ baths }: { baths: Shapes["BathOut"][] }) {
  const { room } = useHere();
  if (baths.length === 0) return null;
  return (
    <section className="mt-3 border-t border-hair pt-2 text-note">
      <h2 className="flex items-center gap-2 font-slab text-body [&>svg]:text-vermilion">
        <Mark name="danger" size={16} /> Spent, waiting to be fetched: never down the drain
      </h2>
      <ul className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
        {baths.map((bath) => (
          <li key={bath.id}>
            <Link className="font-semibold underline" to={`/r/${room}/baths/${bath.id}`}>
              {bath.name}
            </Link>
            , {bath.metal === "zinc" ? "Zn" : "Cu"} {bath.volume_l} L
            {bath.retired_to ? `, ${bath.retired_to}` : ""}
          </li>
        ))}
      </ul>
    </section>
  );
}
