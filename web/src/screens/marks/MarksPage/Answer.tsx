import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { askForGuide, type Guide, type Hatch, type Marks } from "../../../api/marks";
import { taskFileUrl } from "../../../api/tasks";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button, buttonLook } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Progress } from "../../../ui/Progress";
import { Segments } from "../../../ui/Segments";
import { Trouble } from "../../../ui/Trouble";
import { shownApart, shownRun } from "../../../ui/units";
import { type Asked, WAYS } from "./asked";
import { ToneStepper } from "./ToneStepper";

type Props = {
  marks: Marks;
  hatch: Hatch | null;
  asked: Asked;
  setLstar: (lstar: number) => void;
};

/** For a tone: how far apart, how sure, with what. */
export function Answer({ marks, hatch, asked, setLstar }: Props) {
  const { me } = useHere();
  const row = hatch?.rows[asked.layers - 1];
  const plan = row?.plan;
  const unit = me.length_unit;
  return (
    <>
      <div className="plate-mark mt-1.5 flex items-stretch pl-5.5 max-desk:flex-wrap max-desk:px-4">
        <h2 className="flex flex-1 flex-wrap items-center gap-x-2 gap-y-1.5 py-2 font-slab text-h1 leading-tight font-semibold max-phone:text-h2">
          <span>For</span>
          <ToneStepper lstar={asked.lstar} onChange={setLstar} />
          {plan && plan.spacing_um !== null ? (
            <>
              <span>hatch</span>
              <span className="whitespace-nowrap">
                <b className="num text-show leading-none">{shownApart(plan.spacing_um, me)}</b>{" "}
                {unit} apart, {WAYS[asked.layers]}
              </span>
              {plan.spacing_low_um !== null && plan.spacing_high_um !== null ? (
                <small className="font-text text-lead font-normal whitespace-nowrap text-ink-2">
                  ({shownApart(plan.spacing_low_um, me)} to {shownApart(plan.spacing_high_um, me)})
                </small>
              ) : null}
            </>
          ) : (
            <span>{plan ? "leave it bare" : ""}</span>
          )}
        </h2>
        {hatch ? (
          <dl className="grid content-center gap-0.5 border-hair px-4 py-2 desk:border-l max-desk:pl-0">
            <dt className="note">
              pressure <span className="num">{hatch.pressure}</span>, a line prints{" "}
              <span className="num">{Math.round(hatch.width_um)}</span> µm
            </dt>
            <dd className={`font-bold ${hatch.width_measured ? "" : "text-ink-2"}`}>
              {hatch.source}
            </dd>
          </dl>
        ) : null}
      </div>
      {plan?.warnings.map((each) => (
        <Care key={each.code} className="mt-1.5">
          {each.text}
        </Care>
      ))}
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        {plan ? (
          <span className="note mr-auto">
            Over the whole plate <span className="num">{plan.lines}</span> lines,{" "}
            <span className="num">{shownRun(plan.length_m, me)}</span>.
          </span>
        ) : null}
        <PrintGuide marks={marks} />
      </div>
    </>
  );
}

const LIES = [
  ["under", "Under the plate"],
  ["transfer", "To transfer"],
] as const;

/** A sheet of every hatched group at its size. */
function PrintGuide({ marks }: { marks: Marks }) {
  const { room } = useHere();
  const clear = marks.material?.clear ?? false;
  const [lies, setLies] = useState<"under" | "transfer">(clear ? "under" : "transfer");
  const { task, take, stop } = useTask<Guide>({ about: marks.id, kind: "hatch-guide" });
  const ask = useMutation({
    mutationFn: () => askForGuide(room, marks.id, { id: newId(), lies, paper: "A4" }),
    onSuccess: take,
  });
  return (
    <span className="flex flex-wrap items-center gap-3">
      {clear ? (
        <Segments label="How the guide lies" value={lies} options={LIES} onChange={setLies} />
      ) : null}
      {task?.result ? (
        <a
          className={buttonLook("quiet")}
          href={taskFileUrl(room, task.id, 1)}
          target="_blank"
          rel="noreferrer"
        >
          Open the guide
        </a>
      ) : null}
      <Button look="strong" disabled={ask.isPending} onClick={() => ask.mutate()}>
        Make a guide, 1:1
      </Button>
      {task ? (
        <Progress task={task} doing="Drawing the guide" stop={() => stop.mutate(task.id)} />
      ) : null}
      <Trouble error={ask.error} />
    </span>
  );
}
