import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { type Marks, type MarksState, type Wear, wearCsvUrl, wearQuery } from "../../../api/marks";
import { useMarks } from "../../../device/useMarks";
import type { Log } from "../../../device/useWaiting";
import { WearChart } from "../../../figures/wear/WearChart";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { useFollowed } from "../../../frame/useKeepMarks";
import { Asking } from "../../../ui/Asking";
import { ButtonLink, buttonLook } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Beside, Section } from "../../../ui/Section";
import { useSay } from "../../../ui/Toast";
import { useKeys } from "../../../ui/useKeys";
import { Again } from "./Again";
import { Impressions } from "./Impressions";
import { Limits } from "./Limits";
import { Pull } from "./Pull";
import { Sentence } from "./Sentence";

/** Which impression will no longer match the OK, and what scratching again would do. */
export function WearPage() {
  const { room, me } = useHere();
  const { plate } = usePlate();
  const seen = useMarks(me.id, room, plate.id);
  const [after, ask] = useState<number | null>(null);
  const wear = useQuery(wearQuery(room, plate.id, after));
  useFollowed(seen.marks?.events.length ?? 0);
  if (!seen.marks || !seen.state || !wear.data)
    return (
      <Asking error={seen.error ?? wear.error}>
        <h2>Wear</h2>
      </Asking>
    );
  return <Known marks={seen.marks} state={seen.state} wear={wear.data} log={seen.log} ask={ask} />;
}

type Known = {
  marks: Marks;
  state: MarksState;
  wear: Wear;
  log: Log;
  ask: (after: number | null) => void;
};

/** Pulls logged at the press wear the plate as well; they are told by the server alone. */
function worn(wear: Wear, state: MarksState): { state: MarksState; atPress: boolean } {
  const own = new Set(state.impressions.map((each) => each.event));
  const atPress = wear.state.impressions.some((each) => !own.has(each.event));
  return { state: atPress ? { ...state, impressions: wear.state.impressions } : state, atPress };
}

function Known({ marks, state: own, wear, log, ask }: Known) {
  const { room } = useHere();
  const { state, atPress } = worn(wear, own);
  const [chosen, choose] = useState<number | null>(null);
  const count = state.impressions.length;
  const go = (by: number) =>
    choose((now) => (count === 0 ? null : Math.min(count, Math.max(1, (now ?? count + 1) + by))));
  const say = useSay();
  const again = () => {
    if (count === 0) return;
    const event = log({ kind: "scratched-again", data: { note: "" } });
    say({
      text: `Scratched again after no. ${count}.`,
      undo: () => log({ kind: "undo", data: { event } }),
    });
  };
  useKeys({ ArrowLeft: () => go(-1), ArrowRight: () => go(1), w: again });
  return (
    <>
      <Sentence wear={wear} pulled={count} />
      <Beside className="mt-2">
        <div className="min-w-0">
          <WearChart wear={{ ...wear, state }} chosen={chosen} choose={choose} />
          <p className="note">
            Down: lighter than the OK, in L*. Black: read. Cross: spoiled, it wears all the same.
            Hatched: past the tolerance. Amber: the last good one, 95 %. Dotted: scratched again.
          </p>
          {wear.forecast.warnings.map((each) => (
            <Care key={each.code} className="mt-1.5">
              {each.text}
            </Care>
          ))}
          <Section>
            <span className="flex items-baseline gap-3">
              <h2 className="mr-auto text-h3">Impressions</h2>
              <a className={buttonLook("row")} href={wearCsvUrl(room, marks.id)} download>
                Save as CSV
              </a>
            </span>
            {atPress ? (
              <p className="mt-1">
                {count} pulls, logged at the press: each with its number and its reading stands on
                the{" "}
                <Link className="underline" to={`/r/${room}/plates/${marks.id}/edition`}>
                  edition's page
                </Link>
                .
              </p>
            ) : (
              <Impressions state={state} log={log} chosen={chosen} choose={choose} />
            )}
          </Section>
        </div>
        <aside className="grid min-w-0 gap-4">
          {atPress ? (
            <ButtonLink look="strong" to={`/r/${room}/plates/${marks.id}/pull`}>
              To the press
            </ButtonLink>
          ) : (
            <Pull state={state} log={log} />
          )}
          <Again wear={wear} state={state} log={log} ask={ask} scratch={again} />
          <Limits key={marks.version} marks={marks} />
        </aside>
      </Beside>
    </>
  );
}
