import type { Edition, Press } from "../../../api/editions";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { useSay } from "../../../ui/Toast";
import { dayOf } from "../../../ui/times";

const WAYS = { board: "taped to a board", blotters: "between blotters", line: "on the line" };
const DAYS = { board: 1, blotters: 2, line: 0.5 };
const DAY = 86_400;
/** Pulled longer ago, it is dry by now, wherever it lay. */
const STILL_WET_SECONDS = 1.5 * DAY;

/** Whole sheets that nobody put to dry yet: one touch, with the day they are dry. */
export function Dry({ edition, press, log }: { edition: Edition; press: Press; log: Log }) {
  const { zone } = useHere();
  const say = useSay();
  const how = press.decided.drying;
  const days = DAYS[how];
  const wet = edition.rows.filter(
    (each) =>
      each.dry_seconds === null &&
      each.state !== "spoiled" &&
      each.state !== "void" &&
      each.at_seconds > edition.now_seconds - STILL_WET_SECONDS,
  );
  if (wet.length === 0) return null;
  const dry = dayOf(new Date((edition.now_seconds + days * DAY) * 1000).toISOString(), zone);
  const sheets = wet.length === 1 ? "1 sheet" : `${wet.length} sheets`;
  const hang = () => {
    const event = log({ kind: "hung", data: { pulls: wet.map((each) => each.pull), how, days } });
    say({
      text: `${sheets} to dry, ${WAYS[how]}, to ${dry}.`,
      undo: () => log({ kind: "undo", data: { event } }),
    });
  };
  return (
    <p className="mt-2 flex flex-wrap items-center gap-3">
      <span>
        {sheets} not put to dry yet: {WAYS[how]} they are dry on <b>{dry}</b>.
      </span>
      <Button onClick={hang}>Put to dry</Button>
    </p>
  );
}
