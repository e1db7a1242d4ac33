import type { BathPage } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { momentOf } from "../../../ui/times";
import { CHECK_NAMES } from "./names";

/** A mark of the figure that was walked to, read out. */
export function Marked({ check }: { check: BathPage["checks"][number] | null }) {
  const { zone } = useHere();
  return (
    <p role="status" className="note min-h-5">
      {check
        ? `${CHECK_NAMES[check.kind] ?? check.kind}, ${momentOf(check.at, zone)}: ×${check.value.toFixed(2)} (${check.low.toFixed(2)} to ${check.high.toFixed(2)}). ${check.text}.`
        : ""}
    </p>
  );
}
