import { askForTemplate, type Press, type Sheets } from "../../../api/editions";
import type { Shapes } from "../../../api/client";
import { taskFileUrl } from "../../../api/tasks";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { buttonLook } from "../../../ui/Button";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, pick, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Progress } from "../../../ui/Progress";
import { shownLength } from "../../../ui/units";
import type { Task } from "../../../api/tasks";

const SHAPE = shapeOf("TemplateIn", {
  width_mm: length("Paper, across"),
  height_mm: length("Paper, down"),
  lift_mm: length("Plate above the middle"),
  print_on: pick("Printed on"),
});
const PAPERS = [
  ["A4", "A4"],
  ["A3", "A3"],
  ["letter", "Letter"],
  ["tabloid", "Tabloid"],
] as const;
type Read = Omit<Shapes["TemplateIn"], "id">;
type Drawn = Shapes["PressTemplateOutput"];

/** A template for the press bed at 1:1: where plate and paper lie, with registration marks. */
export function Template({ press, sheets }: { press: Press; sheets: Sheets | null }) {
  const { room, me } = useHere();
  const { task, take, stop } = useTask<Drawn>({ about: press.id, kind: "press-template" });
  const [w, h] = sheets ? turned(sheets) : [press.width_mm + 120, press.height_mm + 120];
  const form = useForm<Read, Task>(SHAPE, {
    start: {
      width_mm: shownLength(w, me),
      height_mm: shownLength(h, me),
      lift_mm: shownLength(press.decided.lift_mm, me),
      print_on: me.length_unit === "in" ? "letter" : "A4",
    },
    send: (read, { id }) => askForTemplate(room, press.id, { ...read, id }),
    done: take,
  });
  return (
    <form noValidate onSubmit={form.submit}>
      <h2 className="text-h3">Template for the bed, 1:1</h2>
      <p className="mt-1 mb-2.5">
        Goes under the blotter: paper and plate as rectangles, with marks to lay both by, tiled over
        as many sheets as it takes.
      </p>
      <div className="flex flex-wrap items-start gap-4">
        <NumberField form={form} name="width_mm" step={5} />
        <NumberField form={form} name="height_mm" step={5} />
        <NumberField form={form} name="lift_mm" step={5} />
        <PickField form={form} name="print_on" options={PAPERS} />
      </div>
      <FormFoot form={form} submit="Draw the template" look="plain">
        {task?.result ? (
          <a
            className={buttonLook("quiet")}
            href={taskFileUrl(room, task.id, 1)}
            target="_blank"
            rel="noreferrer"
          >
            Open it, {task.result.pages} {task.result.pages === 1 ? "page" : "pages"}
          </a>
        ) : null}
      </FormFoot>
      {task ? (
        <Progress task={task} doing="Drawing the template" stop={() => stop.mutate(task.id)} />
      ) : null}
    </form>
  );
}

/** The piece as it lies under the plate, which lies as it is named. */
const turned = ({ piece_mm, turned: across }: Sheets): [number, number] =>
  across ? [piece_mm[1], piece_mm[0]] : [piece_mm[0], piece_mm[1]];
