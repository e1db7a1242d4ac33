import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { endTimer, startTimer, type Timer, timersQuery } from "../api/timers";
import { newId } from "../device/ids";
import { Mark } from "../ui/Mark";
import { clock } from "../ui/times";
import { useNow } from "../ui/useNow";
import { useHere } from "./useHere";

/** The timers that run, the first to end first. */
export function useWaits(): Timer[] {
  const { room } = useHere();
  const { data } = useQuery(timersQuery(room));
  return [...(data ?? [])].sort((a, b) => a.ends_seconds - b.ends_seconds);
}

export function useTimerActs() {
  const { room } = useHere();
  const client = useQueryClient();
  const again = () => client.invalidateQueries({ queryKey: [room] });
  const start = useMutation({
    mutationFn: (given: { plate: string | null; what: string; seconds: number }) =>
      startTimer(room, { id: newId(), ago_seconds: 0, ...given }),
    onSuccess: again,
  });
  const end = useMutation({
    mutationFn: (timer: string) => endTimer(room, timer),
    onSuccess: again,
  });
  return { start, end };
}

export function leftOf(timer: Timer, now: number): { text: string; over: boolean } {
  const left = timer.ends_seconds - now;
  return left >= 0
    ? { text: clock(Math.ceil(left)), over: false }
    : { text: `+${clock(-left)}`, over: true };
}

/** Timers of one plate, or of the room, in a row; each leads to the timers' own screen. */
export function Waits({ plate }: { plate?: string }) {
  const { room } = useHere();
  const now = useNow();
  const waits = useWaits().filter((timer) => !plate || timer.plate === plate);
  if (waits.length === 0) return null;
  return (
    <ul className="waits">
      {waits.map((timer) => {
        const { text, over } = leftOf(timer, now);
        return (
          <li key={timer.id} className={over ? "over" : undefined}>
            <Link to={`/r/${room}/timers`}>
              <Mark name={over ? "care" : "ground"} />
              <span>
                {timer.what}
                {plate || !timer.plate_name ? null : <i className="whose">, {timer.plate_name}</i>}
              </span>
              <b className="n">{text}</b>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
