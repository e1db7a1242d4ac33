import type { Local } from "../../../device/local";
import type { Acts } from "./useActs";
import { Check } from "../../../ui/night/Check";

type Sight = readonly [about: string, text: string, shown: string];

const WET: Sight[] = [["", "bubbles", "bubbles"]];
const DRY: Sight[] = [
  ["", "lines shine", "lines shine"],
  ["felt depth", "soft", "feels soft"],
  ["felt depth", "firm", "feels firm"],
  ["felt depth", "deep", "feels deep"],
];

/** What a glance or a fingernail tells, one tap each; it stands in the record. */
export function Seen({ wet, local, acts }: { wet: boolean; local: Local; acts: Acts }) {
  return (
    <ul
      aria-label="Seen or felt"
      className={`flex flex-wrap gap-2.5 max-phone:gap-2 ${wet ? "mt-1 mb-1.5 max-desk:mt-2.5 max-desk:mb-3 flat:hidden" : "mt-2.5"}`}
    >
      {(wet ? WET : DRY).map(([about, text, shown]) => {
        const said = `${about} ${text}`.trim();
        return (
          <Check
            key={said}
            done={local.state.observed.includes(said)}
            text={shown}
            plain
            onDo={() => acts.observe(about, text)}
          />
        );
      })}
    </ul>
  );
}
