import { useState } from "react";
import type { Proof } from "../../../api/proofs";
import { usePlate } from "../../../frame/PlateFrame";
import { TakeAway } from "../../../scan/TakeAway";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Beside, Section } from "../../../ui/Section";
import { roman } from "../../../ui/times";
import { Approve } from "./Approve";
import { Correct } from "./Correct";
import { Causes } from "./Causes";
import { Learned } from "./Learned";
import { Pictured } from "./Pictured";
import { Pins } from "./Pins";
import { Settings } from "./Settings";
import { Steps } from "./Steps";
import { Tones } from "./Tones";
import { usePins } from "./usePins";

type Props = {
  proof: Proof;
  proofs: Proof[];
  before: Proof | null;
  compare: (chosen: { left: string; right: string }) => void;
};

/** A proof: its picture with pins, what to do next by what it does to the tone, and why. */
export function OneProof({ proof, proofs, before, compare }: Props) {
  const { plate } = usePlate();
  const pins = usePins(proof);
  const [correcting, setCorrecting] = useState(false);
  return (
    <Section>
      <Beside side="even">
        <div className="grid content-start gap-3">
          <Pictured proof={proof} pins={pins} />
          {correcting ? (
            <Correct proof={proof} close={() => setCorrecting(false)} />
          ) : (
            <Settings proof={proof} correct={() => setCorrecting(true)} />
          )}
          <div className="flex flex-wrap gap-3">
            {before ? (
              <Button onClick={() => compare({ left: before.id, right: proof.id })}>
                Compare with State {roman(before.state_number)}
              </Button>
            ) : null}
            {proof.tones.length > 0 ? (
              <TakeAway
                title={`${plate.name}, State ${roman(proof.state_number)}`}
                readings={proof.tones.map((tone) => ({
                  name: tone.area,
                  lstar: tone.read_lstar,
                  spread: tone.spread,
                }))}
              />
            ) : null}
          </div>
          {proof.tones.length > 0 ? (
            <Tones proof={proof} proofs={proofs} />
          ) : (
            <p>No tones were read off this proof.</p>
          )}
          {proof.note ? <p className="font-slab italic">{proof.note}</p> : null}
        </div>
        <div className="grid content-start gap-4 max-desk:order-first">
          {proof.reading?.warnings.map((each) => (
            <Care key={each.code}>{each.text}</Care>
          ))}
          {proof.next ? <Steps proof={proof} /> : null}
          <Approve key={proof.id} proof={proof} />
          <Pins pins={pins} proof={proof} />
          {proof.next ? <Causes next={proof.next} /> : null}
          <Learned proof={proof} />
        </div>
      </Beside>
    </Section>
  );
}
