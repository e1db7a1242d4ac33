import { useState } from "react";
import type { Patch } from "../../../api/editions";
import type { Log } from "../../../device/useWaiting";

const NEAR_MM = 1.5;
const LEAST_POINTS = 3;
const MOST_POINTS = 180;

/** The wipe map while it is painted: patches drawn with a finger, or moved by keys. */
export function usePainting(kept: Patch[], size: { width: number; height: number }, log: Log) {
  const [draft, setDraft] = useState<Patch[] | null>(null);
  const [kind, setKind] = useState<Patch["kind"]>("leave");
  const [line, setLine] = useState<[number, number][] | null>(null);
  const [chosen, choose] = useState<number | null>(null);
  const patches = draft ?? kept;
  const put = (points: [number, number][]) => {
    setDraft([...patches, { kind, name: "", points }]);
    choose(patches.length);
  };
  const change = (place: number, by: Partial<Patch>) =>
    setDraft(patches.map((each, i) => (i === place ? { ...each, ...by } : each)));
  return {
    on: draft !== null,
    patches,
    kind,
    setKind,
    line,
    chosen,
    choose,
    begin: () => setDraft(kept),
    close: () => {
      setDraft(null);
      choose(null);
    },
    keep: () => {
      log({ kind: "wipe-mapped", data: { patches: patches.map(kept4) } });
      setDraft(null);
      choose(null);
    },
    start: (at: [number, number]) => setLine([at]),
    go: (at: [number, number]) =>
      setLine((now) =>
        now && far(now.at(-1), at) && now.length < MOST_POINTS ? [...now, at] : now,
      ),
    end: () => {
      if (line && line.length >= LEAST_POINTS) put(line.map((each) => within(each, size)));
      setLine(null);
    },
    /** Without a finger: a patch in the middle, to be moved by arrows. */
    add: () => {
      const [w, h] = [size.width, size.height];
      put([
        [0.4 * w, 0.4 * h],
        [0.6 * w, 0.4 * h],
        [0.6 * w, 0.6 * h],
        [0.4 * w, 0.6 * h],
      ]);
    },
    move: (x: number, y: number) => {
      const patch = chosen === null ? null : patches[chosen];
      if (!patch || chosen === null) return;
      const points = (patch.points as [number, number][]).map(([a, b]) =>
        within([a + x, b + y], size),
      );
      change(chosen, { points });
    },
    name: (place: number, name: string) => change(place, { name }),
    remove: (place: number) => {
      setDraft(patches.filter((_, i) => i !== place));
      choose(null);
    },
  };
}

export type PaintingNow = ReturnType<typeof usePainting>;

const kept4 = ({ kind, name, points }: Patch) => ({ kind, name, points }) as Patch;

const far = (a: [number, number] | undefined, b: [number, number]) =>
  !a || Math.hypot(a[0] - b[0], a[1] - b[1]) > NEAR_MM;

const round = (value: number) => Math.round(value * 10) / 10;

const within = (
  [x, y]: [number, number],
  size: { width: number; height: number },
): [number, number] => [
  round(Math.min(size.width, Math.max(0, x))),
  round(Math.min(size.height, Math.max(0, y))),
];
