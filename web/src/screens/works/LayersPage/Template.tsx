import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { taskFileUrl } from "../../../api/tasks";
import { askForWorkTemplate, type Work } from "../../../api/works";
import type { Shapes } from "../../../api/client";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button, buttonLook } from "../../../ui/Button";
import { Progress } from "../../../ui/Progress";
import { Section } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { Trouble } from "../../../ui/Trouble";

const PAPERS = [
  ["A4", "A4"],
  ["letter", "Letter"],
  ["A3", "A3"],
] as const;

/** The template that all plates are laid on, with the places of their crosses, at 1:1. */
export function Template({ work }: { work: Work }) {
  const { room } = useHere();
  const [on, setOn] = useState<"A4" | "letter" | "A3">("A4");
  const { task, open, take, stop } = useTask<Shapes["PressTemplateOutput"]>({
    about: work.id,
    kind: "press-template",
  });
  const ask = useMutation({
    mutationFn: () => askForWorkTemplate(room, work.id, { id: newId(), print_on: on }),
    onSuccess: take,
  });
  return (
    <Section>
      <h2 className="text-h3">Template for the press bed</h2>
      <p className="mt-1">
        One for all plates: paper, plate, and where the crosses of each plate are scratched. Keep
        the ground about each cross free of tone, and burnish them away before the edition.
      </p>
      <span className="mt-2 flex flex-wrap items-center gap-3">
        <Segments label="Printed on" value={on} options={PAPERS} onChange={setOn} />
        <Button disabled={ask.isPending || open} onClick={() => ask.mutate()}>
          Draw the template
        </Button>
        {task?.result ? (
          <a className={buttonLook("quiet")} href={taskFileUrl(room, task.id, 1)} download>
            Save it, {task.result.pages} {task.result.pages === 1 ? "page" : "pages"}
          </a>
        ) : null}
      </span>
      {task ? (
        <Progress task={task} doing="Drawing the template" stop={() => stop.mutate(task.id)} />
      ) : null}
      <Trouble error={ask.error} />
    </Section>
  );
}
