import type { Run } from "../../../api/runs";
import type { Bite } from "../../../device/local";
import { NightBar, WayOut } from "../../../frame/NightBar";
import { useHere } from "../../../frame/useHere";
import { Waits } from "../../../frame/Waits";
import { Mark } from "../../../ui/Mark";
import { Sound } from "../../../ui/night/Sound";
import { homeOf } from "./home";
import { Others } from "./Others";

type Props = {
  run: Run;
  inBath: boolean;
  over: boolean;
  begun: boolean;
  bite: Bite | null;
  wrong: () => void;
};

/** Ended before its bites were made. */
const LEFT: Record<string, string> = {
  "set aside": "Set aside",
  "never dipped": "Never dipped",
};

/** State, plate, bite, way out, time. */
export function Bar({ run, inBath, over, begun, bite, wrong }: Props) {
  const { hands } = run.process;
  const { room } = useHere();
  const state = over
    ? `${hands.lift} now`
    : inBath
      ? hands.wet
      : run.ended_at || !bite
        ? (LEFT[run.outcome] ?? "All bites done")
        : begun
          ? hands.dry
          : "Not bitten yet";
  return (
    <NightBar mark={inBath ? "bath" : "lifted"} state={state} name={run.plate_name}>
      {bite && !run.ended_at ? (
        <span className="text-far whitespace-nowrap text-night-ink-2 max-desk:hidden">
          bite {bite.number} of {bite.of}
        </span>
      ) : null}
      <Others run={run} />
      <Waits look="bath" />
      <Sound />
      <button
        type="button"
        onClick={wrong}
        className="flex min-h-12 items-center gap-2 px-1 text-h3 font-semibold whitespace-nowrap text-night-vermilion max-phone:px-3 max-phone:text-body [&>svg]:size-6 [&>svg]:[--cut:var(--color-night)]"
      >
        <Mark name="danger" />
        <span className="max-phone:sr-only">Gone wrong?</span>
      </button>
      <WayOut to={homeOf(room, run)} word={run.strip ? "Strip" : "Plate page"} />
    </NightBar>
  );
}
