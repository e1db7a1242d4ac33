import type { Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import { wallClock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { useNowOf } from "../../../ui/useNow";

/** Whether a probe hangs in the bath and is heard. */
export const useProbeLive = (run: Run): boolean =>
  useNowOf(
    (now) => run.probe !== null && now - run.probe.at_seconds <= run.probe.silent_after_seconds,
  );

/** What is to be known of the probe: it fell silent, or its word is not believed; else nothing. */
export function useProbeWord(run: Run): string {
  const { me, zone } = useHere();
  const live = useProbeLive(run);
  const { probe } = run;
  if (!probe) return "";
  const then =
    probe.celsius === null ? "" : `, ${shownTemperature(probe.celsius, me)} ${temperatureUnit(me)}`;
  if (!live) return `Probe silent since ${wallClock(probe.at_seconds, zone)}${then}. Type it: T.`;
  return probe.why ? `Probe says${then.slice(1)}. ${probe.why}` : "";
}
