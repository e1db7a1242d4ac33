import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { askQuery, type Strip } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";

/** A question to a strip: which time for a tone, or which tone after a time. */
export type Asking = { way: "tone" | "time"; lstar: number; seconds: number; bath: string };
export type Asked = ReturnType<typeof useAsking>;

const FIRST: Asking = { way: "tone", lstar: 42, seconds: 240, bath: "" };
const LIGHTEST = 100;

/** What is asked of a strip, and what it answers: in its own bath and in the one chosen. */
export function useAsking(strip: Strip) {
  const { room } = useHere();
  const [asking, setAsking] = useState(FIRST);
  const question = {
    bath: asking.bath || null,
    lstar: asking.way === "tone" ? [asking.lstar] : [],
    seconds: asking.way === "time" ? [asking.seconds] : [],
  };
  const ask = (bath: string | null) => ({
    ...askQuery(room, strip.id, strip.version, { ...question, bath }),
    enabled: strip.usable,
  });
  const own = useQuery(ask(null)).data?.points[0] ?? null;
  const there = useQuery(ask(question.bath)).data?.points[0] ?? null;
  const point = own && {
    lstar: own.lstar,
    seconds: own.seconds,
    low: own.seconds_low,
    high: own.seconds_high,
  };
  const step = (by: number) =>
    setAsking((a) => ({ ...a, lstar: Math.min(LIGHTEST, Math.max(0, a.lstar + by)) }));
  return { asking, setAsking, own, there, point, step };
}
