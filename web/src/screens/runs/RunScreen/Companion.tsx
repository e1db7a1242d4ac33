import type { Run } from "../../../api/runs";
import type { Local } from "../../../device/local";
import { Said } from "../../../ui/night/Night";
import { Check } from "./Check";
import type { Acts } from "./useActs";

type Props = { run: Run; local: Local; acts: Acts };

/** What is said once a run, and a scrap of the same grain that was lifted with a bite and read. */
export function Companion({ run, local, acts }: Props) {
  const made = local.state.dips.filter((dip) => dip.lifted_seconds !== null).length;
  const scrap = run.part === "tones" && !run.strip && made > 0;
  const last = local.state.scraps.at(-1);
  return (
    <>
      <ul className="mt-2.5 flex flex-wrap gap-2.5">
        <Check
          done={local.state.protected}
          text="goggles, gloves, extraction on"
          plain
          onDo={acts.protect}
        />
        {scrap ? (
          <Check done={false} text="read a companion scrap" plain onDo={() => acts.ask("scrap")} />
        ) : null}
      </ul>
      {last && scrap ? (
        <Said role="status">
          The scrap after bite {last.after} reads L* {last.lstar}: the bites that remain follow it.
        </Said>
      ) : null}
    </>
  );
}
