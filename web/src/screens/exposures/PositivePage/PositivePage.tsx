import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Chart, chartsQuery, type Positive } from "../../../api/exposures";
import { sendPicture } from "../../../api/proofs";
import { newId } from "../../../device/ids";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Asking } from "../../../ui/Asking";
import { FilePick } from "../../../ui/form/FilePick";
import { Progress } from "../../../ui/Progress";
import { Beside, Empty } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { Made } from "./Made";
import { Make } from "./Make";

/** A plate's positive: its picture as the film that prints its greys. */
export function PositivePage() {
  const { room } = useHere();
  const { data, error } = useQuery(chartsQuery(room));
  if (!data)
    return (
      <Asking error={error}>
        <h2>Positive</h2>
      </Asking>
    );
  return <Known charts={data.items.filter((chart) => chart.curve !== null)} />;
}

function Known({ charts }: { charts: Chart[] }) {
  const { room } = useHere();
  const { plate } = usePlate();
  const found = useTask<Positive>({ about: plate.id, kind: "positive" });
  const { task, stop } = found;
  const [sent, setSent] = useState<string | null>(null);
  const send = useMutation({
    mutationFn: (file: File) => sendPicture(room, newId(), file),
    onSuccess: (picture) => setSent(picture.id),
  });
  const before = typeof task?.given.picture === "string" ? task.given.picture : null;
  const picture = sent ?? before;
  const pick = (
    <FilePick
      label="The picture of this plate"
      look={picture ? "quiet" : "strong"}
      onPick={(file) => send.mutate(file)}
    >
      {send.isPending ? "Sending" : picture ? "Another picture" : "Choose a picture"}
    </FilePick>
  );
  return (
    <>
      <h2 className="text-h1">{answer(task?.result ?? null, picture, charts.length > 0)}</h2>
      <Trouble error={send.error} />
      {picture ? (
        <Beside className="mt-3">
          <div className="min-w-0">
            {task ? (
              <Progress task={task} doing="Making the film" stop={() => stop.mutate(task.id)} />
            ) : null}
            {task?.result ? <Made task={task.id} film={task.result} /> : null}
            {task ? null : (
              <p className="note">The picture is here. Say how its film is made, at the right.</p>
            )}
          </div>
          <aside className="min-w-0">
            {pick}
            <Make key={picture} picture={picture} charts={charts} found={found} />
          </aside>
        </Beside>
      ) : (
        <Empty title="No picture yet">
          <p>
            As it shall print, the right way round: it is fitted to the plate, its greys go through
            the curve of a step chart, and it comes out as a film at its true size.
          </p>
          {pick}
        </Empty>
      )}
    </>
  );
}

/** What the film does, and how much of it is its curve's. */
function made({ off_without_lstar: off, warnings }: Positive): string {
  const cares = warnings.length;
  const more = cares === 0 ? "" : `, with ${cares === 1 ? "a warning" : `${cares} warnings`}`;
  return off === null
    ? `The film is made as drawn${more}: how its greys print is not known.`
    : `The film is made${more}: its greys print as drawn, ${off.toFixed(0)} L* nearer than without the curve.`;
}

const THIN = "It is drawn as it is: no step chart tells how this plate prints.";

/** What there is, in one sentence. */
function answer(film: Positive | null, picture: string | null, charted: boolean): string {
  if (film) return made(film);
  if (!picture) return "Which picture shall this plate print?";
  return charted ? "Now make its film." : THIN;
}
