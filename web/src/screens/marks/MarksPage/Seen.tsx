import { useState } from "react";
import type { Look, Marks } from "../../../api/marks";
import { pictureUrl } from "../../../api/proofs";
import { taskFileUrl } from "../../../api/tasks";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { Empty } from "../../../ui/Section";
import { momentOf } from "../../../ui/times";
import { useKeys } from "../../../ui/useKeys";
import { shownLength } from "../../../ui/units";
import { Photograph } from "./Photograph";
import { Rings } from "./Rings";

/** How the scratches will print, beside the drawing; the lines that are missed are ringed on both. */
export function Seen({ marks }: { marks: Marks }) {
  const look = marks.looks[0];
  return look ? <Merged key={look.id} marks={marks} look={look} /> : <Nothing marks={marks} />;
}

function Nothing({ marks }: { marks: Marks }) {
  const clear = marks.material?.clear ?? false;
  return (
    <div className="grid gap-3">
      <Empty title="Not looked at yet">
        <p>
          {clear
            ? "Scratches on clear plastic show only where they catch the light. Photograph the plate on black from one place, the lamp from two to six sides: they are laid on each other, turned round, and compared with your drawing. About five minutes."
            : "Rub ink into the marks, wipe, and photograph the plate once from above: how it will print, and which lines of the drawing are missed. About three minutes."}
        </p>
        <Photograph marks={marks} look="plain" />
      </Empty>
    </div>
  );
}

function Merged({ marks, look }: { marks: Marks; look: Look }) {
  const { room, zone } = useHere();
  const { plate } = usePlate();
  const [at, point] = useState(0);
  const missed = look.seen.missed;
  const lines = missed?.lines ?? [];
  const go = (by: number) =>
    lines.length && point((now) => (now + by + lines.length) % lines.length);
  useKeys({ ArrowLeft: () => go(-1), ArrowRight: () => go(1) });
  const rings = { lines, at, point, width: plate.width_mm, height: plate.height_mm };
  const lights = look.pictures.length;
  const merged = lights === 1 ? "one photograph" : `${lights} lights merged`;
  return (
    <>
      <div className="grid grid-cols-[78px_minmax(0,1fr)_minmax(0,1fr)] gap-x-3 gap-y-1 border-t-2 border-ink pt-2 max-phone:grid-cols-[minmax(0,1fr)]">
        <h2 className="text-h3 max-phone:order-3">Lights</h2>
        <h2 className="flex flex-wrap items-baseline gap-x-2 text-h3">
          How it will print <span className="note font-normal">{merged}, mirrored</span>
        </h2>
        <h2 className="flex flex-wrap items-baseline gap-x-2 text-h3 max-phone:order-5">
          Your drawing <span className="note font-normal">as it prints</span>
        </h2>
        <Lights look={look} />
        <Picture
          src={taskFileUrl(room, look.task, 1)}
          alt={`The plate as it will print. ${look.seen.text}`}
          rings={rings}
        />
        {look.drawing ? (
          <div className="min-w-0 max-phone:order-6">
            <Picture src={pictureUrl(room, look.drawing)} alt="The drawing" rings={rings} />
          </div>
        ) : (
          <p className="note max-phone:order-6">
            No drawing was given: fit one under Image, and what is missed is told.
          </p>
        )}
      </div>
      <Told look={look} at={at} />
      <div className="mt-1.5 flex flex-wrap items-center gap-x-4">
        <span className="note mr-auto">
          {look.seen.text} Looked at {momentOf(look.at, zone)}.
        </span>
        <Photograph marks={marks} look="quiet" />
      </div>
      <Earlier looks={marks.looks.slice(1)} />
    </>
  );
}

function Lights({ look }: { look: Look }) {
  const { room } = useHere();
  return (
    <ol className="grid content-start gap-1 max-phone:order-4 max-phone:grid-cols-4">
      {look.pictures.map((picture, i) => (
        <li key={picture} className="relative min-w-0">
          <img
            src={pictureUrl(room, picture)}
            alt={`Light ${i + 1}`}
            loading="lazy"
            className="block w-full rounded-cut border border-ink-3"
          />
          <span className="num absolute right-0 bottom-0 rounded-cut bg-paper-lift px-1 text-note leading-tight">
            {Math.round(100 * (look.seen.photographs[i]?.seen_share ?? 0))} %
          </span>
        </li>
      ))}
    </ol>
  );
}

type RingsGiven = Omit<Parameters<typeof Rings>[0], "label">;

function Picture({ src, alt, rings }: { src: string; alt: string; rings: RingsGiven }) {
  return (
    <div
      className="relative min-w-0 overflow-hidden rounded-plate border-[1.5px] border-ink bg-white"
      style={{ aspectRatio: `${rings.width} / ${rings.height}` }}
    >
      <img src={src} alt={alt} className="absolute inset-0 size-full object-fill" />
      <Rings {...rings} label={alt} />
    </div>
  );
}

/** What is missed, in words, and what else the photographs say. */
function Told({ look, at }: { look: Look; at: number }) {
  const { me } = useHere();
  const { missed, missed_fault: fault, warnings } = look.seen;
  const line = missed?.lines[at];
  return (
    <div className="mt-2 grid gap-1">
      {missed && missed.lines.length > 0 ? (
        <Care>
          {missed.text}
          {line ? (
            <span className="font-normal">
              {" "}
              No. {line.number}, <span className="num">{shownLength(line.length_mm, me)}</span>{" "}
              {me.length_unit} long, <span className="num">{shownLength(line.x_mm, me)}</span> from
              the left, <span className="num">{shownLength(line.y_mm, me)}</span> from the top of
              the print.
            </span>
          ) : null}
        </Care>
      ) : null}
      {missed && missed.lines.length === 0 ? <p className="font-semibold">{missed.text}</p> : null}
      {missed && missed.bevel.length > 0 ? (
        <Care>
          Lines ran into the bevel at the {missed.bevel.join(" and ")}, as it prints: file and
          burnish it again.
        </Care>
      ) : null}
      {fault ? <Care>{fault}</Care> : null}
      {warnings.map((each) => (
        <Care key={`${each.code} ${each.image ?? ""}`}>{each.text}</Care>
      ))}
    </div>
  );
}

/** How far it was at each look before: progress, sitting by sitting. */
function Earlier({ looks }: { looks: Look[] }) {
  const { zone } = useHere();
  if (looks.length === 0) return null;
  return (
    <p className="note mt-1">
      Before:{" "}
      {looks
        .map(({ at, seen }) => {
          const share = seen.missed ? seen.missed.done_share : seen.scratched_share;
          const what = seen.missed ? "scratched" : "of the surface marked";
          return `${momentOf(at, zone)} ${Math.round(100 * share)} % ${what}`;
        })
        .join("; ")}
      .
    </p>
  );
}
