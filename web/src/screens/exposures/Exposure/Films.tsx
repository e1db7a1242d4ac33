import { useMutation } from "@tanstack/react-query";
import {
  askForChartFilm,
  askForScreen,
  type ChartFilm,
  type ScreenFilm,
  type Test,
} from "../../../api/exposures";
import { type Task, taskFileUrl } from "../../../api/tasks";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, shapeOf, share } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Progress } from "../../../ui/Progress";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { shownLength } from "../../../ui/units";

const SHAPE = shapeOf("ScreenIn", {
  dot_um: number("Dot", { needed: true }),
  open_share: share("Open", { needed: true }),
  dpi: number("Film at", { needed: true }),
  width_mm: length("Film, wide"),
  height_mm: length("Film, high"),
});
const FILM_MM = { width: 300, height: 210 };
type Read = { [Name in "dot_um" | "open_share" | "dpi" | "width_mm" | "height_mm"]: number };

/** The films of an exposure, made here: the dot screen, and the test's or the chart's own. */
export function Films({ test }: { test: Test }) {
  return (
    <Section>
      <details open={test.readings.length === 0}>
        <summary>
          <h2 className="inline">Films to print</h2>{" "}
          <span className="note">dot screen, test film, step chart</span>
        </summary>
        <div className="mt-3 grid items-start gap-x-7 gap-y-5 desk:grid-cols-2">
          <Screen />
          <OfTest test={test} />
        </div>
      </details>
    </Section>
  );
}

function Screen() {
  const { room, me } = useHere();
  const { task, open, take, stop } = useTask<ScreenFilm>({ about: room, kind: "dot-screen" });
  const form = useForm<Read, Task>(SHAPE, {
    keepAs: `${room} dot screen`,
    start: {
      dot_um: "60",
      open_share: "50",
      dpi: "1440",
      width_mm: shownLength(FILM_MM.width, me),
      height_mm: shownLength(FILM_MM.height, me),
    },
    send: (read, { id }) => askForScreen(room, { ...read, id, seed: 1 }),
    done: take,
  });
  return (
    <form noValidate onSubmit={form.submit}>
      <h3 className="text-lead">Dot screen</h3>
      <p className="note">Random dots of one size: the grain that carries the ink.</p>
      <div className="mt-2 flex flex-wrap items-start gap-4">
        <NumberField form={form} name="dot_um" step={5} />
        <NumberField form={form} name="open_share" step={5} />
        <NumberField form={form} name="dpi" step={120} />
        <NumberField form={form} name="width_mm" step={5} />
        <NumberField form={form} name="height_mm" step={5} />
      </div>
      <FormFoot form={form} submit="Make the dot screen" look="plain" disabled={open} />
      <Of task={task} doing="Laying the dots" stop={stop.mutate}>
        {task?.result ? (
          <a className="font-semibold underline" href={taskFileUrl(room, task.id, 1)}>
            {task.result.path}, {(100 * task.result.open_share).toFixed(1)} % open
          </a>
        ) : null}
      </Of>
    </form>
  );
}

function OfTest({ test }: { test: Test }) {
  const { room } = useHere();
  const { task, open, take, stop } = useTask<ChartFilm>({ about: test.id, kind: "step-chart" });
  const ask = useMutation({
    mutationFn: (what: "test" | "chart") =>
      askForChartFilm(room, test.id, {
        id: newId(),
        what,
        steps: 21,
        dpi: 720,
        printed_side: "to-plate",
        forms: ["tiff", "pdf"],
      }),
    onSuccess: take,
  });
  return (
    <div>
      <h3 className="text-lead">Test film and step chart</h3>
      <p className="note">
        The test film has clear, 5 %, 95 % and solid in every patch; the chart 21 steps, to print by
        the pair once it is known. Printed side to the plate, 720 dpi.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        {test.planned ? (
          <Button disabled={open} onClick={() => ask.mutate("test")}>
            Make the test film
          </Button>
        ) : null}
        <Button disabled={open} onClick={() => ask.mutate("chart")}>
          Make a step chart
        </Button>
      </div>
      <Trouble error={ask.error} />
      <Of task={task} doing="Drawing the film" stop={stop.mutate}>
        {task?.result?.files.map((file, i) => (
          <a
            key={file.path}
            className="mr-4 font-semibold underline"
            href={taskFileUrl(room, task.id, i + 1)}
          >
            {file.path}, {task.result?.films.length} steps
          </a>
        ))}
      </Of>
    </div>
  );
}

type OfProps = {
  task: Omit<Task, "result"> | undefined;
  doing: string;
  stop: (id: string) => void;
  children: React.ReactNode;
};

function Of({ task, doing, stop, children }: OfProps) {
  if (!task) return null;
  return (
    <div className="mt-2.5">
      <Progress task={task} doing={doing} stop={() => stop(task.id)} />
      {children}
    </div>
  );
}
