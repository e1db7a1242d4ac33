import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { endRun, type Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import { type Local, reached } from "../../../device/local";
import { goalAt, inWords, standsAt } from "../../../device/sheet";
import { Trouble } from "../../../ui/Trouble";

function wanted(run: Run, name: string): string {
  const goal = run.sheet.areas.find((area) => area.name === name)?.wanted;
  return goal == null ? "white" : inWords(run.sheet.goal, goal);
}

/** All bites are done: what each area should print, and the way on. */
export function Finished({ run, local, inBath }: { run: Run; local: Local; inBath: boolean }) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const totals = reached(run, local);
  const end = useMutation({
    mutationFn: () => endRun(room, run.id),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/plates/${run.plate}/proofs/new`);
    },
  });
  return (
    <div className="run-out">
      <section>
        <h1>{inBath ? "Lift it" : "Bitten"}</h1>
        <p>Rinse long. Strip the stop-out and the ground. Then pull a proof and read its tones.</p>
        <p className="run-said">
          Ferric: a mild bicarbonate wipe, which foams. Solvents away from heat and flame,
          extraction on, rags into the closed can.
        </p>
        {run.ended_at ? (
          <p className="run-said">This run is ended.</p>
        ) : (
          <div
            className="run-panel"
            style={{ position: "static", background: "none", border: 0, padding: "20px 0" }}
          >
            <button type="button" disabled={inBath || end.isPending} onClick={() => end.mutate()}>
              End the run and proof
            </button>
          </div>
        )}
        <Trouble error={end.error} />
      </section>
      <div className="cover">
        {run.areas.map((area) => {
          const so = totals.get(area.name) ?? 0;
          const stands = goalAt(run.sheet, area.name, so);
          return (
            <div
              key={area.name}
              className="cover-row"
              style={{ gridTemplateColumns: "minmax(0,1fr) auto" }}
            >
              <div>
                <b>{area.name}</b>
                <span>wanted {wanted(run, area.name)}</span>
              </div>
              <span className="n">
                {standsAt(run.sheet, area.name, so)}
                {stands ? ` (${stands.low.toFixed(0)} to ${stands.high.toFixed(0)})` : ""}
              </span>
            </div>
          );
        })}
      </div>
    </div>
  );
}
