import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { changeQuery, type Proof, proofsQuery } from "../../../api/proofs";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { ButtonLink } from "../../../ui/Button";
import { Key } from "../../../ui/Key";
import { Pages } from "../../../ui/Pages";
import { Empty } from "../../../ui/Section";
import { roman } from "../../../ui/times";
import { useKeys } from "../../../ui/useKeys";
import { Hanging } from "./Hanging";
import { OneProof } from "./OneProof";
import { Pair } from "./Pair";

type Chosen = { left: string | null; right: string | null };

/** The proofs of a plate on their line: what the chosen one asks for, or what changed between two. */
export function Proofs() {
  const { room } = useHere();
  const { plate } = usePlate();
  const [page, setPage] = useState(1);
  const { data, error } = useQuery(proofsQuery(room, plate.id, page));
  const [chosen, setChosen] = useState<Chosen>({ left: null, right: null });
  const proofs = data?.items ?? [];
  const right = proofs.find((each) => each.id === chosen.right) ?? proofs[0];
  const left = proofs.find((each) => each.id === chosen.left && each.id !== right?.id) ?? null;
  useProofKeys({ proofs, left, right, choose: setChosen });
  if (!data)
    return (
      <Asking error={error}>
        <h2>Proofs</h2>
      </Asking>
    );
  if (!right) return <NoneYet />;
  return (
    <>
      <div className="flex min-h-11 flex-wrap items-center justify-between gap-3">
        <h2 className="text-h1 max-phone:text-h2">
          {left ? <Changed left={left} right={right} /> : answerOf(right)}
        </h2>
        <Hang />
      </div>
      <Hanging
        study={plate.study ?? null}
        proofs={proofs}
        left={left}
        right={right}
        choose={(id, beside) =>
          setChosen(beside ? { left: id, right: right.id } : { left: null, right: id })
        }
      />
      <Pages list={data} go={setPage} />
      {left ? (
        <Pair
          left={left}
          right={right}
          proofs={proofs}
          done={() => setChosen({ left: null, right: right.id })}
        />
      ) : (
        <OneProof
          key={right.id}
          proof={right}
          proofs={proofs}
          before={beforeOf(proofs, right)}
          compare={setChosen}
        />
      )}
    </>
  );
}

/** The sentence that leads: plate or printing, and what is off. */
const answerOf = (proof: Proof) =>
  proof.next && proof.next.cause !== "unread"
    ? proof.next.text
    : `State ${roman(proof.state_number)}${proof.ok_to_print ? ": OK to print" : ""}`;

/** The sentence that leads two proofs: what changed most between them. */
function Changed({ left, right }: { left: Proof; right: Proof }) {
  const { room } = useHere();
  const { data } = useQuery(changeQuery(room, left.id, right.id));
  const [from, to] = [roman(left.state_number), roman(right.state_number)];
  return (
    <>
      From {from} to {to}: <b>{data?.text ?? ""}</b>
    </>
  );
}

/** The proof that hangs before another: of an earlier state where there is one. */
function beforeOf(proofs: Proof[], proof: Proof): Proof | null {
  const older = proofs.filter((each) => each.pulled_at < proof.pulled_at);
  const earlier = older.filter((each) => each.state_number < proof.state_number);
  return earlier[0] ?? older[0] ?? null;
}

function Hang() {
  const { room } = useHere();
  const { plate } = usePlate();
  return (
    <ButtonLink to={`/r/${room}/plates/${plate.id}/proofs/new`}>
      Hang a proof <Key>H</Key>
    </ButtonLink>
  );
}

function NoneYet() {
  return (
    <>
      <div className="flex min-h-11 items-center justify-between gap-3">
        <h2>Proofs</h2>
        <Hang />
      </div>
      <Empty title="No proof yet">
        <p>
          Pull one, read its tones dry against the bare sheet. It shows how near the bites came, and
          what to do next.
        </p>
      </Empty>
    </>
  );
}

type KeysOf = {
  proofs: Proof[];
  left: Proof | null;
  right?: Proof;
  choose: (next: Chosen) => void;
};

/** [ ] the left proof, comma and point the right one, H hang. */
function useProofKeys({ proofs, left, right, choose }: KeysOf) {
  const { room } = useHere();
  const { plate } = usePlate();
  const navigate = useNavigate();
  const beside = (of: Proof | null | undefined, by: number) => {
    const at = proofs.findIndex((each) => each.id === of?.id);
    return proofs[Math.max(0, Math.min(proofs.length - 1, at + by))];
  };
  const go = (by: number) => {
    const next = beside(right, by);
    if (next) choose({ left: left?.id ?? null, right: next.id });
  };
  const goLeft = (by: number) => {
    const next = beside(left ?? right, by);
    if (next && right && next.id !== right.id) choose({ left: next.id, right: right.id });
  };
  useKeys({
    ",": () => go(1),
    ".": () => go(-1),
    "[": () => goLeft(1),
    "]": () => goLeft(-1),
    h: () => navigate(`/r/${room}/plates/${plate.id}/proofs/new`),
  });
}
