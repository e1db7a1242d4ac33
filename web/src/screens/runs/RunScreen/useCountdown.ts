import { useEffect, useRef } from "react";

const SOUND = "keen-sound";
const WORDS: Record<number, string> = {
  60: "one minute",
  30: "thirty seconds",
  10: "ten seconds",
  0: "lift now",
};

export const soundOn = () => localStorage.getItem(SOUND) !== "off";
export const setSound = (on: boolean) => localStorage.setItem(SOUND, on ? "on" : "off");

/** A spoken countdown and beeps; sound is extra, never the only sign. */
export function useCountdown(left: number | null): void {
  const before = useRef(left);
  useEffect(() => {
    const then = before.current;
    before.current = left;
    if (left === null || then === null || !soundOn()) return;
    for (const [mark, words] of Object.entries(WORDS)) {
      if (then > Number(mark) && left <= Number(mark)) speak(words, Number(mark) <= 10);
    }
  }, [left]);
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
