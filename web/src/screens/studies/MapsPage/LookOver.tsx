import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { pictureUrl, sendPicture, type Picture } from "../../../api/proofs";
import { askToLook, type LookedOver, type Stage } from "../../../api/studies";
import { newId } from "../../../device/ids";
import type { Mark } from "../../../figures/map/StopOutMap";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { FilePick } from "../../../ui/form/FilePick";
import { Progress } from "../../../ui/Progress";
import { Trouble } from "../../../ui/Trouble";

const CORNERS = ["top left", "top right", "bottom right", "bottom left"];
const LEAST_RING_MM = 4;

/** The last photograph laid over the map of a bite. */
export function useLook(plate: string, bite: number) {
  const found = useTask<LookedOver>({ about: plate, kind: "look-over" });
  const own = found.task?.given.bite === bite ? found.task : undefined;
  const marks: Mark[] = (own?.result?.marks ?? []).map((each, i) => ({
    key: `${each.x_mm} ${each.y_mm}`,
    x_mm: each.x_mm,
    y_mm: each.y_mm,
    r_mm: Math.max(LEAST_RING_MM, Math.hypot(each.width_mm, each.height_mm) / 2 + 1.5),
    name: String(i + 1),
  }));
  return { ...found, task: own, marks };
}

type Props = {
  look: ReturnType<typeof useLook>;
  plate: string;
  stage: Stage;
  method: "stop-out" | "open-up";
};

/** A photograph before the dip: what should be covered and looks bare is marked on the map. */
export function LookOver({ look, plate, stage, method }: Props) {
  const { room } = useHere();
  const { task, open, take, stop } = look;
  const [sent, setSent] = useState<Picture | null>(null);
  const ask = useMutation({
    mutationFn: async ({ file, corners }: { file?: File; corners?: [number, number][] }) => {
      const picture = file ? await sendPicture(room, newId(), file) : sent;
      if (!picture) return null;
      setSent(picture);
      return askToLook(room, plate, {
        id: newId(),
        picture: picture.id,
        bite: stage.bite,
        method,
        corners: corners ?? null,
      });
    },
    onSuccess: (next) => (next ? take(next) : undefined),
  });
  const lost = task?.fault?.code === "no-plate";
  return (
    <section className="mt-3 grid gap-2 border-t border-hair pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <FilePick
          label="Photograph of the painted plate"
          disabled={open || ask.isPending}
          onPick={(file) => ask.mutate({ file })}
        >
          {ask.isPending ? "Sending" : "Photograph it before the dip"}
        </FilePick>
        <span className="note min-w-0 flex-1">
          From straight above, all four corners in it, no glare. What was forgotten is marked.
        </span>
      </div>
      {task && (open || task.state === "failed") ? (
        <Progress task={task} doing="Looking it over" stop={() => stop.mutate(task.id)} />
      ) : null}
      {lost && sent ? (
        <Corners picture={sent} onFour={(corners) => ask.mutate({ corners })} />
      ) : null}
      {task?.result ? <Seen found={task.result} /> : null}
      <Trouble error={ask.error} />
    </section>
  );
}

function Seen({ found }: { found: LookedOver }) {
  if (found.marks.length === 0) {
    return found.sure ? <p className="font-semibold">{found.text}</p> : <Care>{found.text}</Care>;
  }
  return (
    <>
      <Care role="alert">{found.text}</Care>
      <ol className="grid gap-0.5">
        {found.marks.map((mark, i) => (
          <li key={`${mark.x_mm} ${mark.y_mm}`}>
            <b className="num">{i + 1}</b> {mark.kind}, {mark.area.toLowerCase()},{" "}
            <span className="num">{mark.mm2.toFixed(0)}</span> mm²
          </li>
        ))}
      </ol>
      <p className="note">Touch them up, let them dry, and look once more yourself.</p>
    </>
  );
}

/** The four corners, pressed one after another. */
function Corners({
  picture,
  onFour,
}: {
  picture: Picture;
  onFour: (corners: [number, number][]) => void;
}) {
  const { room } = useHere();
  const [corners, setCorners] = useState<[number, number][]>([]);
  const next = CORNERS[corners.length];
  return (
    <div className="grid gap-2">
      <p className="font-semibold">{next ? `Press the plate's ${next} corner.` : "Looking."}</p>
      <button
        type="button"
        className="relative max-w-140 cursor-crosshair"
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const at: [number, number] = [
            ((event.clientX - box.left) / box.width) * picture.width_px,
            ((event.clientY - box.top) / box.height) * picture.height_px,
          ];
          const now = [...corners, at];
          setCorners(now);
          if (now.length === CORNERS.length) onFour(now);
        }}
      >
        <img src={pictureUrl(room, picture.id)} alt="The photograph" className="w-full" />
      </button>
      {corners.length > 0 ? (
        <Button look="quiet" onClick={() => setCorners([])}>
          Begin with the corners again
        </Button>
      ) : null}
    </div>
  );
}
