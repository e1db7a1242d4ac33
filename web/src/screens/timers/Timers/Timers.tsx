import { useState } from "react";
import { useNavigate } from "react-router";
import type { Timer } from "../../../api/timers";
import { NightBar, WayOut } from "../../../frame/NightBar";
import { useHere } from "../../../frame/useHere";
import { useTimerActs, useWaits } from "../../../frame/Waits";
import { Key } from "../../../ui/Key";
import { Mark } from "../../../ui/Mark";
import { LeftUntil, leftUntil } from "../../../ui/Ticking";
import { Trouble } from "../../../ui/Trouble";
import { wallClock } from "../../../ui/times";
import { useKeys } from "../../../ui/useKeys";
import { useNowOf } from "../../../ui/useNow";
import { FarClock } from "../../../ui/night/FarClock";
import { FarText, FarTitle, Night, OutPart } from "../../../ui/night/Night";

/** Waits as at the bath: the first to end is read from four metres, the others stand beside it. */
export function Timers() {
  const { room } = useHere();
  const navigate = useNavigate();
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
    <Night out>
      <NightBar mark="ground" state="Waiting" name={shown?.plate_name || "Timers"}>
        <WayOut to={`/r/${room}/bench`} word="Back" />
      </NightBar>
      {shown ? (
        <>
          <Others waits={waits} shown={shown} choose={setChosen} />
          <Shown timer={shown} />
        </>
      ) : (
        <OutPart>
          <section>
            <FarTitle>Nothing waits</FarTitle>
            <FarText>
              Start a timer at a step that waits: a ground cooling, dust settling, varnish.
            </FarText>
          </section>
        </OutPart>
      )}
      <footer className="col-span-full grid border-t-2 border-night-line max-desk:row-start-4">
        <button
          type="button"
          disabled={!shown || end.isPending}
          onClick={() => shown && end.mutate(shown.id)}
          className="flex items-center justify-center gap-7 bg-night-2 font-slab text-far-3 leading-none font-black whitespace-nowrap outline-[5px] -outline-offset-12 outline-night-ink outline-solid max-phone:gap-4 max-phone:text-show [&>svg]:size-18 max-phone:[&>svg]:size-11"
        >
          <Mark name="done" />
          Done waiting
          <Key className="h-14.5! px-4.5! text-far! max-phone:hidden">Space</Key>
        </button>
        <Trouble error={end.error} />
      </footer>
    </Night>
  );
}

type OthersProps = { waits: Timer[]; shown: Timer; choose: (id: string) => void };

function Others({ waits, shown, choose }: OthersProps) {
  return (
    <ul className="overflow-y-auto border-r-2 border-night-line p-3.5 max-desk:flex max-desk:overflow-x-auto max-desk:border-r-0 max-desk:border-b-2">
      {waits.map((each) => (
        <li key={each.id}>
          <button
            type="button"
            aria-pressed={each.id === shown.id}
            onClick={() => choose(each.id)}
            className="grid min-h-24 w-full gap-0.5 border-2 border-transparent px-3.5 py-3 text-left text-h2 aria-pressed:border-night-ink max-desk:min-w-48"
          >
            <LeftUntil at={each.ends_seconds} className="text-far-2 leading-none font-bold" />
            <span>{each.what}</span>
            <small className="text-lead text-night-ink-2">{each.plate_name}</small>
          </button>
        </li>
      ))}
    </ul>
  );
}

function Shown({ timer }: { timer: Timer }) {
  const { zone } = useHere();
  const text = useNowOf((now) => leftUntil(timer.ends_seconds, now));
  const over = text.startsWith("+");
  const word = over ? "over" : "to go";
  const what = timer.what.charAt(0).toUpperCase() + timer.what.slice(1);
  return (
    <section className="relative flex min-w-0 flex-col pr-8 pl-4.5 max-phone:px-4 max-phone:pt-3">
      <FarClock text={text} over={over} word={word} label={`${timer.what} ${text} ${word}`} />
      <FarText>
        <b className="text-(--glow)">{over ? "It has waited long enough." : what}</b>{" "}
        {over ? timer.what : `until ${wallClock(timer.ends_seconds, zone)}`}
      </FarText>
    </section>
  );
}
