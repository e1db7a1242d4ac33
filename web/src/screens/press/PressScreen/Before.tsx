import type { Press, PullState } from "../../../api/editions";
import { PaperClock } from "../../../figures/press/PaperClock";
import { WipeMap, wipeWords } from "../../../figures/press/WipeMap";
import { useHere } from "../../../frame/useHere";
import { Button, ButtonLink } from "../../../ui/Button";
import { Key } from "../../../ui/Key";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { Dirty } from "./Dirty";
import { Body, Part, Says } from "./Frame";
import { Notice } from "./Notice";
import { Paint, Painting } from "./Painting";
import { PressSetting } from "./PressSetting";
import { Squares } from "./Squares";
import { type Hands, readyBatch } from "./useHands";
import type { usePainting } from "./usePainting";

type Props = {
  press: Press;
  state: PullState;
  hands: Hands;
  painting: ReturnType<typeof usePainting>;
};

/** Ink and wipe: the map as the plate lies, the paper's clock, the press as it is set. */
export function Before({ press, state, hands, painting }: Props) {
  const { room, me, zone } = useHere();
  const batch = readyBatch(state);
  const size = { width: press.width_mm, height: press.height_mm };
  const picture = press.picture ? `/api/rooms/${room}/files/${press.picture}` : null;
  const [what, care] = wipeWords(painting.patches, press.decided.wipes);
  const inking = state.stage === "ink";
  return (
    <Body
      figure={
        <>
          {painting.on ? (
            <Painting painting={painting} size={size} picture={picture} />
          ) : (
            <WipeMap patches={state.patches} size={size} picture={picture} mirrored />
          )}
          {painting.on ? (
            <Paint painting={painting} />
          ) : (
            <p className="mt-3 flex flex-wrap items-center gap-x-3 text-h3">
              <b>{press.decided.wipes.join(", then ") || "No order of wiping kept."}</b>
              <Button look="row" onClick={painting.begin}>
                {state.patches.length > 0 ? "Change the wipe map" : "Paint where to leave ink"}{" "}
                <Key>M</Key>
              </Button>
            </p>
          )}
          <p className="mt-2 text-lead text-ink-2 max-phone:hidden">{inkLine(press, me)}</p>
        </>
      }
    >
      <Says
        verb={inking ? "Ink" : "Wipe"}
        what={inking ? inkWords(press) : what}
        care={inking ? null : care}
        beside={<Squares stage={state.stage} />}
      />
      <Part>
        {batch ? (
          <PaperClock batch={batch} zone={zone} />
        ) : (
          <p className="flex flex-wrap items-center gap-3 text-h3 text-ink-2">
            <span className="mr-auto">No paper in the damp.</span>
            <ButtonLink to={`/r/${room}/plates/${press.id}/paper`}>Put paper in</ButtonLink>
          </p>
        )}
      </Part>
      <Part>
        <PressSetting press={press} state={state} hands={hands} />
      </Part>
      <Dirty press={press} state={state} hands={hands} />
      {inking ? <InkCaution press={press} /> : null}
      <Notice notices={state.notices} />
    </Body>
  );
}

/** What ink and its cleaning do to hands and lungs, where they begin. */
function InkCaution({ press }: { press: Press }) {
  const caution = press.cautions.find((each) => each.key === "inks");
  if (!caution) return null;
  return (
    <p className="note mt-3">
      <b className="text-ferric-deep">{caution.title}.</b> {caution.text} {caution.now}
    </p>
  );
}

/** "Black 4 : 1 with medium". */
export function inkName(press: Press): string {
  const ink = press.ink;
  if (!ink) return "";
  const parts = ink.parts.map((each) => each.parts).join(" : ");
  const others = ink.parts.slice(1).map((each) => each.name);
  return `${ink.name}${parts ? ` ${parts}` : ""}${others.length > 0 ? ` with ${others.join(", ")}` : ""}`;
}

const inkWords = (press: Press) =>
  press.ink
    ? `${inkName(press)}. In several directions, edges too.`
    : "In several directions, edges too.";

function inkLine(press: Press, me: Parameters<typeof shownTemperature>[1]): string {
  if (!press.ink) return "No ink named: choose one on the paper page.";
  const warm =
    press.ink.warm_c === null
      ? ""
      : `, warm, ${shownTemperature(press.ink.warm_c ?? 0, me)} ${temperatureUnit(me)}`;
  const ok = press.ok ? ` OK: ${press.ok.pressure || "pressure not noted"}.` : "";
  return `Ink ${inkName(press)}${warm}.${ok}`;
}
