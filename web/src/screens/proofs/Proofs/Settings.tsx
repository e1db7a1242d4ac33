import type { Proof } from "../../../api/proofs";

/** How a proof was printed, in a line. */
export function Settings({ proof }: { proof: Proof }) {
  const facts: [string, string][] = [
    ["Paper", proof.paper],
    ["Soak", proof.soak_minutes === null ? "" : `${proof.soak_minutes} min`],
    ["Ink", proof.ink],
    ["Wipe", proof.wipe],
    ["Pressure", proof.pressure],
    ["Passes", String(proof.passes)],
  ];
  const known = facts.filter(([, text]) => text);
  return <p className="note">{known.map(([name, text]) => `${name}: ${text}`).join(" · ")}</p>;
}
