import type { Strip } from "../../../api/strips";
import { Care } from "../../../ui/Care";

/** How much of the curve is its own patches', how much earlier strips'; or why it no longer counts. */
export function LeansOn({ strip }: { strip: Strip }) {
  const others = strip.leans_on.map((each) => `${percent(each.share)} from ${each.name}`);
  return (
    <>
      {strip.out_reason ? (
        <Care className="mt-2" more="It can be put back from the wall of strips.">
          Left out, it counts for no other: {strip.out_reason}.
        </Care>
      ) : null}
      {others.length > 0 ? (
        <p className="note mt-2">
          {percent(strip.own_share)} of this curve is known from its own patches,{" "}
          {others.join(", ")}.
        </p>
      ) : null}
    </>
  );
}

function percent(share: number) {
  const whole = Math.round(100 * share);
  return whole < 1 ? "under 1 %" : `${whole} %`;
}
