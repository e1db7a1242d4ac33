import { useCallback, useState } from "react";
import { useNavigate } from "react-router";
import { useHere } from "../../../frame/useHere";
import { nowSeconds } from "../../../run/clock";
import { type Bite, currentBite, dipUnderWay, liftAt } from "../../../run/local";
import type { useRun } from "../../../run/useRun";
import { useSay } from "../../../ui/Toast";
import type { Asked } from "./Panel";

type Seen = ReturnType<typeof useRun>;
export type Acts = ReturnType<typeof useActs>;

const UNDOABLE = new Set([
  "dip",
  "lift",
  "temperature",
  "covered",
  "rinsed",
  "neutralised",
  "rocked",
  "feathered",
  "observation",
]);

/** What hands do at the tray. Each is an event; Space first asks before it dips uncovered. */
export function useActs(
  seen: Seen,
  bite: Bite | null,
  asked: Asked,
  setAsked: (asked: Asked) => void,
) {
  const { run, local, log, waiting } = seen;
  const { room } = useHere();
  const navigate = useNavigate();
  const say = useSay();
  const [said, setSaid] = useState<string | null>(null);
  const dip = local ? dipUnderWay(local) : null;

  const toCover = useCallback((): string[] => {
    if (!local || !bite || !run) return [];
    return run.areas
      .map((a) => String(a.name))
      .filter((name) => !bite.open.includes(name) && !local.covered.includes(name));
  }, [local, bite, run]);

  const lift = () => {
    if (!dip || !local || !run) return;
    const now = nowSeconds();
    const current = currentBite(run, local);
    const late = current ? now - liftAt(run, local, dip, current) : 0;
    log("lift", { dip: dip.id });
    setSaid(
      late > 2
        ? `Lifted ${Math.round(late)} s late. The bites that follow are shorter for it.`
        : null,
    );
  };
  const dipNow = () => {
    if (!bite) return;
    if (toCover().length > 0 && asked !== "dip-anyway") {
      setAsked("dip-anyway");
      return;
    }
    setAsked(null);
    setSaid(null);
    log("dip", { open: bite.open, celsius: local?.celsius ?? null });
  };
  const undo = () => {
    const undone = new Set([
      ...waiting.filter((w) => w.event.kind === "undo").map((w) => String(w.event.data?.event)),
      ...(run?.events ?? []).filter((e) => e.kind === "undo").map((e) => String(e.data.event)),
    ]);
    const all = [
      ...(run?.events ?? []).map((e) => ({ id: e.id, kind: e.kind, at: e.at_seconds })),
      ...waiting.map((w) => ({
        id: w.id,
        kind: w.event.kind as string,
        at: (w.event.monotonic_ms + w.event.offset_ms) / 1000,
      })),
    ].sort((a, b) => a.at - b.at);
    const last = all.findLast((e) => UNDOABLE.has(e.kind) && !undone.has(e.id));
    if (!last) return;
    log("undo", { event: last.id });
    say({ text: `Took back: ${last.kind}.` });
  };
  return {
    said,
    toCover,
    main: () => (dip ? lift() : dipNow()),
    care: () => dip && log(run?.care === "feather" ? "feathered" : "rocked"),
    cover: () => {
      const names = toCover();
      if (!dip && names.length > 0) {
        setAsked(null);
        log("covered", { areas: names });
      }
    },
    rinsed: () => log("rinsed"),
    neutralised: () => log("neutralised"),
    undo,
    leave: () => navigate(run ? `/r/${room}/plates/${run.plate}` : "/"),
  };
}
