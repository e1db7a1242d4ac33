import { useState } from "react";
import { pictureUrl, type Proof, straightUrl } from "../../../api/proofs";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Curtain } from "../../../ui/Curtain";
import { Segments } from "../../../ui/Segments";
import { roman } from "../../../ui/times";
import { Pinned } from "./Pinned";
import { AtPlate, Shown } from "./Shown";
import type { usePins } from "./usePins";

const WAYS = [
  ["proof", "The proof"],
  ["drawn", "Against what was drawn"],
] as const;
type Way = (typeof WAYS)[number][0];
type Props = { proof: Proof; pins: ReturnType<typeof usePins> };

/** The proof's picture with its pins, or what was drawn pulled aside over it. */
export function Pictured({ proof, pins }: Props) {
  const { room } = useHere();
  const { plate } = usePlate();
  const [way, setWay] = useState<Way>("proof");
  const both = plate.study && (proof.reading || proof.picture);
  return (
    <>
      {both ? (
        <div>
          <Segments label="What is shown" value={way} options={WAYS} onChange={setWay} />
        </div>
      ) : null}
      {both && way === "drawn" ? (
        <Curtain
          label="What was drawn against the proof"
          left={<AtPlate src={pictureUrl(room, plate.study as string)} alt="As drawn" />}
          right={<Shown proof={proof} />}
          leftName="as drawn"
          rightName={`State ${roman(proof.state_number)}`}
        />
      ) : proof.reading ? (
        <Pinned pins={pins} src={straightUrl(room, proof.id)} proof={proof} />
      ) : proof.picture ? (
        <a href={`${pictureUrl(room, proof.picture)}/original`}>
          <img
            src={pictureUrl(room, proof.picture)}
            alt={`Proof of State ${roman(proof.state_number)}; opens the original`}
            className="w-full shadow-hung"
          />
        </a>
      ) : null}
    </>
  );
}
