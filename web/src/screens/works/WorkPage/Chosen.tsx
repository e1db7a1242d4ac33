import { useState } from "react";
import type { Layer, Lies, Work, WorkState } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import type { Hands } from "../../../frame/works/useWorkHands";
import { fine, moveOf, offOf } from "../../../frame/works/words";
import { Button, ButtonLink } from "../../../ui/Button";
import type { Units } from "../../../ui/units";
import { useUser } from "../../../ui/useUser";
import { ChangePlate } from "./ChangePlate";

type Props = { layer: Layer; work: Work; state: WorkState; lies: Lies | null; hands: Hands };

/** One layer: its ink, how it lies, how far its template was moved, another plate in its place. */
export function Chosen({ layer, work, state, lies, hands }: Props) {
  const { room } = useHere();
  const { units } = useUser();
  const [changing, change] = useState(false);
  const moved = state.moves.find((each) => each.layer === layer.id);
  const changed = state.plates.find((each) => each.layer === layer.id);
  const prints = state.sheets.filter((each) => each.prints.some((p) => p.layer === layer.id));
  return (
    <div className="mt-4 border-l-4 border-copper-deep pl-4">
      <h3>{layer.name}</h3>
      <p>
        {layer.how} {layer.ink_name ? `Ink: ${layer.ink_name}, ` : "No ink is named: shown black, "}
        lets through {Math.round(100 * layer.lets)} % of what lies below.
        {layer.measured ? "" : " Its colour is a guess."}
      </p>
      <p>
        On {prints.length} {prints.length === 1 ? "sheet" : "sheets"}
        {changed ? `, since the change from ${changed.plate_name}` : ""}.
        {lies && !layer.key ? ` It lies ${liesSaid(lies, units)}.` : ""}
        {moved ? ` Its template was moved ${offOf(moved, units)} in all.` : ""}
      </p>
      <span className="mt-2 flex flex-wrap items-center gap-3">
        {lies && !layer.key && !lies.within ? (
          <Button onClick={() => hands.move(layer, lies)}>
            Moved {moveOf(lies, work.width_mm, units)}
          </Button>
        ) : null}
        {layer.plate ? (
          <ButtonLink look="quiet" to={`/r/${room}/plates/${layer.plate}`}>
            To the plate
          </ButtonLink>
        ) : null}
        {layer.kind === "plate" ? (
          <Button look="quiet" onClick={() => change(!changing)}>
            Another plate in its place
          </Button>
        ) : null}
      </span>
      {changing ? <ChangePlate layer={layer} hands={hands} close={() => change(false)} /> : null}
    </div>
  );
}

const TURNED_DEG = 0.02;

/** How a plate lies: at the middle, turned, at the corner where it is most. */
function liesSaid(lies: Lies, units: Units): string {
  const turned = Math.abs(lies.clockwise_deg);
  const way = lies.clockwise_deg > 0 ? "clockwise" : "against the clock";
  return [
    offOf(lies, units),
    turned < TURNED_DEG ? "" : `turned ${turned.toFixed(2)}° ${way}`,
    `at most ${fine(lies.worst_mm, units)} at a corner, ${fine(lies.left_mm, units)} of it the paper's growth`,
  ]
    .filter(Boolean)
    .join(", ");
}
