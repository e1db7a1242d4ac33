import type { Shapes } from "../../../api/client";
import { Care } from "../../../ui/Care";
import { Section } from "../../../ui/Section";

type Check = Shapes["GroundCheckOutput"];

const RISK: Record<Check["risk"], string> = {
  "none seen": "No cause of foul bite in the log.",
  some: "Some cause for foul bite in the log.",
  high: "Foul bite is likely: see why.",
  "not known": "Foul bite: not enough is noted to say.",
};

const mendOf = (cause: Check["causes"][number]) =>
  cause.share === null
    ? cause.mend
    : `${cause.mend} In this room ${Math.round(cause.share * 100)} % of ${cause.share_of} such plates foul-bit.`;

/** May the ground foul-bite? Causes with their evidence and mend, from what was noted. */
export function GroundCheck({ ground }: { ground: Check }) {
  return (
    <Section>
      <h3>{RISK[ground.risk]}</h3>
      {ground.causes.map((cause) => (
        <Care key={cause.key} className="my-2" more={mendOf(cause)}>
          {cause.title}. {cause.evidence}
        </Care>
      ))}
      {ground.warnings.map((warning) => (
        <Care key={warning} className="my-2">
          {warning}
        </Care>
      ))}
      {ground.missing.length > 0 ? (
        <p className="note">Not noted: {ground.missing.join(", ")}.</p>
      ) : null}
    </Section>
  );
}
