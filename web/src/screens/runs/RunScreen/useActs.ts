import { useCallback, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { useHere } from "../../../frame/useHere";
import kinds from "../../../api/kinds.gen.json";
import { nowSeconds } from "../../../device/clock";
import type { Run } from "../../../api/runs";
import { lastToTakeBack } from "../../../device/happened";
import { type Bite, currentBite, dipUnderWay, liftAt } from "../../../device/local";
import type { useRun } from "../../../device/useRun";
import { homeOf } from "./home";
import { useEnd } from "./useEnd";
import { useSay } from "../../../ui/Toast";

/** What the screen asks for: a temperature, or whether to dip before all is covered. */
export type Asked = null | "temperature" | "dip-anyway" | "set-aside" | "scrap" | "wrong";
type Seen = ReturnType<typeof useRun>;
export type Acts = ReturnType<typeof useActs>;

/** What hands do at the tray. Each is an event; Space first asks before it dips uncovered. */
export function useActs(seen: Seen, bite: Bite | null) {
  const [asked, setAsked] = useState<Asked>(null);
  const { run, local, log, waiting, flush } = seen;
  const { room } = useHere();
  const navigate = useNavigate();
  const say = useSay();
  const [said, setSaid] = useState<string | null>(null);
  const dip = local ? dipUnderWay(local) : null;
  const end = useEnd(run, flush);
  const pressed = useRef(Number.NEGATIVE_INFINITY); // a press that bounces is one press

  const toCover = useCallback((): string[] => {
    if (!local || !bite || !run) return [];
    const { closing, opening } = run.process.hands;
    const left = closing === "leave";
    const closed = opening.covers ? [] : bite.later;
    return run.sheet.areas
      .filter((area) => !left || area.wanted === null)
      .map((area) => area.name)
      .filter((name) => !bite.open.includes(name) && !closed.includes(name))
      .filter((name) => !local.state.covered.includes(name))
      .filter((name) => !run.closed_before.includes(name));
  }, [local, bite, run]);

  const toOpen = (): string[] => {
    if (!local || !bite || !run) return [];
    const { closing, opening } = run.process.hands;
    const openAlready = opening.covers && bite.number === 1;
    if (closing === "leave" || openAlready) return [];
    return bite.opens.filter((name) => !local.state.opened.includes(name));
  };

  const lift = () => {
    if (!dip || !local || !run) return;
    const now = nowSeconds();
    const current = currentBite(run, local);
    const late = current ? now - liftAt(run, local, dip, current) : 0;
    log({ kind: "lift", data: { dip: dip.event, remembered: false } });
    const follows =
      current && current.later.length > 0
        ? "What was open has bitten so much longer."
        : "The bites that follow are shorter for it.";
    setSaid(late > 2 ? `${Math.round(late)} s late. ${follows}` : null);
  };
  const dipNow = () => {
    if (!bite) return;
    if (toCover().length + toOpen().length > 0 && asked !== "dip-anyway") {
      setAsked("dip-anyway");
      return;
    }
    setAsked(null);
    setSaid(null);
    log({ kind: "dip", data: { open: bite.open } });
  };
  const undo = () => {
    if (!run) return;
    const last = lastToTakeBack(
      run.events,
      waiting.map((each) => each.event),
    );
    if (!last) return;
    log({ kind: "undo", data: { event: last.id } });
    say({ text: `Took back: ${kinds.kinds[last.kind].short}.` });
  };
  return {
    said,
    asked,
    ask: setAsked,
    toCover,
    toOpen,
    main: () => {
      const now = performance.now();
      if (now - pressed.current < kinds.same_press_seconds * 1000) return;
      pressed.current = now;
      if (dip) lift();
      else if (run?.ended_at) return;
      else if (bite) dipNow();
      else end.mutate("");
    },
    care: () => dip && run && log({ kind: run.care.event, data: {} }),
    /** The plate is as the screen asks for it: first what is covered, then what is opened. */
    prepared: () => {
      const [cover, open] = [toCover(), toOpen()];
      if (dip || cover.length + open.length === 0) return;
      setAsked(null);
      if (cover.length > 0) log({ kind: "covered", data: { areas: cover } });
      else log({ kind: "opened", data: { areas: open } });
    },
    protect: () => log({ kind: "protected", data: {} }),
    /** A companion scrap is read out of the bath, once a bite is made. */
    scrap: () => {
      const made = local?.state.dips.some((each) => each.lifted_seconds !== null);
      if (made && !dip && run?.part === "tones" && !run.strip) setAsked("scrap");
    },
    rinsed: () => log({ kind: "rinsed", data: {} }),
    lastRinse: (how: NonNullable<Run["usual_rinse"]>) =>
      log({ kind: "neutralised", data: { how } }),
    observe: (about: string, text: string) => log({ kind: "observation", data: { about, text } }),
    undo,
    setAside: () => !dip && run && !run.ended_at && setAsked("set-aside"),
    end: (reason: string) => end.mutate(reason),
    ending: end.isPending,
    endError: end.error,
    leave: () => navigate(run ? homeOf(room, run) : "/"),
  };
}
