import { useQuery } from "@tanstack/react-query";
import { type Instrument, instrumentsQuery } from "../api/instruments";
import type { Form } from "../ui/form/useForm";
import { Button } from "../ui/Button";
import { wallClock } from "../ui/times";
import { useNowOf } from "../ui/useNow";
import { useHere } from "./useHere";

/** An older word is another weighing's, another dip's. */
const FRESH_SECONDS = 600;
const EVERY_MS = 5_000;
const MOST_DIGITS = 4;
type Kind = "mass" | "baume" | "lstar";
type Props = { form: Form; name: string; kind: Kind; bath?: string };

/** What an instrument of the room said last, put into a field by one press; never by itself. */
export function FromInstrument({ form, name, kind, bath }: Props) {
  const { room, zone } = useHere();
  const { data } = useQuery(instrumentsQuery(room));
  const since = useNowOf((now) => Math.floor(now / 60) * 60 - FRESH_SECONDS, EVERY_MS);
  const said = newest(data?.items ?? [], kind, since, bath);
  if (!said) return null;
  const value = Number(said.last_value?.toFixed(MOST_DIGITS));
  return (
    <span className="block">
      <Button
        look="row"
        className="-ml-1.5"
        onClick={() => form.hook.setValue(name, String(value), { shouldDirty: true })}
      >
        Take {value} {said.last_unit}
      </Button>
      <span className="block">
        {said.name}, {wallClock(secondsOf(said.last_at), zone)}
      </span>
    </span>
  );
}

const secondsOf = (at: string | null) => Date.parse(at ?? "") / 1000;

/** The newest word of that kind that was believed; an instrument of another bath says nothing here. */
function newest(all: Instrument[], kind: Kind, since: number, bath?: string) {
  return all
    .filter((each) => each.last_kind === kind && each.last_why === "" && !each.taken_back_at)
    .filter((each) => !each.bath || !bath || each.bath === bath)
    .filter((each) => each.last_value !== null && secondsOf(each.last_at) >= since)
    .sort((a, b) => secondsOf(b.last_at) - secondsOf(a.last_at))[0];
}
