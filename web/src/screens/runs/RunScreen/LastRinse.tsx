import type { Run } from "../../../api/runs";
import type { Local } from "../../../device/local";
import { Said } from "../../../ui/night/Night";
import { Check } from "../../../ui/night/Check";
import type { Acts } from "./useActs";

type How = NonNullable<Run["usual_rinse"]>;

const SCHOOLS: Record<How, { text: string; why: string }> = {
  bicarbonate: { text: "bicarbonate wipe", why: "Mild, it foams; for the plate, never for skin." },
  "vinegar and salt": {
    text: "vinegar and salt",
    why: "It takes the rusty film out of the lines.",
  },
  water: { text: "water only", why: "Long, both sides." },
};

/** The last rinse by the room's school, asked once: what was done last comes first. */
export function LastRinse({ run, local, acts }: { run: Run; local: Local; acts: Acts }) {
  const schools = Object.keys(SCHOOLS) as How[];
  const usual = run.usual_rinse;
  const first = usual ? [usual, ...schools.filter((how) => how !== usual)] : schools;
  if (local.state.neutralised) return <Said role="status">The last rinse is done.</Said>;
  return (
    <section className="mt-3" aria-label="Last rinse">
      <p className="text-far text-night-ink-2 max-phone:text-body">
        {usual ? `Last rinse, here as a rule: ${SCHOOLS[usual].text}.` : "Last rinse, by school:"}{" "}
        {usual ? SCHOOLS[usual].why : ""}
      </p>
      <ul className="mt-2 flex flex-wrap gap-2.5">
        {first.map((how) => (
          <Check key={how} done={false} text={SCHOOLS[how].text} onDo={() => acts.lastRinse(how)} />
        ))}
      </ul>
    </section>
  );
}
