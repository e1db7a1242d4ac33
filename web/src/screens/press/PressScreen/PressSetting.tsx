import type { Press, PullState } from "../../../api/editions";
import { Dial } from "../../../figures/press/Dial";
import { setWords } from "../../../figures/press/turns";
import { type Hands, passesOf, quartersOf } from "./useHands";

const KNOB =
  "min-h-14 min-w-21 rounded-cut border-2 border-ink bg-paper-lift px-4 text-far font-bold active:translate-y-px max-phone:min-w-16";

/** How the press is set, and a quarter turn either way. */
export function PressSetting({
  press,
  state,
  hands,
  wide,
}: {
  press: Press;
  state: PullState;
  hands: Hands;
  wide?: boolean;
}) {
  const quarters = quartersOf(press, state);
  const passes = passesOf(press, state);
  const [number, word] = setWords(quarters, press.press?.read_by ?? "turns");
  const name = `Press at ${number} ${word}`;
  const less = (
    <button
      type="button"
      className={KNOB}
      aria-label="A quarter less: lighter"
      onClick={() => hands.set(quarters - 1)}
    >
      − ¼ {wide ? <small className="text-h3 font-normal">lighter</small> : null}
    </button>
  );
  const more = (
    <button
      type="button"
      className={KNOB}
      aria-label="A quarter more: darker"
      onClick={() => hands.set(quarters + 1)}
    >
      + ¼ {wide ? <small className="text-h3 font-normal">darker, more emboss</small> : null}
    </button>
  );
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p className="mr-auto text-h3 text-ink-2">
        {press.press?.name ?? "Press"} <b className="num text-far text-ink">{number}</b> {word},{" "}
        <button
          type="button"
          className="min-h-12 underline underline-offset-4"
          aria-label={`${passes} ${passes === 1 ? "pass" : "passes"}: change`}
          onClick={() => hands.passes(passes === 1 ? 2 : 1)}
        >
          {passes} {passes === 1 ? "pass" : "passes"}
        </button>
      </p>
      {wide ? (
        <div className="flex basis-full items-center gap-8">
          <span className="max-phone:hidden">
            <Dial quarters={quarters} label={name} />
          </span>
          <div className="grid flex-1 gap-3">
            {more}
            {less}
          </div>
        </div>
      ) : (
        <>
          {less}
          {more}
          <AsForTheOk press={press} quarters={quarters} name={name} />
        </>
      )}
    </div>
  );
}

/** What the setting is held to, and what lies under the roller. */
function AsForTheOk({ press, quarters, name }: { press: Press; quarters: number; name: string }) {
  const blankets = press.press?.blankets.map((each) => each.name).join(", ");
  return (
    <div className="flex basis-full items-center gap-5 max-desk:hidden short:hidden">
      <Dial quarters={quarters} size={92} label={name} />
      <p className="text-lead text-ink-2">
        {press.ok?.pressure ? (
          <>
            As for the OK: <b className="text-ink">{press.ok.pressure}</b>.<br />
          </>
        ) : null}
        {blankets ? `Blankets from the plate up: ${blankets}.` : "No blankets kept."}
      </p>
    </div>
  );
}
