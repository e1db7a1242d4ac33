import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { endTimer, startTimer, type Timer, timersQuery } from "../api/timers";
import { newId } from "../device/ids";
import { Mark } from "../ui/Mark";
import { leftUntil } from "../ui/Ticking";
import { useNowOf } from "../ui/useNow";
import { useHere } from "./useHere";

/** The timers that run, the first to end first. */
export function useWaits(): Timer[] {
  const { room } = useHere();
  const { data } = useQuery(timersQuery(room));
  return [...(data?.items ?? [])].sort((a, b) => a.ends_seconds - b.ends_seconds);
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

const LOOKS = {
  page: {
    list: "mb-3.5 flex flex-wrap gap-2",
    link: "min-h-8.5 px-3 pointer-coarse:min-h-12 [&>svg]:size-5 bg-paper-lift border-ink-2 text-ink",
    over: "border-ferric-deep! bg-ferric-pale! text-ferric-deep!",
    word: "",
    digits: "",
  },
  bath: {
    list: "mr-3 ml-5 flex min-w-0 shrink-[4] gap-2 overflow-hidden max-desk:shrink-0 max-[760px]:hidden",
    link: "min-h-12 px-2.5 text-lead whitespace-nowrap [&>svg]:size-5 [&>svg]:flex-none border-night-line text-night-ink-2",
    over: "border-night-ferric! text-night-ferric!",
    word: "truncate max-desk:hidden",
    digits: "text-far text-night-ink",
  },
} as const;

type Props = { plate?: string; look?: keyof typeof LOOKS };

/** Timers of one plate, or of the room, in a row; each leads to the timers' own screen. */
export function Waits({ plate, look = "page" }: Props) {
  const waits = useWaits().filter((timer) => !plate || timer.plate === plate);
  if (waits.length === 0) return null;
  return (
    <ul className={LOOKS[look].list} data-waits>
      {waits.map((timer) => (
        <Wait key={timer.id} timer={timer} look={look} named={!plate && look === "page"} />
      ))}
    </ul>
  );
}

function Wait({ timer, look, named }: { timer: Timer; look: keyof typeof LOOKS; named: boolean }) {
  const { room } = useHere();
  const text = useNowOf((now) => leftUntil(timer.ends_seconds, now));
  const over = text.startsWith("+");
  const has = LOOKS[look];
  return (
    <li className="min-w-0">
      <Link
        to={`/r/${room}/timers`}
        className={`flex items-center gap-2 rounded-cut border-[1.5px] ${has.link} ${over ? has.over : ""}`}
      >
        <Mark name={over ? "care" : "ground"} />
        <span className={has.word}>
          {timer.what}
          {named && timer.plate_name ? `, ${timer.plate_name}` : ""}
        </span>
        <b className={`num ${has.digits}`}>{text}</b>
      </Link>
    </li>
  );
}
