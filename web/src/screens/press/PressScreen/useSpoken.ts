import { useEffect, useRef, useState } from "react";
import { sendSound } from "../../../api/editions";
import { ApiError } from "../../../api/client";
import { newId } from "../../../device/ids";
import { dropSpoken, keepSpoken, spokenOf } from "../../../device/pressStore";

const RETRY_MS = 5_000;
const LONGEST_MS = 10 * 60_000;

type Kept = (sound: string, seconds: number) => void;

/** Record a note on this device; it is kept here at once and sent when there is a line. */
export function useSpoken(
  user: string,
  room: string,
  plate: string,
  kept: Kept,
  typed: () => void,
) {
  const [since, setSince] = useState<number | null>(null);
  const recorder = useRef<MediaRecorder | null>(null);
  useEffect(() => {
    sendAll(user);
    const timer = setInterval(() => sendAll(user), RETRY_MS);
    return () => {
      clearInterval(timer);
      recorder.current?.stop();
    };
  }, [user]);
  const stop = () => recorder.current?.stop();
  const start = async () => {
    const stream = await microphone();
    if (!stream) return typed();
    const parts: Blob[] = [];
    const made = new MediaRecorder(stream);
    const began = Date.now();
    made.ondataavailable = (event) => parts.push(event.data);
    made.onstop = async () => {
      recorder.current = null;
      setSince(null);
      for (const track of stream.getTracks()) track.stop();
      const id = newId();
      const file = new Blob(parts, { type: made.mimeType });
      await keepSpoken({ id, user, room, plate, file });
      kept(id, Math.round((Date.now() - began) / 100) / 10);
      sendAll(user);
    };
    recorder.current = made;
    made.start();
    setSince(began);
    setTimeout(() => made.state === "recording" && made.stop(), LONGEST_MS);
  };
  return { since, toggle: () => (recorder.current ? stop() : start()) };
}

/** The microphone, where there is one and it may be used. */
async function microphone(): Promise<MediaStream | null> {
  if (typeof MediaRecorder === "undefined") return null;
  return (await navigator.mediaDevices?.getUserMedia({ audio: true }).catch(() => null)) ?? null;
}

/** Send what was spoken; what the server refuses for good goes no more. */
async function sendAll(user: string): Promise<void> {
  for (const each of await spokenOf(user)) {
    try {
      await sendSound(each.room, each.plate, each.id, each.file);
      await dropSpoken(each.id);
    } catch (error) {
      if (!(error instanceof ApiError) || error.status === 0) return;
    }
  }
}
