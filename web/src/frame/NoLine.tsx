import { useQuery } from "@tanstack/react-query";
import { rackQuery } from "../api/plates";
import { nowSeconds } from "../device/clock";
import { Care } from "../ui/Care";
import { wallClock } from "../ui/times";
import { useHere } from "./useHere";

/** Says that there is no line and from when what is shown stands: the rack asks often, so it knows first. */
export function NoLine() {
  const { room, zone } = useHere();
  const { data, isError, fetchStatus, dataUpdatedAt } = useQuery(rackQuery(room));
  if (!data || !(isError || fetchStatus === "paused")) return null;
  const since = nowSeconds() - (Date.now() - dataUpdatedAt) / 1000;
  return (
    <div role="status" className="mb-2.5 print:hidden">
      <Care>No line. What stands here is as it was at {wallClock(since, zone)}.</Care>
    </div>
  );
}
