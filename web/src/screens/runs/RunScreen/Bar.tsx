import { useState } from "react";
import { Link } from "react-router";
import type { Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import { Waits } from "../../../frame/Waits";
import type { Bite } from "../../../device/local";
import type { Waiting } from "../../../device/waiting";
import { Mark } from "../../../ui/Mark";
import { wallClock } from "../../../ui/times";
import { setSound, soundOn } from "./useCountdown";

type Props = {
  run: Run;
  inBath: boolean;
  begun: boolean;
  bite: Bite | null;
  now: number;
  waiting: Waiting[];
};

/** State, plate, bite, way out, time. */
export function Bar({ run, inBath, begun, bite, now, waiting }: Props) {
  const { hands } = run.process;
  const { room, zone } = useHere();
  const [sound, hear] = useState(soundOn);
  const refused = waiting.find((each) => each.refused);
  const old = waiting.some((each) => !each.refused && Date.now() - each.at > 4_000);
  return (
    <header className="run-bar">
      <div className="run-is">
        <Mark name={inBath ? "bath" : "lifted"} />
        {inBath ? hands.wet : !bite ? "All bites done" : begun ? hands.dry : "Not bitten yet"}
      </div>
      <h1 className="run-plate">{run.plate_name}</h1>
      {bite ? (
        <span className="run-bite">
          bite {bite.number} of {bite.of}
        </span>
      ) : null}
      <span className="run-line" role="status">
        {refused
          ? `Kept here, not taken: ${refused.refused}`
          : old
            ? "No line. Kept here, sent later."
            : ""}
      </span>
      <Waits />
      <button
        type="button"
        className="run-way"
        style={{ background: "none", border: 0, minHeight: 48 }}
        aria-pressed={sound}
        onClick={() => {
          setSound(!sound);
          hear(!sound);
        }}
      >
        <span className="word">{sound ? "Sound on" : "Sound off"}</span>
      </button>
      <Link
        className="run-way"
        style={{ marginLeft: 0 }}
        to={`/r/${room}/plates/${run.plate}`}
        aria-label="Plate page"
      >
        <span className="key">Esc</span>
        <span className="word">Plate page</span>
      </Link>
      <span className="run-clock">{wallClock(now, zone)}</span>
    </header>
  );
}
