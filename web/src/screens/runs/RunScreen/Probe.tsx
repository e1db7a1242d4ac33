import type { Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import { Said } from "../../../ui/night/Night";
import { wallClock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { useNowOf } from "../../../ui/useNow";

/** A probe that fell silent, or says what is not believed; a live one is seen at the temperature. */
export function Probe({ run }: { run: Run }) {
  const { me, zone } = useHere();
  const { probe } = run;
  const silent = useNowOf(
    (now) => probe !== null && now - probe.at_seconds > probe.silent_after_seconds,
  );
  if (!probe) return null;
  const said =
    probe.celsius === null
      ? ""
      : `: ${shownTemperature(probe.celsius, me)} ${temperatureUnit(me)} then`;
  if (silent)
    return (
      <Said role="status">
        {probe.name} is silent since {wallClock(probe.at_seconds, zone)}
        {said}. The bite goes on by that. T: type the temperature.
      </Said>
    );
  return probe.why ? (
    <Said role="status">
      {probe.name}
      {said}. {probe.why}
    </Said>
  ) : null;
}
