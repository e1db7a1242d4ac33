import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Timer } from "../../../api/timers";
import { leftOf, useTimerActs, useWaits } from "../../../frame/Waits";
import { useHere } from "../../../frame/useHere";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";
import { wallClock } from "../../../ui/times";
import { useKeys } from "../../../ui/useKeys";
import { useNow } from "../../../ui/useNow";

/** Waits as at the bath: the first to end is read from four metres, the others stand beside it. */
export function Timers() {
  const { room, zone } = useHere();
  const navigate = useNavigate();
  const now = useNow(250);
  const waits = useWaits();
  const { end } = useTimerActs();
  const [chosen, setChosen] = useState<string | null>(null);
  const shown = waits.find((timer) => timer.id === chosen) ?? waits[0];
  useKeys({
    Space: (event) => {
      event.preventDefault();
      if (shown) end.mutate(shown.id);
    },
    Escape: () => navigate(-1),
  });
  return (
    <main className="run out waiting">
      <header className="run-bar">
        <div className="run-is">
          <Mark name="ground" /> Waiting
        </div>
        <h1 className="run-plate">{shown?.plate_name || "Timers"}</h1>
        <Link className="run-way" to={`/r/${room}/bench`}>
          <span className="key">Esc</span>
          <span className="word">Back</span>
        </Link>
        <span className="run-clock">{wallClock(now, zone)}</span>
      </header>
      {shown ? (
        <Shown timer={shown} others={waits} now={now} choose={setChosen} />
      ) : (
        <div className="run-out">
          <section>
            <h1>Nothing waits</h1>
            <p>Start a timer at a step that waits: a ground cooling, dust settling, varnish.</p>
          </section>
        </div>
      )}
      <footer className="run-hands">
        <button
          type="button"
          className="big"
          disabled={!shown || end.isPending}
          onClick={() => shown && end.mutate(shown.id)}
        >
          <Mark name="done" />
          Done waiting
          <span className="key">Space</span>
        </button>
        <Trouble error={end.error} />
      </footer>
    </main>
  );
}

type ShownProps = {
  timer: Timer;
  others: Timer[];
  now: number;
  choose: (id: string) => void;
};

function Shown({ timer, others, now, choose }: ShownProps) {
  const { zone } = useHere();
  const { text, over } = leftOf(timer, now);
  const parts = text.split(":");
  return (
    <>
      <ul className="wait-list">
        {others.map((each) => (
          <li key={each.id}>
            <button
              type="button"
              aria-pressed={each.id === timer.id}
              onClick={() => choose(each.id)}
            >
              <b className="n">{leftOf(each, now).text}</b>
              <span>{each.what}</span>
              <small>{each.plate_name}</small>
            </button>
          </li>
        ))}
      </ul>
      <section className="run-read">
        <div
          className={`run-time${over ? " late" : ""}${text.length > 4 ? " long" : ""}`}
          role="timer"
          aria-label={`${timer.what} ${text} ${over ? "over" : "to go"}`}
        >
          <span>{parts.slice(0, -1).join(":")}</span>
          <i aria-hidden="true" />
          <span>{parts.at(-1)}</span>
          <small>{over ? "over" : "to go"}</small>
        </div>
        <p className="run-next">
          <b>
            {over
              ? "It has waited long enough."
              : timer.what.charAt(0).toUpperCase() + timer.what.slice(1)}
          </b>{" "}
          {over ? timer.what : `until ${wallClock(timer.ends_seconds, zone)}`}
        </p>
      </section>
    </>
  );
}
