import { useEffect, useRef } from "react";
import { askToReadPrint, type ReadSteps, type ReadTest, type Test } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import type { Quad } from "../../../scan/Marked";
import { Scanned, together } from "../../../scan/Scanned";
import { useScan } from "../../../scan/useScan";
import { useLatest } from "../../../ui/useLatest";

/** What a print is read as, and what comes of it. */
type Reads = { test: ReadTest; chart: ReadSteps };

type Props<What extends keyof Reads> = {
  test: Test;
  what: What;
  /** Of a chart. */
  steps?: number;
  hint: string;
  /** What a cell is called, by its place. */
  cell: (place: number) => string;
  onRead: (read: Reads[What]) => void;
};

const KINDS = { test: "read-test", chart: "read-steps" };
const USUAL_STEPS = 21;

/** Read the print of a test, or of a step chart by its pair, off a scan. */
export function PrintScan<What extends keyof Reads>(props: Props<What>) {
  const { test, what, steps = USUAL_STEPS, hint, cell, onRead } = props;
  const { room } = useHere();
  const scan = useScan<Reads[What]>({
    about: (picture) => picture,
    kind: KINDS[what],
    keepAs: `${room} scan of ${what} ${test.id}`,
    ask: ({ id, picture, corners }) =>
      askToReadPrint(room, test.id, { id, picture, what, steps, corners: corners as never }),
  });
  const { task, restored } = scan;
  const tell = useLatest(onRead);
  const told = useRef<string | null>(null);
  useEffect(() => {
    if (!task?.result || told.current === task.id || task.id === restored) return;
    told.current = task.id;
    tell.current(task.result);
  }, [task, restored, tell]);
  const other = what === "chart" && task?.given.steps !== steps;
  const cells = other ? [] : (task?.result?.cells ?? []);
  return (
    <Scanned
      scan={scan as never}
      label="Read it from a scan"
      hint={hint}
      of="plate mark"
      marks={cells.map((each) => ({
        quad: each.corners_px as Quad,
        doubtful: each.warnings.length > 0,
      }))}
      warnings={[
        ...(task?.result?.warnings ?? []),
        ...together(cells.map((each, i) => ({ name: cell(i), warnings: each.warnings }))),
      ]}
      corners={(task?.result?.mark_px as Quad | undefined) ?? null}
    />
  );
}
