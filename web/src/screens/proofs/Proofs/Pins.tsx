import type { Proof } from "../../../api/proofs";
import { Button, TextButton } from "../../../ui/Button";
import { Chooser } from "../../../ui/form/Picker";
import { Key } from "../../../ui/Key";
import { Trouble } from "../../../ui/Trouble";
import { roman } from "../../../ui/times";
import { shownLength } from "../../../ui/units";
import { useKeys } from "../../../ui/useKeys";
import { useUser } from "../../../ui/useUser";
import type { Kind, Pinning } from "./usePins";

const KINDS: readonly (readonly [Kind, string])[] = [
  ["darker", "darker here"],
  ["lighter", "lighter here"],
  ["missing line", "a line is missing"],
  ["foul bite", "foul bite"],
  ["lettering", "lettering"],
  ["other", "something else"],
];
const SAID = Object.fromEntries(KINDS) as Record<Kind, string>;

/** What the next state is to answer: each pin a to-do, carried from state to state. */
export function Pins({ pins, proof }: { pins: Pinning; proof: Proof }) {
  const { shown, draft, begin, change, keep, tick } = pins;
  useKeys({ p: () => (proof.reading && !draft ? begin() : undefined) });
  const open = shown.filter((pin) => !pin.done).length;
  return (
    <section className="grid gap-2">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h3>Pins</h3>
        <span className="note">
          {shown.length === 0
            ? "None."
            : `${shown.length} in all, ${open === 0 ? "all done" : `${open} to do`}.`}
        </span>
      </div>
      <ul className="grid">
        {shown.map((pin, i) => (
          <li key={pin.id} className="flex items-center gap-3 border-t border-hair py-1">
            <label className="flex min-h-9 flex-1 items-center gap-3 pointer-coarse:min-h-12">
              <input
                type="checkbox"
                className="size-5 accent-ink"
                checked={pin.done}
                disabled={keep.isPending}
                onChange={(event) => tick(pin, event.target.checked)}
              />
              <b className="num">{i + 1}</b>
              <span className={pin.done ? "line-through" : ""}>
                {SAID[pin.kind]}
                {pin.text ? `: ${pin.text}` : ""}
              </span>
              <span className="note ml-auto">
                {pin.done_in_state
                  ? `done in State ${roman(pin.done_in_state)}`
                  : `since State ${roman(pin.state_number)}`}
              </span>
            </label>
            {proof.reading && !pin.done && !draft ? (
              <TextButton className="note pointer-coarse:min-h-12" onClick={() => change(pin)}>
                change<span className="sr-only"> pin {i + 1}</span>
              </TextButton>
            ) : null}
          </li>
        ))}
      </ul>
      {draft ? (
        <PinForm pins={pins} />
      ) : proof.reading ? (
        <Button look="quiet" className="justify-self-start" onClick={begin}>
          Pin a note <Key>P</Key>
        </Button>
      ) : (
        <p className="note">
          A pin needs its place: it can be set once the proof is read from a scan.
        </p>
      )}
      <Trouble error={keep.error} />
    </section>
  );
}

function PinForm({ pins }: { pins: Pinning }) {
  const { draft, setDraft, save, takeAway, keep } = pins;
  const { units } = useUser();
  if (!draft) return null;
  return (
    <form
      className="grid gap-3 border-l-4 border-copper-deep pl-3"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <p>
        Press the place on the picture. It stands{" "}
        <b className="num">{shownLength(draft.x_mm, units)}</b> {units.length_unit} from the left,{" "}
        <b className="num">{shownLength(draft.y_mm, units)}</b> {units.length_unit} down.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <Chooser
          label="What is to be done"
          value={draft.kind}
          options={KINDS}
          onChange={(kind) => setDraft({ ...draft, kind: kind as Kind })}
        />
        <label className="grid min-w-0 flex-1 gap-1">
          <span className="font-semibold">In words</span>
          <input
            value={draft.text}
            maxLength={200}
            className="min-h-11 w-full rounded-cut border-[1.5px] border-ink bg-white px-3"
            onChange={(event) => setDraft({ ...draft, text: event.target.value })}
          />
        </label>
      </div>
      <div className="flex flex-wrap gap-3">
        <Button type="submit" disabled={keep.isPending}>
          {draft.version === 0 ? "Pin it" : "Keep it so"}
        </Button>
        {draft.version > 0 ? (
          <Button disabled={keep.isPending} onClick={() => takeAway(draft)}>
            Take it away
          </Button>
        ) : null}
        <Button look="quiet" onClick={() => setDraft(null)}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
