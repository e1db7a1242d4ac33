import { useMutation } from "@tanstack/react-query";
import { pictureUrl } from "../../../api/proofs";
import { taskFileUrl } from "../../../api/tasks";
import {
  askForTracing,
  type Layer,
  type Tracing,
  type Work,
  type WorkState,
} from "../../../api/works";
import type { Log } from "../../../device/useWaiting";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button, buttonLook } from "../../../ui/Button";
import { Progress } from "../../../ui/Progress";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { TracedSheet } from "./TracedSheet";

type Props = { work: Work; layer: Layer; state: WorkState; log: Log };

/** The drawing of a traced monotype, mirrored as on the back of the sheet; what was followed. */
export function Traced({ work, layer, state, log }: Props) {
  const { room } = useHere();
  const { task, open, take, stop } = useTask<Tracing>({ about: work.id, kind: "traced-drawing" });
  const ask = useMutation({
    mutationFn: () =>
      askForTracing(room, work.id, { id: newId(), layer: layer.id, print_on: "A4" }),
    onSuccess: take,
  });
  const told = task?.given.layer === layer.id ? (task.result ?? null) : null;
  const done = new Set(state.followed.find((each) => each.layer === layer.id)?.pieces ?? []);
  const left = told ? told.pieces.filter((each) => !done.has(each.number)).length : 0;
  return (
    <Section>
      <h2 className="text-h2">{said(layer.name, told, left)}</h2>
      <p className="mt-1">
        Mirrored, as it lies on the back of the sheet: what is followed there prints the other way
        round, as it was drawn. Touch a part when the pencil has followed it.
      </p>
      <span className="mt-2 flex flex-wrap items-center gap-3">
        {layer.shown ? (
          <img
            src={pictureUrl(room, layer.shown)}
            alt={`${layer.name} as it prints`}
            className="h-14 border border-hair"
          />
        ) : null}
        <Button disabled={ask.isPending || open || !layer.shown} onClick={() => ask.mutate()}>
          {told ? "Lay it out anew" : "Lay out the drawing"}
        </Button>
        {told && task ? (
          <a className={buttonLook("quiet")} href={taskFileUrl(room, task.id, 1)} download>
            Save at 1:1, {told.pages} {told.pages === 1 ? "page" : "pages"}
          </a>
        ) : null}
        {layer.shown ? null : (
          <span className="note">Give this layer a picture first, under Layers.</span>
        )}
      </span>
      {task && told === null ? (
        <Progress task={task} doing="Laying it out" stop={() => stop.mutate(task.id)} />
      ) : null}
      <Trouble error={ask.error} />
      {told ? (
        <TracedSheet
          work={work}
          told={told}
          done={done}
          follow={(piece, followed) =>
            log({ kind: "pieces-followed", data: { layer: layer.id, pieces: [piece], followed } })
          }
        />
      ) : null}
    </Section>
  );
}

function said(name: string, told: Tracing | null, left: number): string {
  if (!told) return `${name}: follow the drawing.`;
  if (left === 0) return `${name}: all is followed. Lift a corner and look.`;
  return `${name}: ${left} of ${told.pieces.length} parts left to follow.`;
}
