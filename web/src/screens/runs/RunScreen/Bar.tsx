import { Switch } from "@headlessui/react";
import { useState } from "react";
import type { Run } from "../../../api/runs";
import type { Bite } from "../../../device/local";
import { deviceId } from "../../../device/ids";
import type { Waiting } from "../../../device/waiting";
import { NightBar, WayOut } from "../../../frame/NightBar";
import { useHere } from "../../../frame/useHere";
import { Waits } from "../../../frame/Waits";
import { useNowOf } from "../../../ui/useNow";
import { setSound, soundOn } from "./useCountdown";

const NO_LINE_AFTER_MS = 4_000;

type Props = {
  run: Run;
  inBath: boolean;
  begun: boolean;
  bite: Bite | null;
  waiting: Waiting[];
};

/** State, plate, bite, way out, time. */
export function Bar({ run, inBath, begun, bite, waiting }: Props) {
  const { hands } = run.process;
  const { room } = useHere();
  const state = inBath
    ? hands.wet
    : !bite
      ? "All bites done"
      : begun
        ? hands.dry
        : "Not bitten yet";
  return (
    <NightBar mark={inBath ? "bath" : "lifted"} state={state} name={run.plate_name}>
      {bite ? (
        <span className="text-far whitespace-nowrap text-night-ink-2 max-desk:hidden">
          bite {bite.number} of {bite.of}
        </span>
      ) : null}
      <Line run={run} waiting={waiting} />
      <Waits look="bath" />
      <Sound />
      <WayOut to={`/r/${room}/plates/${run.plate}`} word="Plate page" />
    </NightBar>
  );
}

const NO_LINE = "No line. Kept here, sent later.";
const OFF = "This device's clock is wrong: set it. Times count as they came in.";

/** Whether what this device logged last had to be counted by its receipt. */
const offHere = (run: Run) =>
  run.events.filter((event) => event.device === deviceId()).at(-1)?.clock_was_wrong;

/** What of this device's events the server has not. */
function Line({ run, waiting }: { run: Run; waiting: Waiting[] }) {
  const refused = waiting.find((each) => each.refused)?.refused;
  const old = useNowOf(() =>
    waiting.some((each) => !each.refused && Date.now() - each.at > NO_LINE_AFTER_MS),
  );
  return (
    <span
      role="status"
      className="ml-4.5 text-lead whitespace-nowrap text-night-ferric max-phone:text-note"
    >
      {refused ? `Kept here, not taken: ${refused}` : old ? NO_LINE : offHere(run) ? OFF : ""}
    </span>
  );
}

function Sound() {
  const [sound, hear] = useState(soundOn);
  const turn = (on: boolean) => {
    setSound(on);
    hear(on);
  };
  return (
    <Switch
      checked={sound}
      onChange={turn}
      aria-label="Sound"
      className="ml-auto min-h-12 px-2.5 text-h3 whitespace-nowrap text-night-ink-2 group-has-data-waits:max-desk:hidden max-phone:hidden"
    >
      {sound ? "Sound on" : "Sound off"}
    </Switch>
  );
}
