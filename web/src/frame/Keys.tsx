import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { useKeys } from "../ui/useKeys";
import { useOpenRuns } from "./Rail";
import { useHere } from "./useHere";

const LIST: [string, string][] = [
  ["B", "the bath that is in use"],
  [
    "G then B, S, T, O, W, D, M",
    "go to bench, strips, trays (baths), shop book, waits (timers), record, members",
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
const GO: Record<string, string> = {
  b: "bench",
  s: "strips",
  t: "baths",
  o: "shop-book",
  w: "timers",
  d: "record",
  m: "members",
};
const WAIT_MS = 1_500;

/** The keys that work everywhere, and their list on "?". */
export function Keys() {
  const { room } = useHere();
  const navigate = useNavigate();
  const [run] = useOpenRuns();
  const [open, setOpen] = useState(false);
  const going = useRef(0);
  const toRack = () => document.querySelector<HTMLAnchorElement>(".rack .slot a")?.focus();
  const letter = (key: string, otherwise?: () => void) => () => {
    const place = GO[key];
    const waited = performance.now() - going.current < WAIT_MS;
    going.current = Number.NEGATIVE_INFINITY;
    if (waited && place) navigate(`/r/${room}/${place}`);
    else otherwise?.();
  };
  useKeys({
    "?": () => setOpen(true),
    g: () => {
      going.current = performance.now();
    },
    b: letter("b", () => run?.run && navigate(`/r/${room}/runs/${run.run.id}`)),
    s: letter("s"),
    t: letter("t"),
    o: letter("o"),
    w: letter("w"),
    d: letter("d"),
    m: letter("m"),
    r: toRack,
    ArrowDown: (event) => alongRack(event, 1),
    ArrowUp: (event) => alongRack(event, -1),
  });
  return (
    <Dialog open={open} onClose={() => setOpen(false)}>
      <div className="sheet-bg">
        <DialogPanel className="pm dialog">
          <DialogTitle as="h2">Keys</DialogTitle>
          <table style={{ marginTop: 10 }}>
            <tbody>
              {LIST.map(([key, does]) => (
                <tr key={key}>
                  <td style={{ whiteSpace: "nowrap" }}>
                    <b>{key}</b>
                  </td>
                  <td>{does}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <button
            type="button"
            className="btn"
            style={{ marginTop: 14 }}
            onClick={() => setOpen(false)}
          >
            Close
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function alongRack(event: KeyboardEvent, way: number): void {
  const slots = [...document.querySelectorAll<HTMLAnchorElement>(".rack .slot a")];
  const at = slots.indexOf(document.activeElement as HTMLAnchorElement);
  if (at < 0) return;
  event.preventDefault();
  slots[at + way]?.focus();
}
