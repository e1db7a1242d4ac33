import type { Press, PullState } from "../../../api/editions";
import { Stack } from "../../../figures/press/Stack";
import { Mark } from "../../../ui/Mark";
import { useNowOf } from "../../../ui/useNow";
import { Body, Part, Says } from "./Frame";
import { Notice } from "./Notice";
import { PressSetting } from "./PressSetting";
import { Squares } from "./Squares";
import { CHECKS, type Hands, outAt, passesOf } from "./useHands";

const SIDES = { felt: "felt side down", wire: "wire side down", either: "either side" };

type Props = {
  press: Press;
  state: PullState;
  hands: Hands;
  checked: string[];
  check: (what: string) => void;
};

/** Lay and pull: what lies on the bed, how the press is set, what was looked at. */
export function OnTheBed({ press, state, hands, checked, check }: Props) {
  const laying = state.stage === "lay";
  const passes = passesOf(press, state);
  const blankets = press.press?.blankets.map((each) => each.name) ?? ["blankets"];
  const caution = press.cautions.find((each) => each.key === "press");
  return (
    <Body figure={<Stack blankets={blankets} side={SIDES[press.paper?.better_side ?? "either"]} />}>
      <Says
        verb={laying ? "Lay" : "Pull"}
        what={
          laying
            ? "Plate, paper, tissue, blankets."
            : passes === 1
              ? "One slow pass."
              : `${passes} slow passes.`
        }
        care={laying ? "Limp, no shine, edges wiped." : "No stop under the roller."}
        beside={<Squares stage={state.stage} />}
      />
      <Part>
        <PressSetting press={press} state={state} hands={hands} wide />
      </Part>
      <Part>
        <OutFor state={state} />
        <ul className="mt-2 flex flex-wrap gap-3">
          {CHECKS.map((each) => (
            <li key={each}>
              <button
                type="button"
                aria-pressed={checked.includes(each)}
                disabled={!laying}
                className="flex min-h-14 items-center gap-2.5 rounded-cut border-2 border-ink px-4 text-h3 aria-pressed:font-bold disabled:border-transparent disabled:px-0 [&>svg]:opacity-0 aria-pressed:[&>svg]:opacity-100"
                onClick={() => check(each)}
              >
                <Mark name="done" size={22} /> {each}
              </button>
            </li>
          ))}
        </ul>
      </Part>
      {caution ? (
        <p className="note mt-3">
          <b className="text-ferric-deep">{caution.title}.</b> {caution.text}
        </p>
      ) : null}
      <Notice notices={state.notices} />
    </Body>
  );
}

/** How long the paper has been out of the damp. */
function OutFor({ state }: { state: PullState }) {
  const out = outAt(state);
  const minutes = useNowOf((now) => (out ? Math.max(0, Math.floor((now - out) / 60)) : null), 5000);
  if (minutes === null || minutes > 120)
    return (
      <p className="text-h3 text-ink-2">No paper taken out yet: it comes out as you lay it.</p>
    );
  return (
    <p className="text-h3 text-ink-2">
      Paper out for <b className="num text-far text-ink">{minutes}</b> min, blotted
    </p>
  );
}
