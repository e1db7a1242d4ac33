import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { endRun, type Run } from "../../../api/runs";
import { type Local, reached } from "../../../device/local";
import { goalAt, inWords, standsAt } from "../../../device/sheet";
import { useHere } from "../../../frame/useHere";
import { Trouble } from "../../../ui/Trouble";
import { AreaRow } from "./Cover";
import { Notices } from "./Notices";
import { FarText, FarTitle, NightButton, OutPart, Said } from "../../../ui/night/Night";

function wanted(run: Run, name: string): string {
  const goal = run.sheet.areas.find((area) => area.name === name)?.wanted;
  return goal == null ? "white" : inWords(run.sheet.goal, goal);
}

/** All bites are done: what each area should print, and the way on. */
export function Finished({ run, local, inBath }: { run: Run; local: Local; inBath: boolean }) {
  const end = useEnd(run);
  return (
    <OutPart>
      <section>
        <FarTitle>{inBath ? "Lift it" : "Bitten"}</FarTitle>
        <FarText>
          Rinse long. Strip the stop-out and the ground. Then pull a proof and read its tones.
        </FarText>
        <Said>
          {run.mordant.includes("ferric")
            ? "Ferric: a mild bicarbonate wipe, which foams. "
            : "Gloves on while you rinse. "}
          Solvents away from heat and flame, extraction on, rags into the closed can.
        </Said>
        {run.ended_at ? (
          <Said>This run is ended.</Said>
        ) : (
          <NightButton
            className="mt-5"
            disabled={inBath || end.isPending}
            onClick={() => end.mutate()}
          >
            End the run and proof
          </NightButton>
        )}
        <Notices state={local.state} />
        <Trouble error={end.error} />
      </section>
      <Prints run={run} local={local} />
    </OutPart>
  );
}

function useEnd(run: Run) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => endRun(room, run.id),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/plates/${run.plate}/proofs/new`);
    },
  });
}

/** What each area comes to, and its band. */
function Prints({ run, local }: { run: Run; local: Local }) {
  const totals = reached(run, local);
  return (
    <div className="grid content-start gap-2.5">
      {run.areas.map(({ name }) => {
        const so = totals.get(name) ?? 0;
        const stands = goalAt(run.sheet, name, so);
        return (
          <AreaRow key={name} name={name} parts={`wanted ${wanted(run, name)}`}>
            {standsAt(run.sheet, name, so)}
            {stands ? ` (${stands.low.toFixed(0)} to ${stands.high.toFixed(0)})` : ""}
          </AreaRow>
        );
      })}
    </div>
  );
}
