import { useMutation } from "@tanstack/react-query";
import { taskFileUrl } from "../../../api/tasks";
import { askForPreview, type Overprint, type Work } from "../../../api/works";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button } from "../../../ui/Button";
import { Progress } from "../../../ui/Progress";
import { Trouble } from "../../../ui/Trouble";

/** The print that all plates make together; drawn anew where inks or order changed. */
export function Preview({ work }: { work: Work }) {
  const { room } = useHere();
  const { task, open, take, stop } = useTask<Overprint>({ about: work.id, kind: "overprint" });
  const ask = useMutation({
    mutationFn: () => askForPreview(room, work.id, { id: newId() }),
    onSuccess: take,
  });
  const pictured = work.layers_out.some((each) => each.shown);
  return (
    <div className="grid gap-1.5">
      {work.preview ? (
        <img
          src={taskFileUrl(room, work.preview, 1)}
          alt="The print that all plates make together"
          className="w-full border border-ink"
          style={{ aspectRatio: `${work.width_mm} / ${work.height_mm}` }}
        />
      ) : null}
      <b>Together</b>
      {work.preview && !work.preview_fresh ? (
        <span className="note text-ferric-deep">
          As it was before inks, order or pictures changed.
        </span>
      ) : null}
      {!work.preview_fresh && pictured && !open ? (
        <span>
          <Button disabled={ask.isPending} onClick={() => ask.mutate()}>
            {work.preview ? "Draw it anew" : "See them together"}
          </Button>
        </span>
      ) : null}
      {pictured ? null : (
        <span className="note">
          Give layers a picture of what they print, to see them together.
        </span>
      )}
      {task ? (
        <Progress task={task} doing="Laying the inks" stop={() => stop.mutate(task.id)} />
      ) : null}
      <Trouble error={ask.error} />
    </div>
  );
}
