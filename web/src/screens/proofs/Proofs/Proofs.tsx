import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { pictureUrl, type Proof, proofsQuery } from "../../../api/proofs";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { Pages } from "../../../ui/Pages";
import { Empty } from "../../../ui/Section";
import { Asking } from "../../../ui/Asking";
import { dayOf, roman } from "../../../ui/times";
import { OneProof } from "./OneProof";

/** The proofs of a plate on their line, and what the chosen one asks for. */
export function Proofs() {
  const { room } = useHere();
  const { plate } = usePlate();
  const [page, setPage] = useState(1);
  const { data, error } = useQuery(proofsQuery(room, plate.id, page));
  const [chosen, setChosen] = useState<string | null>(null);
  if (!data)
    return (
      <Asking error={error}>
        <h2>Proofs</h2>
      </Asking>
    );
  const proof = data.items.find((each) => each.id === chosen) ?? data.items[0];
  return (
    <>
      <div className="flex min-h-11 items-center justify-between gap-3">
        <h2>Proofs</h2>
        <ButtonLink look="strong" to={`/r/${room}/plates/${plate.id}/proofs/new`}>
          Hang a proof
        </ButtonLink>
      </div>
      {proof ? (
        <>
          <div className="flex gap-6.5 overflow-x-auto px-1 pt-1.5 pb-3.5">
            {data.items.map((each) => (
              <Hung
                key={each.id}
                proof={each}
                chosen={each.id === proof.id}
                choose={() => setChosen(each.id)}
              />
            ))}
          </div>
          <Pages list={data} go={setPage} />
          <OneProof proof={proof} />
        </>
      ) : (
        <Empty title="No proof yet">
          <p>
            Pull one, read its tones dry against the bare sheet. It shows how near the bites came,
            and what to do next.
          </p>
        </Empty>
      )}
    </>
  );
}

type HungProps = { proof: Proof; chosen: boolean; choose: () => void };

/** A proof on the line. */
function Hung({ proof, chosen, choose }: HungProps) {
  const { room, zone } = useHere();
  const state = `State ${roman(proof.state_number)}`;
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={choose}
      className="block w-49 flex-none -rotate-[0.6deg] bg-paper-lift px-2 pt-2 pb-1.5 text-left shadow-hung outline-offset-2 even:rotate-[0.7deg] aria-pressed:outline-[3px] aria-pressed:outline-ink"
    >
      {proof.picture ? (
        <img
          src={pictureUrl(room, proof.picture)}
          alt={`Proof of ${state}`}
          className="block h-auto w-full"
        />
      ) : (
        <span className="note block h-30 p-3.5">no picture</span>
      )}
      <i className="font-slab leading-relaxed">
        {state}, {dayOf(proof.pulled_at, zone)}
      </i>
    </button>
  );
}
