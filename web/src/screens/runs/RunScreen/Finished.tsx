import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { endRun, type Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import { type Local, reached } from "../../../run/local";
import { standsAt, toneAt } from "../../../run/sheet";
import { Trouble } from "../../../ui/Trouble";

function wanted(area: Run["areas"][number]): string {
  if (area.depth_um != null) return `${String(area.depth_um)} µm deep`;
  if (area.darkness != null) return `${Math.round(Number(area.darkness) * 100)} % dark`;
  return area.lstar == null ? "white" : `L* ${String(area.lstar)}`;
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
          const tone = toneAt(run.sheet, String(area.name), totals.get(String(area.name)) ?? 0);
          return (
            <div
              key={String(area.name)}
              className="cover-row"
              style={{ gridTemplateColumns: "minmax(0,1fr) auto" }}
            >
              <div>
                <b>{String(area.name)}</b>
                <span>wanted {wanted(area)}</span>
              </div>
              <span className="n">
                {standsAt(run.sheet, String(area.name), totals.get(String(area.name)) ?? 0)}
                {tone && run.part === "tones"
                  ? ` (${tone.low.toFixed(0)} to ${tone.high.toFixed(0)})`
                  : ""}
              </span>
            </div>
          );
        })}
      </div>
    </div>
  );
}
