import { Link } from "react-router";
import type { Proof } from "../../../api/proofs";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/paths";

/** What the tones of a proof did to the curve its plate is planned by, or why they did nothing. */
export function Learned({ proof }: { proof: Proof }) {
  const { room } = useHere();
  const { plate } = usePlate();
  if (!proof.learned) return null;
  const { text, plans } = proof.learned;
  return (
    <div className="border-l-3 border-hair pl-3">
      <h3>{plans?.length ? "The curve followed" : "The curve stays"}</h3>
      <p>{text}</p>
      {plans?.map((plan) => (
        <p key={plan.part} className="note num">
          {plan.areas.map(said).join(" · ")}{" "}
          <Link className="underline underline-offset-3" to={planPath(room, plate.id, plan.part)}>
            See the plan
          </Link>
        </p>
      ))}
    </div>
  );
}

type Area = NonNullable<NonNullable<Proof["learned"]>["plans"]>[number]["areas"][number];

const said = ({ name, before_lstar: from, after_lstar: to, left_out }: Area) =>
  left_out ? `${name} left out` : `${name} ${from.toFixed(0)} → ${to.toFixed(0)}`;
