import type { Course, CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { Bevel } from "./Bevel";
import { Degreaser } from "./Degreaser";
import { Drawing } from "./Drawing";
import { Dust } from "./Dust";
import { GroundCheck } from "./GroundCheck";
import { Repair } from "./Repair";

const AFTER_GROUND = new Set([
  "ball-ground", "liquid-ground", "soft-ground", "dust", "spray", "fuse", "whites", "draw",
  "touch-up", "press-textures", "bite-lines", "bite-tones",
]); // biome-ignore format: a list of keys

/** What a step has beside its texts: a calculation, a picture, a table. */
export function StepExtra(props: { plate: Plate; course: Course; step: CourseStep }) {
  const { plate, course, step } = props;
  return (
    <>
      {step.key === "bevel" && course.bevel ? <Bevel plate={plate} bevel={course.bevel} /> : null}
      {step.key === "degrease" ? <Degreaser /> : null}
      {step.key === "drawing" || step.key === "under-drawing" ? <Drawing plate={plate} /> : null}
      {step.key === "proof" ? <Repair plate={plate} course={course} after={step.id} /> : null}
      {step.key === "dust" ? <Dust plate={plate} /> : null}
      {course.ground && AFTER_GROUND.has(step.key) ? <GroundCheck ground={course.ground} /> : null}
    </>
  );
}
