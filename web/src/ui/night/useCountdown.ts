import { useEffect } from "react";
import { nowSeconds } from "../../device/clock";
import { onTick } from "../useNow";

const SOUND = "keen-sound";
const TICK_MS = 250;
const BEEP_FROM_SECONDS = 10;
const WORDS: [seconds: number, words: string][] = [
  [60, "one minute"],
  [30, "thirty seconds"],
  [BEEP_FROM_SECONDS, "ten seconds"],
];

export const soundOn = () => localStorage.getItem(SOUND) !== "off";
export const setSound = (on: boolean) => localStorage.setItem(SOUND, on ? "on" : "off");

/** What is said between two moments, with so much left at each; `last` at zero. */
export const saidBetween = (then: number, left: number, last: string): [number, string][] =>
  [...WORDS, [0, last] as [number, string]].filter(([mark]) => then > mark && left <= mark);

/** A spoken countdown and beeps; sound is extra, never the only sign. */
export function useCountdown(due: number | null, last: string): void {
  useEffect(() => {
    if (due === null) return;
    let then = due - nowSeconds();
    return onTick(() => {
      const left = due - nowSeconds();
      const said = saidBetween(then, left, last);
      then = left;
      if (!soundOn()) return;
      for (const [mark, words] of said) speak(words, mark <= BEEP_FROM_SECONDS);
    }, TICK_MS);
  }, [due, last]);
}

function speak(words: string, beep: boolean): void {
  if ("speechSynthesis" in window) {
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
  }
  if (!beep || !("AudioContext" in window)) return;
  const audio = new AudioContext();
  const tone = audio.createOscillator();
  tone.frequency.value = 880;
  tone.connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + 0.25);
  tone.onended = () => audio.close();
}
