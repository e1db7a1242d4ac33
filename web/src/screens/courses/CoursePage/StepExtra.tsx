import type { ComponentType } from "react";
import type { Course, CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { Bevel } from "./Bevel";
import { Degreaser } from "./Degreaser";
import { Drawing } from "./Drawing";
import { Dust } from "./Dust";
import { GroundCheck } from "./GroundCheck";
import { Repair } from "./Repair";
import { ToMarks } from "./ToMarks";
import { Tables } from "./Tables";

type Beside = CourseStep["beside"][number];
type Props = { plate: Plate; course: Course; step: CourseStep };

const table = (key: string) => () => <Tables tables={[key]} />;

/** What may stand beside a step's texts: a calculation, a picture, a table. */
const BESIDE: Record<Beside, ComponentType<Props>> = {
  bevel: ({ plate, course }) =>
    course.bevel ? <Bevel plate={plate} bevel={course.bevel} /> : null,
  degreasers: () => <Degreaser />,
  drawing: ({ plate }) => <Drawing plate={plate} />,
  "dust-count": ({ plate }) => <Dust plate={plate} />,
  "ground-check": ({ course }) => (course.ground ? <GroundCheck ground={course.ground} /> : null),
  repair: ({ plate, course, step }) => <Repair plate={plate} course={course} after={step.id} />,
  transfers: table("transfers"),
  grounds: table("grounds"),
  textures: table("textures"),
  solvents: table("solvents"),
  marks: ({ plate }) => <ToMarks plate={plate} />,
};

/** What the table says stands beside this step. */
export function StepExtra(props: Props) {
  return (
    <>
      {props.step.beside.map((key) => {
        const Part = BESIDE[key];
        return <Part key={key} {...props} />;
      })}
    </>
  );
}
