import type { Shapes } from "../../../api/client";
import { Mark } from "../../../ui/Mark";

const RISK: Record<Shapes["GroundCheckOutput"]["risk"], string> = {
  "none seen": "No cause of foul bite in the log.",
  some: "Some cause for foul bite in the log.",
  high: "Foul bite is likely: see why.",
  "not known": "Foul bite: not enough is noted to say.",
};

/** May the ground foul-bite? Causes with their evidence and mend, from what was noted. */
export function GroundCheck({ ground }: { ground: Shapes["GroundCheckOutput"] }) {
  return (
    <section className="section">
      <h3 style={{ marginTop: 0 }}>{RISK[ground.risk]}</h3>
      {ground.causes.map((cause) => (
        <p key={cause.key} className="care" style={{ margin: "8px 0" }}>
          <Mark name="care" />
          <span>
            {cause.title}. {cause.evidence}
            <small>
              {cause.mend}
              {cause.share === null
                ? ""
                : ` In this room ${Math.round(cause.share * 100)} % of ${cause.share_of} such plates foul-bit.`}
            </small>
          </span>
        </p>
      ))}
      {ground.warnings.map((warning) => (
        <p key={warning} className="care" style={{ margin: "8px 0" }}>
          <Mark name="care" />
          <span>{warning}</span>
        </p>
      ))}
      {ground.missing.length > 0 ? (
        <p className="note m-0">Not noted: {ground.missing.join(", ")}.</p>
      ) : null}
    </section>
  );
}
