import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Plan } from "../../../api/plans";
import { changePlate, type Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/registry";
import { Mark } from "../../../ui/Mark";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { Begin } from "./Begin";

/** What can be done with the plate now. */
export function Actions({ plate, plans }: { plate: Plate; plans: Plan[] }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
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
      ) : (
        <Begin plate={plate} plans={plans} />
      )}
      <Link className="btn" to={`/r/${room}/plates/${plate.id}/course`}>
        Course
      </Link>
      {plate.processes.map(({ key, many }) => (
        <Link key={key} className="btn quiet" to={planPath(room, plate.id, key)}>
          {plate.planned.includes(key) ? "Change" : "Plan"} {many}
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
      <Trouble error={away.error} />
    </div>
  );
}
