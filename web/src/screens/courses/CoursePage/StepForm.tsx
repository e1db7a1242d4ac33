import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import {
  type Course,
  type CourseAct,
  type CourseStep,
  changeCourse,
  courseQuery,
} from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/registry";
import { elsewhere, faultAt } from "../../../ui/faults";
import { TextField } from "../../../ui/Field";
import { Mark } from "../../../ui/Mark";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { MeasureField } from "./MeasureField";

type Props = { plate: Plate; course: Course; step: CourseStep; next: (id: string) => void };
type Values = Record<string, string>;

/** What was noted, and what to do with the step; typed words stay through any refusal. */
export function StepForm({ plate, course, step, next }: Props) {
  const [values, setValues] = useState<Values>(() => typed(step));
  const [reason, setReason] = useState(step.waits_for.length > 0 ? "" : step.reason);
  const act = useAct(plate, step, course, next);
  const send = (kind: CourseAct["act"]) =>
    act.mutate({
      version: course.version,
      act: kind,
      step: step.id,
      keys: [],
      reason,
      measures: kind === "done" ? measuresOf(step, values) : {},
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    send("done");
  };
  if (step.by_itself) return <ByItself plate={plate} step={step} />;
  const fields = ["reason", ...step.measures.map((m) => `measures.${m.key}`)];
  return (
    <form onSubmit={submit} className="section">
      {step.waits_for.length > 0 && step.status === "todo" ? (
        <p className="care" style={{ margin: "0 0 10px" }}>
          <Mark name="care" />
          <span>
            Comes after: {step.waits_for.join("; ")}.
            <small>Do that first, or say below why not.</small>
          </span>
        </p>
      ) : null}
      <div className="measures">
        {step.measures.map((measure) => (
          <MeasureField
            key={measure.key}
            measure={measure}
            value={values[measure.key] ?? ""}
            onChange={(value) => setValues({ ...values, [measure.key]: value })}
            fault={faultAt(act.error, `measures.${measure.key}`)}
          />
        ))}
      </div>
      <TextField
        label={step.waits_for.length > 0 ? "Why now, or why skipped" : "Remark, or why skipped"}
        value={reason}
        onChange={setReason}
        fault={faultAt(act.error, "reason")}
      />
      <div className="flex flex-wrap items-center gap-3" style={{ marginTop: 12 }}>
        <button type="submit" className="btn strong" disabled={act.isPending}>
          {step.status === "done" ? "Keep the changes" : "Done"}
        </button>
        {step.status === "todo" ? (
          <button type="button" className="btn" onClick={() => send("skip")}>
            Skip it
          </button>
        ) : (
          <button type="button" className="btn" onClick={() => send("reopen")}>
            Not done after all
          </button>
        )}
        <button type="button" className="btn quiet" onClick={() => send("again")}>
          Once more
        </button>
        {step.instead.map((key) => (
          <button
            key={key}
            type="button"
            className="btn quiet"
            onClick={() => act.mutate({ ...swap(course, step, key) })}
          >
            {course.can_add[key]} instead
          </button>
        ))}
        <Trouble error={elsewhere(act.error, fields)} />
      </div>
    </form>
  );
}

function swap(course: Course, step: CourseStep, key: string): CourseAct {
  return {
    version: course.version,
    act: "swap",
    step: step.id,
    keys: [key],
    reason: "",
    measures: {},
  };
}

function useAct(plate: Plate, step: CourseStep, before: Course, next: (id: string) => void) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  return useMutation({
    mutationFn: (given: CourseAct) => changeCourse(room, plate.id, given),
    onSuccess: async (course, given) => {
      client.setQueryData(courseQuery(room, plate.id).queryKey, course);
      await client.invalidateQueries({ queryKey: [room] });
      const now = course.steps.find((each) => each.id === step.id);
      say({
        text: `${step.title}: ${given.act === "done" && now?.status === "todo" ? "again" : (now?.status ?? "changed")}.`,
      });
      if (given.act === "done" && now?.status === "done" && step.status !== "done") {
        const at = course.steps.indexOf(now);
        const open = course.steps.slice(at + 1).find((each) => each.status === "todo");
        if (open) next(open.id);
      } else if (course.steps.length !== before.steps.length || given.act === "swap") {
        const fresh = course.steps.find((s) => !before.steps.some((old) => old.id === s.id));
        if (fresh) next(fresh.id);
      }
    },
    onError: () => client.invalidateQueries({ queryKey: courseQuery(room, plate.id).queryKey }),
  });
}

/** Steps whose state follows from the plan or the run. */
function ByItself({ plate, step }: { plate: Plate; step: CourseStep }) {
  const { room } = useHere();
  const navigate = useNavigate();
  const process = plate.processes.find((each) => each.key === step.plans);
  const to = process
    ? planPath(room, plate.id, process.key)
    : plate.run
      ? `/r/${room}/runs/${plate.run.id}`
      : `/r/${room}/plates/${plate.id}`;
  return (
    <div className="section">
      <button type="button" className="btn strong" onClick={() => navigate(to)}>
        {process ? `Plan ${process.many}` : plate.run ? "Go to the bath" : "Plate page"}
      </button>{" "}
      <span className="note">It is done when the plan is kept, or the run ended.</span>
    </div>
  );
}

function typed(step: CourseStep): Values {
  const word = (value: unknown) =>
    value === true ? "yes" : value === false ? "no" : value == null ? "" : String(value);
  return Object.fromEntries(Object.entries(step.measured).map(([k, v]) => [k, word(v)]));
}

/** What is sent: numbers as numbers where they are, words as typed where not, for the server to name. */
function measuresOf(step: CourseStep, values: Values): CourseStep["measured"] {
  const found: CourseStep["measured"] = {};
  for (const measure of step.measures) {
    const value = (values[measure.key] ?? "").trim();
    if (value === "") continue;
    if (measure.kind === "yes-no") found[measure.key] = value === "yes";
    else if (measure.kind === "number") {
      const number = Number(value.replace(",", "."));
      found[measure.key] = Number.isNaN(number) ? value : number;
    } else found[measure.key] = value;
  }
  return found;
}
