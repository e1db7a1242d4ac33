import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { rackQuery } from "../../../api/plates";
import type { Layer, Lies, Work, WorkState } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import type { Hands } from "../../../frame/works/useWorkHands";
import { fine, moveOf, offOf } from "../../../frame/works/words";
import { Button, ButtonLink } from "../../../ui/Button";
import { Picker } from "../../../ui/form/Picker";
import type { Units } from "../../../ui/units";
import { useUser } from "../../../ui/useUser";

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

/** From now on another plate prints this layer: sheets before it keep the one they had. */
function ChangePlate({ layer, hands, close }: { layer: Layer; hands: Hands; close: () => void }) {
  const { room } = useHere();
  const { data } = useQuery(rackQuery(room));
  const [plate, pick] = useState("");
  const [reason, why] = useState("");
  const plates = (data?.items ?? []).filter((each) => each.id !== layer.plate);
  const name = plates.find((each) => each.id === plate)?.name ?? "another plate";
  return (
    <form
      className="mt-2 grid max-w-120 gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        hands.change(layer, plate || null, name, reason.trim());
        close();
      }}
    >
      <p>
        Sheets printed from it are told apart from the one that is OK: they are numbered only with a
        reason, or after a sheet from the new plate is OK.
      </p>
      <Picker
        label="Plate"
        value={plate}
        options={[["", "a plate not in the rack"], ...plates.map((p) => [p.id, p.name] as const)]}
        onChange={pick}
      />
      <label className="grid gap-1">
        <span className="font-semibold">Why</span>
        <input
          className="min-h-10 rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12"
          maxLength={120}
          value={reason}
          onChange={(event) => why(event.target.value)}
        />
      </label>
      <span className="flex gap-3">
        <Button type="submit">Printed from this one now</Button>
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </span>
    </form>
  );
}
