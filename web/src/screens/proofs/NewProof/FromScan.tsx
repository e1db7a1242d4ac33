import { useEffect, useRef, useState } from "react";
import type { PlanArea } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { type ReadProof, readProofScan } from "../../../api/proofs";
import { taskFileUrl } from "../../../api/tasks";
import { useHere } from "../../../frame/useHere";
import type { Quad } from "../../../scan/Marked";
import { type Mm, Painting, type Stroke } from "../../../scan/Painting";
import { Scanned, together } from "../../../scan/Scanned";
import { useScan } from "../../../scan/useScan";
import { Button } from "../../../ui/Button";
import type { Form } from "../../../ui/form/useForm";
import { type ReadOff, scanKept } from "./readOff";
import type { PictureHeld } from "./useProofForm";

type Props = { plate: Plate; areas: PlanArea[]; form: Form; picture: PictureHeld };

/** Read every area off a scan: the plate's own map is laid over it. */
export function FromScan({ plate, areas, form, picture }: Props) {
  const { room } = useHere();
  const scan = useScan<ReadProof>({
    about: () => plate.id,
    kind: "read-proof",
    keepAs: scanKept(room, plate.id),
    ask: ({ id, picture: sent, corners, leftOut: left_out }) =>
      readProofScan(room, {
        id,
        plate: plate.id,
        picture: sent,
        corners: corners as never,
        left_out,
      }),
  });
  const { task, restored } = scan;
  const told = useRef<string | null>(null);
  useEffect(() => {
    if (!task?.result || !scan.picture || told.current === task.id) return;
    told.current = task.id;
    if (task.id !== restored) fill(form, areas, task.result);
    picture.take(readOff(task.id, scan.picture.id, task.result));
  }, [task, scan.picture, form, areas, picture, restored]);
  const found = task?.result;
  return (
    <div className="mb-3 border-y border-hair py-2.5">
      <Scanned
        scan={scan as never}
        label="Read them from a scan"
        hint="Dry, flat, with bare paper all round the plate mark. The plate's map finds its areas."
        of="plate mark"
        marks={
          found ? [{ quad: found.corners_px as Quad, doubtful: found.warnings.length > 0 }] : []
        }
        warnings={[...(found?.warnings ?? []), ...together(found?.areas ?? [])]}
        corners={(found?.corners_px as Quad | undefined) ?? null}
      />
      {found && task ? (
        <NotToCount
          scan={scan as never}
          src={taskFileUrl(room, task.id, 1)}
          mm={{ width: plate.width_mm, height: plate.height_mm }}
          corners={found.corners_px as Quad}
        />
      ) : null}
    </div>
  );
}

type NotProps = { scan: ReturnType<typeof useScan>; src: string; mm: Mm; corners: Quad };

/** What is painted over is left out of every area; the scan is then read between the same corners. */
function NotToCount({ scan, src, mm, corners }: NotProps) {
  const [open, setOpen] = useState(false);
  const [strokes, setStrokes] = useState<Stroke[]>([]);
  if (!open)
    return (
      <Button look="quiet" onClick={() => setOpen(true)}>
        {strokes.length > 0 ? "Change what is painted over" : "Paint over what is not to count"}
      </Button>
    );
  return (
    <Painting
      src={src}
      mm={mm}
      strokes={strokes}
      setStrokes={setStrokes}
      busy={scan.busy}
      read={() => {
        scan.read.mutate({ corners, leftOut: strokes });
        setOpen(false);
      }}
      close={() => setOpen(false)}
    />
  );
}

function fill(form: Form, areas: PlanArea[], read: ReadProof) {
  areas.forEach((area, i) => {
    const tone = read.areas.find((each) => each.name === area.name)?.lstar;
    if (tone != null)
      form.hook.setValue(`tones.${i}.read_lstar`, tone.toFixed(1), { shouldDirty: true });
  });
}

const LEAST_DOUBT = 0.5;

const readOff = (task: string, picture: string, read: ReadProof): ReadOff => ({
  task,
  picture,
  doubts: Object.fromEntries(
    read.areas.flatMap(({ name, lstar, doubt }) =>
      lstar == null ? [] : [[name, { lstar, spread: Math.max(LEAST_DOUBT, doubt ?? 1) }]],
    ),
  ),
});
