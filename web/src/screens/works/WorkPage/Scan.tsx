import { taskFileUrl } from "../../../api/tasks";
import {
  askToReadSheet,
  type ReadPrint,
  type Sheet,
  type Work,
  type WorkState,
} from "../../../api/works";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { sureOf } from "../../../frame/works/answer";
import { fine, registerSaid } from "../../../frame/works/words";
import { Scanned } from "../../../scan/Scanned";
import type { Quad } from "../../../scan/Marked";
import { useScan } from "../../../scan/useScan";
import { Button } from "../../../ui/Button";
import { Curtain } from "../../../ui/Curtain";
import { useUser } from "../../../ui/useUser";
import { AreasOff } from "./AreasOff";

type Props = { sheet: Sheet; work: Work; state: WorkState; log: Log };

/** A scan of a sheet: where each plate lies, what each area reads, which plate is to blame. */
export function Scan({ sheet, work, log }: Props) {
  const { room } = useHere();
  const scan = useScan<ReadPrint>({
    about: () => work.id,
    kind: "read-print",
    keepAs: `${room} scan of sheet ${sheet.event}`,
    ask: ({ id, picture, corners }) =>
      askToReadSheet(room, work.id, { id, sheet: sheet.event, picture, corners: corners as never }),
  });
  const before = useTask<ReadPrint>({ about: work.id, kind: "read-print" }).task;
  const kept = before?.given.sheet === sheet.event ? before : null;
  const task = scan.task ?? (scan.busy ? null : kept);
  const done = task?.result ? task : null;
  const own = scan.task?.result ?? null;
  return (
    <div className="grid gap-3">
      <Scanned
        scan={scan as never}
        label="Read it from a scan"
        hint="300 dpi in colour, with bare paper all round the plate mark. About ten seconds."
        of="plate mark"
        marks={own ? [{ quad: own.corners_px as Quad, doubtful: false }] : []}
        warnings={done?.result?.warnings ?? []}
        corners={(own?.corners_px as Quad | undefined) ?? null}
      />
      {done?.result ? (
        <Told task={done.id} told={done.result} sheet={sheet} work={work} log={log} />
      ) : null}
    </div>
  );
}

type ToldProps = { task: string; told: ReadPrint; sheet: Sheet; work: Work; log: Log };

function Told({ task, told, sheet, work, log }: ToldProps) {
  const { room } = useHere();
  const { units } = useUser();
  const { judged } = told;
  const lies = judged.cause === "register" || judged.cause === "paper" ? judged.crosses : null;
  const said = lies
    ? registerSaid(lies, work, units)
    : { title: `${judged.title}.`, text: judged.text };
  const kept = sheet.crosses?.task === task;
  return (
    <div className="grid gap-3">
      <div>
        <h3>
          {said.title}
          <span className="note">{lies ? "" : sureOf(judged.chance)}</span>
        </h3>
        <p>{said.text}</p>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-5 max-desk:grid-cols-1">
        <Curtain
          label="Draw the curtain between the scan and the preview"
          leftName="scan"
          rightName="preview"
          left={<Whole src={taskFileUrl(room, task, 1)} alt="The scan laid straight" work={work} />}
          right={<Whole src={taskFileUrl(room, task, 2)} alt="How it was meant" work={work} />}
        />
        <AreasOff areas={judged.areas} />
      </div>
      {told.crosses.length > 0 ? (
        <span className="flex flex-wrap items-center gap-3">
          <Button disabled={kept} onClick={() => log(crossesRead(task, told, sheet, work))}>
            {kept ? "The crosses are kept" : "Keep what the crosses say"}
          </Button>
          <span className="note">From then on the page tells which plate to move.</span>
        </span>
      ) : (
        <p className="note">
          No crosses stand on these plates: scratch them lightly at the places of the template, and
          keep {fine(5, units)} about each free of tone.
        </p>
      )}
    </div>
  );
}

function Whole({ src, alt, work }: { src: string; alt: string; work: Work }) {
  return (
    <img
      src={src}
      alt={alt}
      className="block w-full"
      style={{ aspectRatio: `${work.width_mm} / ${work.height_mm}` }}
    />
  );
}

function crossesRead(task: string, told: ReadPrint, sheet: Sheet, work: Work) {
  const named = new Map(work.layers_out.map((each) => [each.name, each.id]));
  const read = new Set(told.crosses.map((each) => each.name));
  const on = new Set(sheet.prints.map((each) => each.layer));
  const there = work.layers_out.filter((each) => on.has(each.id) && each.places.length > 0);
  const key = there.find((each) => each.key) ?? there.filter((each) => !read.has(each.name)).at(-1);
  return {
    kind: "crosses-read" as const,
    data: {
      sheet: sheet.event,
      key: key?.id ?? "",
      by: "scan" as const,
      task,
      layers: told.crosses.map((each) => ({
        layer: named.get(each.name) ?? "",
        name: each.name,
        crosses: each.crosses,
      })),
    },
  };
}
