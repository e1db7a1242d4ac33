import { useState } from "react";
import type { Impression, MarksState } from "../../../api/marks";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { parseNumber } from "../../../ui/numbers";
import { Empty } from "../../../ui/Section";
import { momentOf } from "../../../ui/times";

type Props = {
  state: MarksState;
  log: Log;
  chosen: number | null;
  choose: (number: number) => void;
};

/** Every impression in its order: when, how it was pressed, what it reads. */
export function Impressions({ state, log, chosen, choose }: Props) {
  if (state.impressions.length === 0)
    return (
      <Empty title="Nothing pulled yet">
        <p>
          Each impression takes a little of the burr. Log each one, spoiled ones too, and read the
          darkest marked place of every second or third: from four readings on the forecast is this
          plate's own.
        </p>
      </Empty>
    );
  return (
    <ol>
      {state.impressions.map((each) => (
        <Row
          key={each.event}
          each={each}
          log={log}
          now={each.number === chosen}
          choose={() => choose(each.number)}
        />
      ))}
    </ol>
  );
}

type RowProps = { each: Impression; log: Log; now: boolean; choose: () => void };

function Row({ each, log, now, choose }: RowProps) {
  const { zone } = useHere();
  const [open, setOpen] = useState(false);
  return (
    <li
      className={`grid grid-cols-[40px_minmax(0,1fr)_auto] items-center gap-x-3 border-b border-hair ${now ? "bg-verdigris-pale" : ""}`}
    >
      <button type="button" className="num text-left text-h3 font-bold" onClick={choose}>
        {each.number}
      </button>
      <span>
        <span className="note">
          {momentOf(new Date(each.at_seconds * 1000).toISOString(), zone)}
        </span>
        {each.passes > 1 ? `, ${each.passes} passes` : ""}
        {each.spoiled ? <b>, spoiled</b> : ""}
        {each.note ? `, ${each.note}` : ""}
      </span>
      <span className="flex items-center gap-1">
        <b className="num">{each.lstar === null ? "" : `L* ${each.lstar}`}</b>
        <Button
          look="row"
          aria-label={`${each.lstar === null ? "Read" : "Read again"} no. ${each.number}`}
          onClick={() => setOpen(!open)}
        >
          {each.lstar === null ? "Read" : "Again"}
        </Button>
        <Button
          look="row"
          aria-label={`Take back no. ${each.number}`}
          onClick={() => log({ kind: "undo", data: { event: each.event } })}
        >
          Take back
        </Button>
      </span>
      {open ? <Read each={each} log={log} close={() => setOpen(false)} /> : null}
    </li>
  );
}

const LOW = 0;
const HIGH = 105;

function Read({ each, log, close }: { each: Impression; log: Log; close: () => void }) {
  const [typed, type] = useState(each.lstar === null ? "" : String(each.lstar));
  const [wrong, setWrong] = useState(false);
  const read = parseNumber(typed);
  const good = read !== undefined && read >= LOW && read <= HIGH;
  return (
    <form
      noValidate
      className="col-span-full flex flex-wrap items-center gap-3 py-1.5 pl-10"
      onSubmit={(event) => {
        event.preventDefault();
        if (!good) return setWrong(true);
        log({ kind: "impression-read", data: { pull: each.event, lstar: read, spread: 0.8 } });
        close();
      }}
    >
      <label className="flex items-center gap-2">
        Darkest marked place, L*
        <input
          // biome-ignore lint/a11y/noAutofocus: it was asked for by the button beside it
          autoFocus
          inputMode="decimal"
          aria-invalid={wrong && !good ? true : undefined}
          className="num min-h-9.5 w-20 rounded-cut border-[1.5px] border-ink bg-white px-2 text-right font-bold pointer-coarse:min-h-12"
          value={typed}
          onChange={(event) => type(event.target.value)}
        />
      </label>
      <Button type="submit" look="plain">
        Keep the reading
      </Button>
      {wrong && !good ? (
        <Care role="alert">
          L* from {LOW} to {HIGH}: paper is 100, black 0.
        </Care>
      ) : null}
    </form>
  );
}
