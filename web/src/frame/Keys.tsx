import { lazy, Suspense, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { BY_LETTER } from "../places";
import { useKeys } from "../ui/useKeys";
import { useHere } from "./useHere";
import { useOpenRuns } from "./useOpenRuns";

/** The list is fetched when it is asked for: it brings the dialog with it. */
const KeyList = lazy(async () => ({ default: (await import("./KeyList")).KeyList }));
const places = [...BY_LETTER];
const WAIT_MS = 1_500;
const SLOTS = "[data-slot]";

/** The keys that work everywhere, and their list on "?". */
export function Keys() {
  const { room } = useHere();
  const navigate = useNavigate();
  const [run] = useOpenRuns();
  const [open, setOpen] = useState(false);
  const going = useRef(0);
  const lead = (letter: string) => () => {
    const place = BY_LETTER.get(letter);
    const waited = performance.now() - going.current < WAIT_MS;
    going.current = Number.NEGATIVE_INFINITY;
    if (waited && place) navigate(`/r/${room}/${place.path}`);
    else if (letter === "b" && run?.run) navigate(`/r/${room}/runs/${run.run.id}`);
  };
  useKeys({
    ...Object.fromEntries(places.map(([letter]) => [letter, lead(letter)])),
    "?": () => setOpen(true),
    g: () => {
      going.current = performance.now();
    },
    r: () => document.querySelector<HTMLAnchorElement>(SLOTS)?.focus(),
    ArrowDown: (event) => alongRack(event, 1),
    ArrowUp: (event) => alongRack(event, -1),
  });
  return open ? (
    <Suspense>
      <KeyList close={() => setOpen(false)} />
    </Suspense>
  ) : null;
}

function alongRack(event: KeyboardEvent, way: number): void {
  const slots = [...document.querySelectorAll<HTMLAnchorElement>(SLOTS)];
  const at = slots.indexOf(document.activeElement as HTMLAnchorElement);
  if (at < 0) return;
  event.preventDefault();
  slots[at + way]?.focus();
}
