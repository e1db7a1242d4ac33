import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { markStep, type Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { TextField } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";

type Step = Plate["course"][number];

const NAMES: Record<Step["step"], string> = {
  prepare: "Prepare",
  image: "Image",
  ground: "Ground",
  plan: "Plan",
  bite: "Bite",
  proof: "Proof",
  edition: "Edition",
};
const BY_HAND = new Set<Step["step"]>(["prepare", "image", "ground", "edition"]);
const ASKS: Record<string, string> = {
  prepare:
    "Bevelled, polished, degreased after the last polish; the sheet of water holds unbroken.",
  image: "On the plate, mirrored or reversed first. Lettering checked in the mirror.",
  ground: "Laid and cooled, or dust fused clear over the whole plate. Edges and back covered.",
  edition: "Printed, numbered, the plate waxed or defaced.",
};

/** The course on its swelled line; every step can be opened at any time. */
export function Course({ plate }: { plate: Plate }) {
  const [open, setOpen] = useState<Step | null>(null);
  const { room } = useHere();
  const navigate = useNavigate();
  const go = (step: Step) => {
    if (BY_HAND.has(step.step)) setOpen(step);
    else if (step.step === "plan") navigate(`/r/${room}/plates/${plate.id}/plan`);
    else if (step.step === "proof") navigate(`/r/${room}/plates/${plate.id}/proofs`);
    else if (plate.run) navigate(`/r/${room}/runs/${plate.run.id}`);
    else navigate(`/r/${room}/plates/${plate.id}/plan`);
  };
  useKeys(Object.fromEntries(plate.course.map((step, i) => [String(i + 1), () => go(step)])));
  const now = plate.course.findIndex((step) => step.state === "now");
  const metal = plate.metal === "zinc" ? "var(--zinc)" : "var(--copper)";
  return (
    <>
      <ol className="course" style={{ "--metal": metal } as React.CSSProperties}>
        {plate.course.map((step, i) => (
          <li
            key={step.step}
            className={step.state}
            style={{ "--w": `${1 + i * 0.5}px` } as React.CSSProperties}
          >
            <button
              type="button"
              onClick={() => go(step)}
              aria-current={step.state === "now" ? "step" : undefined}
            >
              <span className="name">{NAMES[step.step]}</span>
              <span className="bar" aria-hidden="true">
                <i />
              </span>
              <span className="fact">
                {step.fact || (step.state === "done" ? "done" : "")}
                <span className="vh">{step.state === "todo" ? "to do" : ""}</span>
              </span>
            </button>
          </li>
        ))}
      </ol>
      <p className="course-phone">
        <b style={{ fontFamily: "var(--slab)", fontSize: 20 }}>
          {NAMES[plate.course[Math.max(0, now)]?.step ?? "edition"]}
        </b>
        <span className="note">
          step {Math.max(0, now) + 1} of 7. {plate.next_step}
        </span>
      </p>
      {open ? <MarkStep plate={plate} step={open} close={() => setOpen(null)} /> : null}
    </>
  );
}

function MarkStep({ plate, step, close }: { plate: Plate; step: Step; close: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const [fact, setFact] = useState(step.fact);
  const save = useMutation({
    mutationFn: (done: boolean) =>
      markStep(room, plate.id, { version: plate.version, step: step.step, done, fact }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      close();
    },
  });
  return (
    <div className="empty" style={{ marginBottom: 18, maxWidth: 720 }}>
      <h2>{NAMES[step.step]}</h2>
      <p>{ASKS[step.step]}</p>
      <TextField label="What was done" value={fact} onChange={setFact} />
      <div className="flex flex-wrap gap-3" style={{ marginTop: 12 }}>
        <button
          type="button"
          className="btn strong"
          disabled={save.isPending}
          onClick={() => save.mutate(true)}
        >
          Mark done
        </button>
        {step.state === "done" ? (
          <button
            type="button"
            className="btn"
            disabled={save.isPending}
            onClick={() => save.mutate(false)}
          >
            Not done after all
          </button>
        ) : null}
        <button type="button" className="btn quiet" onClick={close}>
          Close
        </button>
        <Trouble error={save.error} />
      </div>
    </div>
  );
}
