import { useQuery } from "@tanstack/react-query";
import { type Instrument, instrumentsQuery } from "../api/instruments";
import { wallClock } from "../ui/times";
import { useNowOf } from "../ui/useNow";
import { useHere } from "./useHere";

/** An older word is another weighing's, another dip's. */
const FRESH_SECONDS = 600;
const EVERY_MS = 5_000;
const MOST_DIGITS = 4;

export type ReadKind = "mass" | "baume" | "lstar" | "dose";
/** What an instrument of the room said last: the figure, and who said it when. */
export type InstrumentSaid = { text: string; unit: string; from: string };

/** The newest word of that kind that was believed; an instrument of another bath says nothing here. */
export function useInstrumentSaid(kind: ReadKind, bath?: string): InstrumentSaid | null {
  const { room, zone } = useHere();
  const { data } = useQuery(instrumentsQuery(room));
  const since = useNowOf((now) => Math.floor(now / 60) * 60 - FRESH_SECONDS, EVERY_MS);
  const said = newest(data?.items ?? [], kind, since, bath);
  if (!said || said.last_value === null) return null;
  return {
    text: String(Number(said.last_value.toFixed(MOST_DIGITS))),
    unit: said.last_unit,
    from: `${said.name}, ${wallClock(secondsOf(said), zone)}`,
  };
}

const secondsOf = ({ last_at }: Instrument) => Date.parse(last_at ?? "") / 1000;

function newest(all: Instrument[], kind: ReadKind, since: number, bath?: string) {
  return all
    .filter((each) => each.last_kind === kind && each.last_why === "" && !each.taken_back_at)
    .filter((each) => !each.bath || !bath || each.bath === bath)
    .filter((each) => secondsOf(each) >= since)
    .sort((a, b) => secondsOf(b) - secondsOf(a))[0];
}
