import type { Proof } from "../../../api/proofs";
import { TextButton } from "../../../ui/Button";

/** How a proof was printed, in a line, and the way to correct it. */
export function Settings({ proof, correct }: { proof: Proof; correct?: () => void }) {
  const facts: [string, string][] = [
    ["Paper", proof.paper],
    ["Soak", proof.soak_minutes === null ? "" : `${proof.soak_minutes} min`],
    ["Ink", proof.ink],
    ["Wipe", proof.wipe],
    ["Pressure", proof.pressure],
    ["Passes", String(proof.passes)],
  ];
  const known = facts.filter(([, text]) => text);
  return (
    <p className="note">
      {known.map(([name, text]) => `${name}: ${text}`).join(" · ")}{" "}
      {correct ? <TextButton onClick={correct}>Correct what was typed</TextButton> : null}
    </p>
  );
}
