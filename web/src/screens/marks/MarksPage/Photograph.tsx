import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { askToLook, type Marks, type View } from "../../../api/marks";
import { sendPicture } from "../../../api/proofs";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button } from "../../../ui/Button";
import { Progress } from "../../../ui/Progress";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";

const MOST = 6;

type Props = { marks: Marks; look: "plain" | "quiet" };

/** Send photographs of the plate: two to six of clear plastic, one where ink is rubbed in. */
export function Photograph({ marks, look }: Props) {
  const { room } = useHere();
  const clear = marks.material?.clear ?? false;
  const [inked, setInked] = useState(!clear);
  const [sent, setSent] = useState<[number, number] | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const { task, take, stop } = useTask<View>({ about: marks.id, kind: "scratch-view" });
  const send = useMutation({
    mutationFn: async (files: File[]) => {
      const pictures: string[] = [];
      for (const file of files.slice(0, MOST)) {
        setSent([pictures.length + 1, files.length]);
        pictures.push((await sendPicture(room, newId(), file)).id);
      }
      const body = { id: newId(), pictures, inked, drawing: null, drawing_mirrored: false };
      return askToLook(room, marks.id, body);
    },
    onSuccess: take,
    onSettled: () => setSent(null),
  });
  useKeys({ c: () => input.current?.click() });
  const again = marks.looks.length > 0;
  return (
    <div className="grid justify-items-start gap-1.5">
      <span className="flex flex-wrap items-center gap-3">
        <Button look={look} disabled={send.isPending} onClick={() => input.current?.click()}>
          {sent
            ? `Sending ${sent[0]} of ${sent[1]}`
            : again
              ? "Photograph again"
              : "Choose photographs"}
        </Button>
        <label className="flex items-center gap-2 pointer-coarse:min-h-12">
          <input
            type="checkbox"
            checked={inked}
            onChange={(event) => setInked(event.target.checked)}
          />
          ink is rubbed in
        </label>
      </span>
      <input
        ref={input}
        type="file"
        multiple
        hidden
        accept="image/jpeg,image/png,image/tiff"
        aria-label="Photographs of the plate"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          if (files.length > 0) send.mutate(files);
          event.target.value = "";
        }}
      />
      {task ? (
        <Progress task={task} doing="Merging the lights" stop={() => stop.mutate(task.id)} />
      ) : null}
      <Trouble error={send.error} />
    </div>
  );
}
