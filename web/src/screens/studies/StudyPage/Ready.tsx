import { Said } from "../../../ui/Said";
import { useState } from "react";
import type { Study } from "../../../api/studies";
import { TextButton } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Beside, Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";
import { begun, inWords } from "../../../ui/words";
import { AreaSection } from "./AreaSection";
import { AreaTable } from "./AreaTable";
import { Choices } from "./Choices";
import { JOINED_MM2 } from "./islands";
import { Greys } from "./Greys";
import { Lettering } from "./Lettering";
import { Picture } from "./Picture";
import { Pictures } from "./Pictures";
import { Planned } from "./Planned";
import { ToneTools } from "./ToneTools";
import { useDrawing } from "./useDrawing";
import type { Changes } from "./useStudy";

type Cut = NonNullable<Study["cut"]>;
const LEAST_APART = 2;
const STEP_LSTAR = 0.5;

/** How many bites it is worth, what it prints then, its greys and its areas. */
export function Ready({ study, cut, changes }: { study: Study; cut: Cut; changes: Changes }) {
  const [mirrored, setMirrored] = useState(false);
  const [handle, setHandle] = useState(0);
  const drawing = useDrawing(study, changes);
  const choose = (count: number) => {
    if (study.choices.some((each) => each.count === count)) {
      changes.change({ count, tones: null, bounds: null });
    }
  };
  const move = (place: number, to: number) => {
    const { bounds_lstar: bounds } = cut;
    const top = (bounds[place - 1] ?? study.greys_to_lstar) - LEAST_APART;
    const bottom = (bounds[place + 1] ?? study.greys_from_lstar) + LEAST_APART;
    const next = bounds.with(place, Math.round(Math.min(top, Math.max(bottom, to)) * 10) / 10);
    changes.change({ bounds: next, tones: null, count: cut.count });
  };
  const nudge = (way: number) => (event: KeyboardEvent) => {
    event.preventDefault();
    move(handle, (cut.bounds_lstar[handle] ?? 0) + way * STEP_LSTAR * (event.shiftKey ? 10 : 1));
  };
  const step = (way: number) => () =>
    setHandle((now) => Math.min(cut.bounds_lstar.length - 1, Math.max(0, now + way)));
  useKeys({
    ...Object.fromEntries(
      [2, 3, 4, 5, 6, 7, 8].map((n) => [
        String(n),
        () => (drawing.pending ? drawing.make(n - 1) : choose(n)),
      ]),
    ),
    "1": () => drawing.make(0),
    m: () => setMirrored((now) => !now),
    ArrowLeft: step(-1),
    ArrowRight: step(1),
    ArrowUp: nudge(1),
    ArrowDown: nudge(-1),
    d: () => drawing.take("brush"),
    l: () => drawing.take("lasso"),
    j: () => changes.change({ join_mm2: study.join_mm2 ? 0 : JOINED_MM2 }),
    z: changes.undo,
    Escape: drawing.drop,
  });
  return (
    <>
      <Headline study={study} changes={changes} />
      <Lettering study={study} changes={changes} />
      <Choices study={study} choose={choose} />
      <Beside side="even" className="mt-3 border-t-2 border-ink pt-3">
        <div className="min-w-0">
          <Picture study={study} mirrored={mirrored} onMirror={setMirrored} drawing={drawing} />
          <ToneTools study={study} drawing={drawing} changes={changes} />
          <Trouble error={changes.error} />
          {changes.error ? <TextButton onClick={changes.again}>Send it again</TextButton> : null}
        </div>
        <div className="min-w-0">
          <Greys study={study} handle={handle} onHandle={setHandle} onMove={move} />
          <AreaSection study={study} />
          <AreaTable study={study} changes={changes} />
          {study.warnings.map((warning) => (
            <Care key={warning.code} className="mt-2">
              {warning.text}
            </Care>
          ))}
        </div>
      </Beside>
      <Section>
        <Pictures study={study} changes={changes} />
      </Section>
    </>
  );
}

function Headline({ study, changes }: { study: Study; changes: Changes }) {
  return (
    <header className="flex flex-wrap items-center gap-x-5 gap-y-2">
      <h2 className="text-show leading-none max-phone:text-h1">{sentence(study)}</h2>
      <p className="note min-w-0 flex-1 leading-snug max-phone:basis-full">
        <Said>{`Smoothed to a ${study.smooth_mm} mm brush. ${study.reach.told}`}</Said>{" "}
        {study.bath_name ? `Bath: ${study.bath_name}.` : "No bath: times are not told."}
        {changes.busy ? " Cutting it anew." : ""}
      </p>
      <Planned study={study} />
    </header>
  );
}

/** The answer: as many bites as pay, or how many were chosen beside that. */
function sentence({ best, cut, choices }: Study): string {
  const bitesOf = (count: number | null | undefined) =>
    choices.find((each) => each.count === count)?.bites ?? 0;
  const worth = bitesOf(best);
  const bites = bitesOf(cut?.count);
  const noun = (n: number) => `${inWords(n)} bite${n === 1 ? "" : "s"}`;
  if (bites === worth) return `Worth ${noun(worth)}.`;
  return `${begun(noun(bites))}; worth ${inWords(worth)}.`;
}
