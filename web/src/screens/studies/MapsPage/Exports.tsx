import { useUser } from "../../../ui/useUser";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { askForMaps, type MapFiles, type MapsIn, type Study } from "../../../api/studies";
import { taskFileUrl } from "../../../api/tasks";
import { newId } from "../../../device/ids";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button, ButtonLink } from "../../../ui/Button";
import { Chooser } from "../../../ui/form/Picker";
import { counted } from "../../../ui/numbers";
import { Progress } from "../../../ui/Progress";
import { Trouble } from "../../../ui/Trouble";

type Paper = NonNullable<MapsIn["paper"]>;
const PAPERS: readonly (readonly [Paper, string])[] = [
  ["A4", "A4"],
  ["A3", "A3"],
  ["A2", "A2"],
  ["letter", "Letter"],
  ["tabloid", "Tabloid"],
];
const DPIS = [
  ["150", "150 dpi"],
  ["300", "300 dpi"],
  ["600", "600 dpi"],
] as const;

/** The maps to print at 1:1, to cut, or as pictures; and the bench card. */
export function Exports({ study, opens }: { study: Study; opens: boolean }) {
  const inches = useUser().units.length_unit === "in";
  const { room } = useHere();
  const { plate } = usePlate();
  const [paper, setPaper] = useState<Paper>("A4");
  const [dpi, setDpi] = useState<string>("300");
  const { task, open, take, stop } = useTask<MapFiles>({ about: plate.id, kind: "study-maps" });
  const ask = useMutation({
    mutationFn: (form: NonNullable<MapsIn["form"]>) =>
      askForMaps(room, plate.id, {
        id: newId(),
        form,
        paper,
        dpi: Number(dpi),
        mirrored: true,
        method: opens ? "open-up" : "stop-out",
        plan_version: study.plan_version,
      }),
    onSuccess: take,
  });
  return (
    <section className="grid gap-2.5 pt-3">
      <h3 className="sr-only">Take the maps along</h3>
      <div className="flex flex-wrap gap-2.5">
        <Button look="strong" disabled={open} onClick={() => ask.mutate("pdf")}>
          PDF at 1:1
        </Button>
        <Button disabled={open} onClick={() => ask.mutate("svg")}>
          SVG outlines
        </Button>
        <Button disabled={open} onClick={() => ask.mutate("png")}>
          PNG
        </Button>
      </div>
      <div className="flex flex-wrap gap-2.5">
        <Chooser label="Paper" value={paper} options={PAPERS} onChange={setPaper} />
        <Chooser label="PNG at" value={dpi} options={DPIS} onChange={setDpi} />
      </div>
      {task ? (
        <Progress task={task} doing="Drawing the maps" stop={() => stop.mutate(task.id)} />
      ) : null}
      {task?.result ? (
        <ul className="grid gap-1">
          {task.result.files.map((file, i) => (
            <li key={file.path}>
              <a
                className="font-semibold underline underline-offset-4"
                href={taskFileUrl(room, task.id, i + 1)}
                target="_blank"
                rel="noreferrer"
              >
                {file.path}
              </a>{" "}
              <span className="note">
                {file.pages > 1 ? counted(file.pages, "page") : file.title}
              </span>
            </li>
          ))}
        </ul>
      ) : null}
      <Trouble error={ask.error} />
      <p className="note">
        A page a stage, mirrored, with corner marks and a bar of {inches ? "3.94 in" : "100 mm"}:
        measure it before you trace.
        {study.lettering === "reads right"
          ? " Lettering reads backwards here, so it prints right."
          : ""}
      </p>
      <ButtonLink to={`/r/${room}/plates/${plate.id}/card`}>Bench card to print</ButtonLink>
    </section>
  );
}
