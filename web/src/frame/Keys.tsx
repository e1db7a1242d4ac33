import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { BY_LETTER } from "../places";
import { Button } from "../ui/Button";
import { useKeys } from "../ui/useKeys";
import { useHere } from "./useHere";
import { useOpenRuns } from "./useOpenRuns";

const places = [...BY_LETTER];
const LIST: [string, string][] = [
  ["B", "the bath that is in use"],
  [
    `G then ${places.map(([letter]) => letter.toUpperCase()).join(", ")}`,
    `go to ${places.map(([, place]) => place.name.toLowerCase()).join(", ")}`,
  ],
  ["R", "rack, then arrows or Tab and Enter"],
  ["1 to 7", "on a plate: the steps of its course"],
  [
    "Arrows",
    "in the bite section: left, right choose an area; up, down move its floor 5 s, with Shift 1 min",
  ],
  ["[ and ], E", "on a course: the step before, the next; write what was done"],
  ["Space", "at the bath: dip or lift; at a timer: done waiting"],
  ["F, T, C, Z", "at the bath: rocked or feathered, temperature, covered, undo last"],
  ["Esc", "back"],
  ["?", "this list"],
];
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
  return <KeyList open={open} close={() => setOpen(false)} />;
}

function KeyList({ open, close }: { open: boolean; close: () => void }) {
  return (
    <Dialog open={open} onClose={close}>
      <div className="fixed inset-0 z-40 grid place-items-center overflow-auto bg-veil p-5">
        <DialogPanel className="plate-mark w-full max-w-140 px-6.5 py-5.5">
          <DialogTitle as="h2">Keys</DialogTitle>
          <table className="mt-2.5">
            <tbody>
              {LIST.map(([key, does]) => (
                <tr key={key}>
                  <td className="whitespace-nowrap">
                    <b>{key}</b>
                  </td>
                  <td>{does}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Button className="mt-3.5" onClick={close}>
            Close
          </Button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function alongRack(event: KeyboardEvent, way: number): void {
  const slots = [...document.querySelectorAll<HTMLAnchorElement>(SLOTS)];
  const at = slots.indexOf(document.activeElement as HTMLAnchorElement);
  if (at < 0) return;
  event.preventDefault();
  slots[at + way]?.focus();
}
