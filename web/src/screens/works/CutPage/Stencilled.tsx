import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { pictureUrl, sendPicture } from "../../../api/proofs";
import { taskFileUrl } from "../../../api/tasks";
import { askForStencils, type Stencils, type Work } from "../../../api/works";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { useKeepWork } from "../../../frame/works/useKeepWork";
import { Button, buttonLook } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { FilePick } from "../../../ui/form/FilePick";
import { Progress } from "../../../ui/Progress";
import { Segments } from "../../../ui/Segments";
import { Trouble } from "../../../ui/Trouble";
import { inWords } from "../../../ui/words";
import { OneStencil } from "./OneStencil";

const COLOURS = [
  ["1", "One"],
  ["2", "Two"],
  ["3", "Three"],
  ["4", "Four"],
] as const;
type Count = (typeof COLOURS)[number][0];

/** A drawing in flat colours cut into stencils: their order, their shapes, what would fall out. */
export function Stencilled({ work }: { work: Work }) {
  const { room } = useHere();
  const keep = useKeepWork(work);
  const [count, setCount] = useState<Count>("2");
  const { task, open, take, stop } = useTask<Stencils>({ about: work.id, kind: "stencils" });
  const ask = useMutation({
    mutationFn: () =>
      askForStencils(room, work.id, {
        id: newId(),
        colours: Number(count),
        smooth_mm: 1,
        print_on: "A4",
      }),
    onSuccess: take,
  });
  const draw = useMutation({
    mutationFn: async (file: File) => {
      const picture = await sendPicture(room, newId(), file);
      return keep({ drawing: picture.id });
    },
  });
  const told = task?.result ?? null;
  return (
    <>
      <header className="mt-1 min-h-14">
        <h1 className="max-phone:text-far">{titleOf(told)}</h1>
        <p className="mt-1 text-lead">
          {told?.text ??
            "A drawing in flat colours on white, as it prints; each colour is a stencil."}
        </p>
      </header>
      <span className="mt-2 flex flex-wrap items-center gap-3">
        {work.drawing ? (
          <img
            src={pictureUrl(room, work.drawing)}
            alt="The drawing that is cut"
            className="h-14 border border-hair"
          />
        ) : null}
        <FilePick
          label="Drawing to cut"
          disabled={draw.isPending}
          onPick={(file) => draw.mutate(file)}
        >
          {work.drawing ? "Another drawing" : "Choose a drawing"}
        </FilePick>
        {work.drawing ? (
          <>
            <Segments label="Colours" value={count} options={COLOURS} onChange={setCount} />
            <Button
              look={told ? "plain" : "strong"}
              disabled={ask.isPending || open}
              onClick={() => ask.mutate()}
            >
              Cut it
            </Button>
          </>
        ) : null}
        {told && task ? (
          <a className={buttonLook("quiet")} href={taskFileUrl(room, task.id, 1)} download>
            Save at 1:1, mirrored
          </a>
        ) : null}
      </span>
      {task ? <Progress task={task} doing="Cutting" stop={() => stop.mutate(task.id)} /> : null}
      {(told?.warnings ?? []).map((each) => (
        <Care key={`${each.code} ${each.stencil}`} className="mt-1">
          {each.text}
        </Care>
      ))}
      <Trouble error={ask.error ?? draw.error} />
      {told && task ? (
        <ol className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(280px,1fr))] gap-6">
          {told.stencils.map((each) => (
            <OneStencil key={each.number} stencil={each} task={task.id} work={work} keep={keep} />
          ))}
        </ol>
      ) : null}
    </>
  );
}

function titleOf(told: Stencils | null): string {
  if (!told) return "Cut a drawing into stencils.";
  const loose = told.stencils.reduce((sum, each) => sum + each.loose.length, 0);
  const count = `${inWords(told.stencils.length)} ${told.stencils.length === 1 ? "stencil" : "stencils"}`;
  const first = `${count.charAt(0).toUpperCase()}${count.slice(1)}`;
  if (loose === 0) return `${first}, nothing falls out.`;
  return `${first}; ${inWords(loose)} ${loose === 1 ? "piece needs a bridge" : "pieces need a bridge"}.`;
}
