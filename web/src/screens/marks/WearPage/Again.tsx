import type { MarksState, Wear } from "../../../api/marks";
import type { Log } from "../../../device/useWaiting";
import { Button } from "../../../ui/Button";

type Props = {
  wear: Wear;
  state: MarksState;
  log: Log;
  ask: (after: number | null) => void;
  scratch: () => void;
};

/** When to scratch again, and what that does; steel. */
export function Again({ wear, state, log, ask, scratch }: Props) {
  const again = wear.forecast.again;
  const metal = wear.material?.label === "copper" || wear.material?.label === "zinc";
  const count = state.impressions.length;
  return (
    <section className="border-t-2 border-ink pt-2">
      <h2 className="text-h3">Scratch again</h2>
      {again ? (
        <p className="mt-1">
          After no. <b className="num">{again.after}</b> it would hold to no.{" "}
          <b className="num">{again.last_good}</b>{" "}
          <span className="note">
            ({again.low} to {again.high})
          </span>
          .
        </p>
      ) : null}
      <label className="mt-1.5 flex items-center gap-2">
        <span>What if after no.</span>
        <input
          type="number"
          min={1}
          max={400}
          defaultValue={again?.after}
          aria-label="Scratch again after impression"
          className="num min-h-9.5 w-20 rounded-cut border-[1.5px] border-ink bg-white px-2 text-right font-bold pointer-coarse:min-h-12"
          onChange={(event) => {
            const asked = Number(event.target.value);
            if (Number.isInteger(asked) && asked >= 1 && asked <= 400) ask(asked);
          }}
        />
      </label>
      <span className="mt-2 flex flex-wrap gap-2">
        <Button look="plain" disabled={count === 0} onClick={scratch}>
          Scratched again now
        </Button>
        {metal ? (
          <Button
            look="plain"
            onClick={() => log({ kind: "steel-faced", data: { faced: !state.steel_faced } })}
          >
            {state.steel_faced ? "Steel taken off" : "Faced with steel"}
          </Button>
        ) : null}
      </span>
      {state.scratched_again.length > 0 ? (
        <p className="note mt-1">
          Scratched again after no. {state.scratched_again.join(", ")}. It counts from there.
        </p>
      ) : null}
      {wear.history > 0 ? (
        <p className="note mt-1">
          {wear.history === 1 ? "One other plate" : `${wear.history} other plates`} of this room
          taken into account.
        </p>
      ) : null}
    </section>
  );
}
