import { pictureUrl, type Proof } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { Beside, Section } from "../../../ui/Section";
import { roman } from "../../../ui/times";
import { Tones } from "./Tones";

/** A proof: its picture, how it was printed, what its tones ask for. */
export function OneProof({ proof }: { proof: Proof }) {
  return (
    <Section>
      {proof.picture ? (
        <Beside side="even">
          <Sheet proof={proof} picture={proof.picture} />
          <Told proof={proof} />
        </Beside>
      ) : (
        <Told proof={proof} />
      )}
    </Section>
  );
}

function Sheet({ proof, picture }: { proof: Proof; picture: string }) {
  const { room } = useHere();
  const href = pictureUrl(room, picture);
  return (
    <a href={`${href}/original`}>
      <img
        src={href}
        alt={`Proof of State ${roman(proof.state_number)}; opens the original`}
        className="w-full shadow-hung"
      />
    </a>
  );
}

function factsOf(proof: Proof): string {
  const facts: [string, string][] = [
    ["Paper", proof.paper],
    ["Soak", proof.soak_minutes === null ? "" : `${proof.soak_minutes} min`],
    ["Ink", proof.ink],
    ["Wipe", proof.wipe],
    ["Pressure", proof.pressure],
    ["Passes", String(proof.passes)],
  ];
  const known = facts.filter(([, text]) => text);
  return known.map(([name, text]) => `${name}: ${text}`).join(" · ");
}

function Told({ proof }: { proof: Proof }) {
  return (
    <div className="grid content-start gap-2">
      <h2>
        State {roman(proof.state_number)}
        {proof.ok_to_print ? ", OK to print" : ""}
      </h2>
      <p className="note">{factsOf(proof)}</p>
      {proof.advice?.first ? <Care>{proof.advice.first}</Care> : null}
      {proof.tones.length > 0 ? <Tones proof={proof} /> : <p>No tones were read off this proof.</p>}
      {proof.note ? <p>{proof.note}</p> : null}
    </div>
  );
}
