import type { Work, WorkState } from "../../../api/works";
import { GhostRow } from "../../../figures/layers/GhostRow";
import { useHere } from "../../../frame/useHere";
import { isByHand, openInking } from "../../../frame/works/todo";
import type { Hands } from "../../../frame/works/useWorkHands";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Section } from "../../../ui/Section";
import { wallClock } from "../../../ui/times";
import { useNowOf } from "../../../ui/useNow";

type Props = { work: Work; state: WorkState; hands: Hands };

/** The pulls of one inking: how light each was, how light the next comes, how long the ink is open. */
export function Ghosts({ work, state, hands }: Props) {
  const hand = work.layers_out.filter(isByHand);
  const by = hand.filter((each, i) => i === 0 || openInking(state, each.id));
  if (by.length === 0) return null;
  return (
    <>
      {by.map((layer) => {
        const told = work.ghosts_out.find((each) => each.layer === layer.id)?.told;
        const open = work.open_out.find((each) => each.layer === layer.id);
        const inking = openInking(state, layer.id);
        return (
          <Section key={layer.id}>
            <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
              <h2 className="text-h3">{layer.name}: pulls from one inking</h2>
              <span className="note">
                {told
                  ? told.measured
                    ? `From ${told.ghosts_read} ghosts read in this print room.`
                    : "A guess, until two ghosts were read here."
                  : ""}
              </span>
              <span className="ml-auto flex flex-wrap gap-3">
                <Button onClick={() => hands.ink(layer)}>{inking ? "Inked anew" : "Inked"}</Button>
              </span>
            </header>
            {inking && open ? (
              <Open since={inking.at_seconds} minutes={open.told.minutes} low={open.told.low} />
            ) : null}
            {told ? (
              <div className="mt-2">
                <GhostRow told={told} />
              </div>
            ) : null}
          </Section>
        );
      })}
    </>
  );
}

/** Until when the ink gives, at the latest. */
function Open({ since, minutes, low }: { since: number; minutes: number; low: number }) {
  const { zone } = useHere();
  const until = since + minutes * 60;
  const early = since + low * 60;
  const over = useNowOf((now) => now > until);
  const soon = useNowOf((now) => now > early);
  if (over)
    return (
      <Care className="mt-1">
        The ink was open until about {wallClock(until, zone)}: a further pull may lift nothing.
      </Care>
    );
  return (
    <p className="mt-1">
      Inked {wallClock(since, zone)}. {soon ? <b>It may close any moment: </b> : ""}
      The ink stays open until about <b className="num">{wallClock(until, zone)}</b>
      <span className="note"> (from {wallClock(early, zone)} on look first; a guess)</span>
    </p>
  );
}
