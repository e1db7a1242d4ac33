import { useQuery } from "@tanstack/react-query";
import type { Shapes } from "../../../api/client";
import { type Study, studyQuery } from "../../../api/studies";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { TextButton } from "../../../ui/Button";
import { Trouble } from "../../../ui/Trouble";
import { Asking } from "../../../ui/Asking";
import { Care } from "../../../ui/Care";
import { Progress } from "../../../ui/Progress";
import { Section } from "../../../ui/Section";
import { NoStudy } from "./NoStudy";
import { Pictures } from "./Pictures";
import { Ready } from "./Ready";
import { useStudyChanges } from "./useStudy";

/** The value study: how many bites the picture is worth, and which tones they are. */
export function StudyPage() {
  const { room } = useHere();
  const { plate } = usePlate();
  const found = useQuery(studyQuery(room, plate.id));
  if (found.data === undefined) return <Asking error={found.error} />;
  return found.data === null ? <NoStudy plate={plate} /> : <Of key={plate.id} study={found.data} />;
}

function Of({ study }: { study: Study }) {
  const { plate } = usePlate();
  const changes = useStudyChanges(study);
  const { task, open, stop } = useTask<Shapes["StudyFieldOutput"]>({
    about: plate.id,
    kind: "study-field",
  });
  if (study.ready && study.cut) {
    return <Ready study={study} cut={study.cut} changes={changes} />;
  }
  return (
    <>
      <h2>{open ? "Reading the greys." : "The picture is not cut yet."}</h2>
      <div className="mt-3 grid max-w-180 gap-4">
        {task && !study.ready ? (
          <Progress
            task={task}
            doing="Laying the pictures together"
            stop={() => stop.mutate(task.id)}
          />
        ) : null}
        {study.ready ? (
          <Care role="alert">
            There is no way to cut it into {study.count ?? "so many"} tones. Choose another number,
            or a picture with more greys.
          </Care>
        ) : null}
        {open ? null : (
          <p>
            The picture and all that was drawn on it are kept. Change what is wrong below, or take
            another picture.{" "}
            <TextButton onClick={() => changes.change({})}>Read it again as it is</TextButton>
          </p>
        )}
        <Trouble error={changes.error} />
      </div>
      <Section>
        <Pictures study={study} changes={changes} />
      </Section>
    </>
  );
}
