import type { Run } from "../../../api/runs";
import type { Local } from "../../../device/local";
import { Said } from "../../../ui/night/Night";
import { Check } from "../../../ui/night/Check";
import type { Acts } from "./useActs";

type Props = { run: Run; local: Local; acts: Acts };

const madeBites = (local: Local) =>
  local.state.dips.filter((dip) => dip.lifted_seconds !== null).length;

/** Said once a run, before the first dip. */
export function Goggles({ local, acts }: Omit<Props, "run">) {
  return (
    <ul className="mt-4.5 flex flex-wrap gap-2.5">
      <Check
        done={local.state.protected}
        text="goggles, gloves, extraction on"
        plain
        onDo={acts.protect}
      />
    </ul>
  );
}

/** A scrap of the same grain that was lifted with the last bite, to be printed and read. */
export function Scrap({ run, local, acts }: Props) {
  const made = madeBites(local);
  if (run.part !== "tones" || run.strip || made === 0) return null;
  const read = local.state.scraps.some((scrap) => scrap.after === made);
  return <Check done={read} text="scrap read" plain onDo={() => acts.ask("scrap")} />;
}

/** What a scrap that was just read did. */
export function ScrapSaid({ local }: { local: Local }) {
  const scrap = local.state.scraps.find((each) => each.after === madeBites(local));
  if (!scrap) return null;
  return (
    <Said role="status">The scrap reads L* {scrap.lstar}: the bites that remain follow it.</Said>
  );
}
