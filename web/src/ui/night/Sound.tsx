import { Switch } from "@headlessui/react";
import { useState } from "react";
import { setSound, soundOn } from "./useCountdown";

/** Whether the seconds are spoken. */
export function Sound() {
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
      className="ml-auto min-h-12 px-1 text-h3 whitespace-nowrap text-night-ink-2 group-has-data-waits:max-desk:hidden max-phone:hidden"
    >
      {sound ? "Sound on" : "Sound off"}
    </Switch>
  );
}
