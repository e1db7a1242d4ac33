import { shownArea, areaUnit, shownLength } from "../../../ui/units";
import { useUser } from "../../../ui/useUser";
import { Said } from "../../../ui/Said";
import { useState } from "react";
import type { Study } from "../../../api/studies";
import { Button, TextButton } from "../../../ui/Button";
import { Chooser } from "../../../ui/form/Picker";
import { counted } from "../../../ui/numbers";
import { islandsOf, JOINED_MM2 } from "./islands";
import type { Drawing, Resist, Way } from "./useDrawing";
import type { Changes } from "./useStudy";

type Props = { study: Study; drawing: Drawing; changes: Changes };

const TOOLS = [
  ["brush", "Brush"],
  ["lasso", "Loop"],
  ["grade", "Fade"],
] as const;
const WAYS: readonly (readonly [Way, string])[] = [
  ["right", "to the right"],
  ["left", "to the left"],
  ["down", "downwards"],
  ["up", "upwards"],
];

/** Correct by hand: paint another tone, keep white, let an area fade; islands, and what was drawn. */
export function ToneTools({ study, drawing, changes }: Props) {
  const edits = study.edits ?? [];
  const islands = islandsOf(study).length;
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <fieldset className="inline-flex rounded-cut border-[1.5px] border-ink bg-paper-lift">
          <legend className="sr-only">Draw over it</legend>
          {TOOLS.map(([tool, name]) => (
            <button
              key={tool}
              type="button"
              aria-pressed={drawing.tool === tool}
              onClick={() => drawing.take(tool)}
              className="min-h-9 border-line px-3.5 aria-pressed:bg-ink aria-pressed:font-semibold aria-pressed:text-paper-lift pointer-coarse:min-h-12 [&:not(:nth-child(2))]:border-l"
            >
              {name}
            </button>
          ))}
        </fieldset>
        {drawing.tool === "grade" ? (
          <Fade study={study} drawing={drawing} />
        ) : drawing.tool ? (
          <Tones study={study} drawing={drawing} />
        ) : (
          <span className="note">
            Draw over it to give a place another tone, to keep it white, or to let it fade.
          </span>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {islands > 0 || study.join_mm2 ? (
          <span className="font-semibold text-ferric-deep">
            <Said>
              {study.join_mm2
                ? `Islands under ${study.join_mm2} mm² are joined.`
                : `${counted(islands, "island")} under ${JOINED_MM2} mm²: hard to paint round.`}
            </Said>{" "}
            <TextButton
              className="text-ink"
              onClick={() => changes.change({ join_mm2: study.join_mm2 ? 0 : JOINED_MM2 })}
            >
              {study.join_mm2 ? "Show them again" : "Join them"}
            </TextButton>
          </span>
        ) : null}
        {edits.length > 0 ? (
          <span className="text-ink-2">
            {counted(edits.length, "correction")} drawn.{" "}
            <TextButton
              onClick={() => changes.change((now) => ({ edits: now.edits?.slice(0, -1) ?? [] }))}
            >
              Take the last one out
            </TextButton>
          </span>
        ) : null}
        {study.cut?.left_out.length ? (
          <span className="text-ink-2">
            Nothing is left of {study.cut.left_out.join(", ")}: nothing to paint.
          </span>
        ) : null}
      </div>
    </div>
  );
}

function Tones({ study, drawing }: Omit<Props, "changes">) {
  const tones = study.cut?.tones_lstar ?? [];
  const loop = drawing.tool === "lasso";
  const { units } = useUser();
  return (
    <>
      {loop ? (
        <span>
          {drawing.pending ? (
            <>
              <b className="num">{shownArea(drawing.cm2, units)}</b> {areaUnit(units)}, make it
            </>
          ) : (
            "Draw round it, then choose:"
          )}
        </span>
      ) : (
        <span>
          <TextButton onClick={() => drawing.wider(-1)} aria-label="Finer brush">
            −
          </TextButton>{" "}
          <b className="num">{shownLength(drawing.width, units)}</b> {units.length_unit}{" "}
          <TextButton onClick={() => drawing.wider(1)} aria-label="Wider brush">
            +
          </TextButton>
          , paints
        </span>
      )}
      <fieldset className="inline-flex rounded-cut border-[1.5px] border-ink bg-paper-lift">
        <legend className="sr-only">Which tone</legend>
        {["white", ...tones.map((tone) => `L* ${tone.toFixed(0)}`)].map((name, place) => (
          <button
            key={name}
            type="button"
            disabled={loop && !drawing.pending}
            aria-pressed={!loop && drawing.tone === place}
            onClick={() => drawing.make(place)}
            className="num min-h-9 border-line px-2.5 aria-pressed:bg-ink aria-pressed:text-paper-lift disabled:text-ink-3 pointer-coarse:min-h-12 [&:not(:nth-child(2))]:border-l"
          >
            {name}
          </button>
        ))}
      </fieldset>
    </>
  );
}

/** An area that fades from one tone to the next, under crayon or thin varnish. */
function Fade({ study, drawing }: Omit<Props, "changes">) {
  const tones = study.cut?.tones_lstar ?? [];
  const [from, setFrom] = useState("0");
  const [resist, setResist] = useState<Resist>("crayon-hard");
  const [way, setWay] = useState<Way>("right");
  const pairs = tones
    .slice(0, -1)
    .map((tone, i) => [String(i), `L* ${tone.toFixed(0)} to ${tones[i + 1]?.toFixed(0)}`] as const);
  const resists = Object.entries(study.resists) as [Resist, string][];
  if (!drawing.pending) return <span>Draw round what shall fade.</span>;
  return (
    <>
      <Chooser label="Fades from" value={from} options={pairs} onChange={setFrom} />
      <Chooser label="Under" value={resist} options={resists} onChange={setResist} />
      <Chooser label="Thins out" value={way} options={WAYS} onChange={setWay} />
      <Button
        onClick={() => drawing.grade(Number(from), Number(from) + 1, resist, way)}
        className="min-h-9!"
      >
        Let it fade
      </Button>
    </>
  );
}
