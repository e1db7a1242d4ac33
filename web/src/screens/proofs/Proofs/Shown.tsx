import { pictureUrl, type Proof, straightUrl } from "../../../api/proofs";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { roman } from "../../../ui/times";

/** A picture at the plate's proportions. */
export function AtPlate({ src, alt }: { src: string | null; alt: string }) {
  const { plate } = usePlate();
  const ratio = { aspectRatio: plate.width_mm / plate.height_mm };
  if (!src)
    return (
      <div className="grid place-items-center bg-paper-lift" style={ratio}>
        no picture
      </div>
    );
  return <img src={src} alt={alt} className="block w-full object-cover" style={ratio} />;
}

/** A proof laid straight where it was read, else as it was photographed. */
export function Shown({ proof }: { proof: Proof }) {
  const { room } = useHere();
  const photographed = proof.picture ? pictureUrl(room, proof.picture) : null;
  return (
    <AtPlate
      src={proof.reading ? straightUrl(room, proof.id) : photographed}
      alt={`Proof of State ${roman(proof.state_number)}`}
    />
  );
}
