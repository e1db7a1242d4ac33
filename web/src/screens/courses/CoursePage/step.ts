import type { CourseStep } from "../../../api/courses";
import type { Typed } from "../../../ui/form/read";
import { type Field, type Shape, text } from "../../../ui/form/shape";

type Measure = CourseStep["measures"][number];
export type StepRead = { reason: string; measures: Record<string, unknown> };

const KINDS: Record<Measure["kind"], Field["kind"]> = {
  number: "number",
  text: "text",
  "yes-no": "pick",
  choice: "pick",
};

const LONGEST_REASON = 500;

/** A step's form: its measures with the table's own limits, and a remark. */
export function stepShape(step: CourseStep): Shape {
  const asked = step.waits_for.length > 0 ? "Why now, or why skipped" : "Remark, or why skipped";
  const fields = step.measures.map((measure) => [`measures.${measure.key}`, fieldOf(measure)]);
  return {
    fields: { reason: { ...text(asked), longest: LONGEST_REASON }, ...Object.fromEntries(fields) },
  };
}

function fieldOf({ kind, label, unit, low, high }: Measure): Field {
  const limits = kind === "number" ? { low: low ?? undefined, high: high ?? undefined } : {};
  return { kind: KINDS[kind], label, unit, ...limits };
}

const word = (value: unknown) =>
  value === true ? "yes" : value === false ? "no" : value == null ? "" : String(value);

export function typedStep(step: CourseStep): Typed {
  const measures = step.measures.map(({ key }) => [key, word(step.measured[key])]);
  return {
    reason: step.waits_for.length > 0 ? "" : step.reason,
    measures: Object.fromEntries(measures),
  };
}

/** What is sent: what was noted, yes and no as truth. */
export function measuresOf({ measures }: StepRead): CourseStep["measured"] {
  const told = Object.entries(measures).flatMap(([key, value]) =>
    value === "" || value === null ? [] : [[key, truth(value)] as const],
  );
  return Object.fromEntries(told) as CourseStep["measured"];
}

const truth = (value: unknown) => (value === "yes" ? true : value === "no" ? false : value);
