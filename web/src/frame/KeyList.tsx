import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { BY_LETTER } from "../places";
import { Button } from "../ui/Button";

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
  [
    "F, T, C, Z",
    "at the bath: rocked or feathered, temperature, covered or opened as asked, undo last",
  ],
  [
    "W, K, G",
    "at the bath: if it goes wrong; read a companion scrap; goggles, gloves and extraction are on",
  ],
  ["Up, down, Enter, K, N", "on the baths: walk them; open one; check it; make one up"],
  [
    "T, K, W, U, H",
    "on a bath: log a reading, a check patch, a coupon; top it up or retire it; how warm it will be. Left, right: its checks",
  ],
  [
    "Arrows, Enter, N, L, E, H, C",
    "on a two-way test: choose a patch, read it; plan a test; measure the lamp; change the lamp; read a step chart; change the test",
  ],
  [
    "Space, C, P, T, Z, S",
    "at the lamp: begin or end a stage; all that is looked at is right; leave it as it is; wash water; undo last; set aside",
  ],
  ["X", "on a plate's exposure: by which test"],
  [
    "Up, down, 1 to 3, N, C",
    "on a plate's marks: the tone, lighter or darker; one way, crossed, three ways; the next pressure; photograph. Left, right: the missed lines",
  ],
  ["Left, right, W", "on a plate's wear: choose an impression; the marks were scratched again"],
  [
    "Space, O, W, N, Z, K",
    "at the press: inked, wiped, laid, pulled, numbered (a foot switch sends Space); paper out; wipe again; say a note; undo last; the plate is clean",
  ],
  ["R, X, A, M", "at the press: read its tones; it is spoiled; pull again; paint the wipe map"],
  [
    "Left, right, W, C, P",
    "on an edition: choose an impression; what if it is scratched now; certificate; to the press",
  ],
  [
    "Space, Z, Left, right",
    "on a work: what is to be done next is done; undo last; choose a plate",
  ],
  ["N", "on the works: begin one"],
  ["2 to 8", "on a value study: how many tones; with a loop drawn, 1 to 8: which tone it becomes"],
  ["Left, right, up, down", "on a value study: choose a cut, move it half an L*, with Shift 5"],
  ["D, L, J, M, Z", "on a value study: brush, loop, join islands, mirror, undo"],
  ["[ and ], M", "on the stop-out maps: the stage before, the next; mirror. At the bath: M"],
  ["P", "on the stop-out maps: the bench card"],
  ["[ and ], comma and point", "on the proofs: the left proof, the right one"],
  ["V, P, H", "on the proofs: curtain, difference, side by side; pin a note; hang a proof"],
  ["Arrows", "on a corner or a pin: move it, with Shift ten times as far"],
  ["Up, down, Space, Enter", "on the strips: walk the wall; choose one to compare; open it"],
  ["X, E", "on a strip: leave the chosen patch out or put it back; type it anew"],
  ["A, N", "on the strips: as bitten or on the same bath; bite a test strip"],
  ["Arrows, Space", "on a proof laid straight: move the brush, paint"],
  ["S", "out of the bath: set the run aside, with a reason"],
  ["Esc", "back"],
  ["?", "this list"],
];

/** Every key, and what it does. */
export function KeyList({ close }: { close: () => void }) {
  return (
    <Dialog open onClose={close}>
      <div className="fixed inset-0 z-40 grid place-items-center overflow-auto bg-veil p-5">
        <DialogPanel className="plate-mark w-full max-w-140 px-6.5 py-5.5">
          <DialogTitle as="h2">Keys</DialogTitle>
          <table className="mt-2.5">
            <tbody>
              {LIST.map(([key, does]) => (
                <tr key={`${key} ${does}`}>
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
