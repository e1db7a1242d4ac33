import { deviceId } from "../device/ids";
import type { Waiting } from "../device/waiting";
import { useNowOf } from "../ui/useNow";

const NO_LINE_AFTER_MS = 4_000;
const NO_LINE = "No line. Kept here, sent later.";
const OFF = "This device's clock is wrong: set it. Times count as they came in.";

type Sent = { device: string; clock_was_wrong: boolean }[];

/** Whether what this device logged last had to be counted by its receipt. */
const offHere = (events: Sent) =>
  events.filter((event) => event.device === deviceId()).at(-1)?.clock_was_wrong;

/** What of this device's events the server has not, above the rest: in the bar it would be cut. */
export function Line({ events, waiting }: { events: Sent; waiting: Waiting[] }) {
  const refused = waiting.find((each) => each.refused)?.refused;
  const old = useNowOf(() =>
    waiting.some((each) => !each.refused && Date.now() - each.at > NO_LINE_AFTER_MS),
  );
  return (
    <p role="status" className="text-h3 text-night-ferric not-empty:mb-2 max-phone:text-body">
      {refused ? `Kept here, not taken: ${refused}` : old ? NO_LINE : offHere(events) ? OFF : ""}
    </p>
  );
}
