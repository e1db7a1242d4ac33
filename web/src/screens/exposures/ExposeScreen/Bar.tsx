import { underWay } from "../../../device/exposureFollow";
import { NightBar, WayOut } from "../../../frame/NightBar";
import { useHere } from "../../../frame/useHere";
import { Waits } from "../../../frame/Waits";
import { Sound } from "../../../ui/night/Sound";
import { lastOver, nextPlan } from "./stages";
import { homeOf, type Seen } from "./useExposeActs";

/** What is so while a stage is under way, by what it needs. */
const STATE = { rays: "Lamp on", hands: "By hand", waits: "Drying" };
const LEFT: Record<string, string> = {
  "set aside": "Set aside",
  "never begun": "Never begun",
};

/** State, plate, stage, way out, time. */
export function Bar({ seen: { exposure, lit }, over }: { seen: Seen; over: boolean }) {
  const { room } = useHere();
  const now = underWay(lit.state);
  const plan = nextPlan(exposure, lit);
  const state = now
    ? over
      ? `${plan?.end_verb} now`
      : plan
        ? now.stage === "wash"
          ? "In the water"
          : STATE[plan.pace]
        : ""
    : exposure.ended_at || !plan
      ? (LEFT[exposure.outcome] ?? "All done")
      : lit.state.spans.length > 0
        ? (lastOver(exposure, lit)?.plan.end_verb ?? "Lamp off")
        : "Not begun yet";
  const place = lit.stands.next;
  return (
    <NightBar mark={now ? "exposing" : "leave"} state={state} name={exposure.name}>
      {place === null || exposure.ended_at ? null : (
        <span className="text-far whitespace-nowrap text-night-ink-2 max-desk:hidden">
          {place + 1} of {exposure.sheet.stages.length}
        </span>
      )}
      <Waits look="bath" />
      <Sound />
      <WayOut to={homeOf(room, exposure)} word={exposure.plate ? "Plate page" : "Two-way test"} />
    </NightBar>
  );
}
