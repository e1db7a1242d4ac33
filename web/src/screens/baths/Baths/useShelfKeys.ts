import { useState } from "react";
import { useNavigate } from "react-router";
import type { ShelfBath } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { useKeys } from "../../../ui/useKeys";

/** Up, down walk the rows; Enter opens, K checks, N makes one up. Returns the row walked to. */
export function useShelfKeys(baths: ShelfBath[]): string | null {
  const { room, keeper } = useHere();
  const [place, setPlace] = useState<number | null>(null);
  const navigate = useNavigate();
  const current = place === null ? undefined : baths[place]?.bath.id;
  const walk = (by: number) => (event: KeyboardEvent) => {
    event.preventDefault();
    setPlace((before) =>
      Math.min(Math.max((before ?? (by > 0 ? -1 : 1)) + by, 0), baths.length - 1),
    );
  };
  useKeys({
    ArrowDown: walk(1),
    ArrowUp: walk(-1),
    Enter: (event) => {
      if (event.target instanceof HTMLAnchorElement || !current) return;
      navigate(`/r/${room}/baths/${current}`);
    },
    k: () => {
      const which = current ?? baths.find((each) => each.due === null)?.bath.id;
      if (which) navigate(`/r/${room}/baths/${which}?do=patch`);
    },
    n: () => keeper && navigate(`/r/${room}/baths/new`),
  });
  return current ?? null;
}
