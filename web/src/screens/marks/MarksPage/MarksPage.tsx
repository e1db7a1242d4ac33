import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { hatchQuery, type Marks, type MarksState } from "../../../api/marks";
import { useMarks } from "../../../device/useMarks";
import type { Log } from "../../../device/useWaiting";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { useFollowed } from "../../../frame/useKeepMarks";
import { Asking } from "../../../ui/Asking";
import { Beside } from "../../../ui/Section";
import { useKeys } from "../../../ui/useKeys";
import { Answer } from "./Answer";
import { Groups } from "./Groups";
import { Hand } from "./Hand";
import { HowClose } from "./HowClose";
import { Lettering } from "./Lettering";
import { Masks } from "./Masks";
import { Pressure } from "./Pressure";
import { Seen } from "./Seen";
import { Slips } from "./Slips";
import { Textures } from "./Textures";
import { TonesSoFar } from "./TonesSoFar";

/** How close to hatch for a tone, how the scratches will print, and what the hand still has to do. */
export function MarksPage() {
  const { room, me } = useHere();
  const { plate } = usePlate();
  const seen = useMarks(me.id, room, plate.id);
  useFollowed(seen.marks?.events.length ?? 0);
  if (!seen.marks || !seen.state)
    return (
      <Asking error={seen.error}>
        <h2>Marks</h2>
      </Asking>
    );
  return <Known key={plate.id} marks={seen.marks} state={seen.state} log={seen.log} />;
}

type Known = { marks: Marks; state: MarksState; log: Log };

function Known({ marks, state, log }: Known) {
  const { room } = useHere();
  const [lstar, setLstar] = useState(marks.lstar);
  const [pressure, setPressure] = useState<number>(marks.pressure);
  const [layers, setLayers] = useState<number>(marks.layers);
  const { data: hatch } = useQuery(hatchQuery(room, marks.id, lstar, pressure));
  const move = (by: number) => setLstar((now) => Math.min(105, Math.max(0, Math.round(now + by))));
  useKeys({
    ArrowUp: (event) => step(event, () => move(1)),
    ArrowDown: (event) => step(event, () => move(-1)),
    1: () => setLayers(1),
    2: () => setLayers(2),
    3: () => setLayers(3),
    n: () => setPressure((now) => (now % 5) + 1),
  });
  return (
    <>
      <Answer
        marks={marks}
        hatch={hatch ?? null}
        asked={{ lstar, pressure, layers }}
        setLstar={setLstar}
      />
      <Beside className="mt-3">
        <div className="min-w-0">
          <Seen marks={marks} />
          <HowClose
            hatch={hatch ?? null}
            asked={{ lstar, pressure, layers }}
            setPressure={setPressure}
            setLayers={setLayers}
          />
          <Groups marks={marks} asked={{ lstar, pressure, layers }} />
          <Masks marks={marks} />
          <Lettering marks={marks} />
          <Slips state={state} log={log} />
        </div>
        <aside className="grid min-w-0 gap-3.5">
          <Pressure marks={marks} pressure={pressure} choose={setPressure} />
          <Textures marks={marks} />
          <TonesSoFar marks={marks} state={state} log={log} />
          <Hand marks={marks} state={state} log={log} />
        </aside>
      </Beside>
    </>
  );
}

function step(event: KeyboardEvent, then: () => void) {
  event.preventDefault();
  then();
}
