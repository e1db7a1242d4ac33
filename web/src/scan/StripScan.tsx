import { useEffect, useRef } from "react";
import { type ReadPatches, readStripScan } from "../api/strips";
import { useHere } from "../frame/useHere";
import { useLatest } from "../ui/useLatest";
import type { Quad } from "./Marked";
import { Scanned, together } from "./Scanned";
import { useScan } from "./useScan";

type Props = {
  count: number;
  keepAs: string;
  /** `again`: it was read at an earlier visit, and filled in then. */
  onRead: (answer: ReadPatches, picture: string, again: boolean) => void;
};

/** Read a printed strip off a scan: the row of patches is found by itself. */
export function StripScan({ count, keepAs, onRead }: Props) {
  const { room } = useHere();
  const scan = useScan<ReadPatches>({
    about: (picture) => picture,
    kind: "read-patches",
    keepAs,
    ask: ({ id, picture, corners }) =>
      readStripScan(room, {
        id,
        picture,
        patches: count,
        corners: corners as never,
        patch_corners: null,
        black: null,
      }),
  });
  const { task, picture, restored } = scan;
  const tell = useLatest(onRead);
  const told = useRef<string | null>(null);
  useEffect(() => {
    if (!task?.result || !picture || told.current === task.id) return;
    told.current = task.id;
    tell.current(task.result, picture.id, task.id === restored);
  }, [task, picture, tell, restored]);
  const patches = task?.result?.patches ?? [];
  return (
    <Scanned
      scan={scan as never}
      label="Read it from a scan"
      hint="Flat, dry, in even light, bare paper all round the plate mark. A phone from straight above serves."
      of="row of patches"
      marks={patches.map((each) => ({
        quad: each.corners_px as Quad,
        doubtful: each.warnings.length > 0,
      }))}
      warnings={[
        ...(task?.result?.warnings ?? []),
        ...together(
          patches.map((each, i) => ({ name: `Patch ${i + 1}`, warnings: each.warnings })),
        ).filter((each) => each.code !== "clipped" || !clipped(task?.result)),
      ]}
      corners={(task?.result?.row_px as Quad | undefined) ?? null}
      disabled={count < 2}
    />
  );
}

const clipped = (result?: ReadPatches | null) =>
  result?.warnings.some((each) => each.code === "paper-clipped");
