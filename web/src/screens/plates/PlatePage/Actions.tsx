import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import type { Part, Plan } from "../../../api/plans";
import { changePlate, type Plate } from "../../../api/plates";
import { beginRun } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../run/device";
import { Mark } from "../../../ui/Mark";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";

/** What can be done with the plate now. */
export function Actions({ plate, plans }: { plate: Plate; plans: Plan[] }) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const say = useSay();
  const due = plans.find((plan) => !plan.bitten && plan.sheet.plan.bites.length > 0);
  const begin = useMutation({
    mutationFn: () =>
      beginRun(room, { id: newId(), plate: plate.id, part: (due?.part ?? null) as Part | null }),
    onSuccess: async (run) => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/runs/${run.id}`);
    },
  });
  const away = useMutation({
    mutationFn: (put_away: boolean) =>
      changePlate(room, plate.id, { version: plate.version, put_away }),
    onSuccess: async (now) => {
      await client.invalidateQueries({ queryKey: [room] });
      say({
        text: now.put_away ? `${plate.name} is put away.` : `${plate.name} is in the rack again.`,
      });
    },
  });
  return (
    <div className="section flex flex-wrap items-center gap-3">
      {plate.run ? (
        <Link className="btn bath" to={`/r/${room}/runs/${plate.run.id}`}>
          <Mark name={plate.run.in_bath ? "bath" : "lifted"} /> Go to the bath
        </Link>
      ) : due || plans.length > 0 ? (
        <button
          type="button"
          className={due ? "btn bath" : "btn quiet"}
          disabled={begin.isPending}
          onClick={() => begin.mutate()}
        >
          <Mark name="bath" /> {due ? "Begin to bite" : "Bite it again"}
          {due && plans.length > 1 ? ` the ${due.part}` : ""}
        </button>
      ) : null}
      <Link className="btn" to={`/r/${room}/plates/${plate.id}/course`}>
        Course
      </Link>
      {plate.parts.map((part) => (
        <Link
          key={part}
          className="btn quiet"
          to={`/r/${room}/plates/${plate.id}/${part === "lines" ? "lines" : "plan"}`}
        >
          {plate.planned.includes(part) ? "Change" : "Plan"} the {part}
        </Link>
      ))}
      <Link className="btn" to={`/r/${room}/plates/${plate.id}/proofs`}>
        Proofs
      </Link>
      <Link className="btn quiet" to={`/r/${room}/record?plate=${plate.id}`}>
        Record
      </Link>
      <button type="button" className="btn quiet" onClick={() => away.mutate(!plate.put_away)}>
        {plate.put_away ? "Back into the rack" : "Put away"}
      </button>
      <Trouble error={begin.error ?? away.error} />
    </div>
  );
}
