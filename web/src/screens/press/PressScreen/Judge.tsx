import type { Checked, Press, Pull, PullState } from "../../../api/editions";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Key } from "../../../ui/Key";
import { Segments } from "../../../ui/Segments";
import { Mark } from "../../../ui/Mark";
import { dayOf, momentOf } from "../../../ui/times";
import { setWords } from "../../../figures/press/turns";
import { Dirty } from "./Dirty";
import { Body, Part, Says } from "./Frame";
import { Notice } from "./Notice";
import { Offs } from "./Offs";
import { Heard } from "./Heard";
import type { Hands, Series } from "./useHands";

type Props = {
  press: Press;
  state: PullState;
  pull: Pull;
  hands: Hands;
  series: Series;
  setSeries: (series: Series) => void;
  read: () => void;
};

const AS: readonly (readonly [Series, string])[] = [
  ["edition", "Edition"],
  ["artist", "Artist's proof"],
  ["printer", "Printer's"],
  ["trial", "Trial"],
];

/** Just pulled: does it match the OK, and what next. */
export function Judge({ press, state, pull, hands, series, setSeries, read }: Props) {
  const { room, zone } = useHere();
  const check = press.checks.find((each) => each.pull === pull.event)?.check ?? null;
  const shown = check && sameRead(check, pull) ? check : null;
  const at = new Date((pull.pulled_seconds ?? 0) * 1000).toISOString();
  return (
    <Body
      figure={
        <>
          {press.ok?.picture ? (
            <img
              src={`/api/rooms/${room}/files/${press.ok.picture}`}
              alt={`The OK to print of ${dayOf(press.ok.at, zone)}`}
              className="block w-full rounded-plate border-2 border-ink"
            />
          ) : (
            <p className="grid min-h-70 place-items-center rounded-plate border-[1.5px] border-dashed border-ink-3 p-6 text-center text-h3 text-ink-2 max-phone:min-h-0">
              {press.ok
                ? "The OK has no picture: lay this sheet beside it."
                : "No OK to compare with yet. Decide one on the proofs page."}
            </p>
          )}
          <p className="mt-3 text-h3">
            <b>Write on it: {momentOf(at, zone)}</b>
          </p>
          <p className="text-lead text-ink-2">{settings(press, pull)}</p>
          <Heard pull={pull} />
        </>
      }
    >
      <Says
        verb={shown?.title ?? (pull.areas.length > 0 ? "Read" : "Pulled")}
        what={shown?.text ?? waits(press, pull)}
      />
      <Part>
        {shown && shown.areas.length > 0 ? <Offs areas={shown.areas} /> : null}
        {(shown?.next ?? []).map((each) => (
          <Care key={each} className="mt-2 text-lead">
            {each}
          </Care>
        ))}
        <p className="mt-3 flex flex-wrap items-center gap-4">
          <Button onClick={read}>
            {pull.areas.length > 0 ? "Read again" : "Read its tones"} <Key>R</Key>
          </Button>
          {press.order === "dried" ? (
            <span>It is numbered when it is dry, on the edition's page.</span>
          ) : null}
          <Segments label="Signed as" value={series} options={AS} onChange={setSeries} />
        </p>
      </Part>
      <Condition press={press} state={state} hands={hands} />
      <Dirty press={press} state={state} hands={hands} />
      <Notice notices={state.notices} />
    </Body>
  );
}

/** What the server said holds only of the reading that stands here. */
const sameRead = (check: Checked, pull: Pull) =>
  check.areas.every((area) =>
    pull.areas.some((each) => each.name === area.name && each.lstar === area.lstar),
  );

function waits(press: Press, pull: Pull): string {
  if (pull.areas.length > 0) return "Kept here. It is held beside the OK when there is a line.";
  return press.ok ? "Hold it beside the OK, or read its tones." : "Look at it; read its tones.";
}

function settings(press: Press, pull: Pull): string {
  const [number, word] =
    pull.quarters === null ? ["", ""] : setWords(pull.quarters, press.press?.read_by ?? "turns");
  return [
    number && `${number} ${word}`,
    `${pull.passes} ${pull.passes === 1 ? "pass" : "passes"}`,
    pull.damp_seconds === null ? "" : `paper ${Math.round(pull.damp_seconds / 60)} min in the damp`,
    pull.wipes.join(", then "),
  ]
    .filter(Boolean)
    .join(", ");
}

/** The condition of the OK, until somebody says it is met. */
function Condition({ press, state, hands }: { press: Press; state: PullState; hands: Hands }) {
  const ok = press.ok;
  if (!ok?.condition) return null;
  const met = ok.met || state.conditions_met.includes(ok.approval);
  return (
    <Part className="flex flex-wrap items-center gap-3 text-h3">
      {met ? <Mark name="done" size={22} /> : <Mark name="care" size={22} />}
      <span className="mr-auto">
        OK to print, <i className="font-slab">if {ok.condition}</i>
        {met ? ": met." : "."}
      </span>
      {met ? null : <Button onClick={() => hands.met(ok.approval)}>The condition is met</Button>}
    </Part>
  );
}
