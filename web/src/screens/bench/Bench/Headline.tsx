import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { TimeWord } from "../../../ui/Ticking";
import { clock, wallClock } from "../../../ui/times";
import { useNowOf } from "../../../ui/useNow";

type Due = Shapes["Due"];

/** What hands are needed for next, or what is over: a plate in its bath before all else. */
export function Headline({ due, stale }: { due: Due[]; stale: string | undefined }) {
  const { zone } = useHere();
  const over = useNowOf((now) => due.findIndex((d) => d.kind === "lift" && now > d.at_seconds));
  const first = due[Math.max(over, 0)];
  const late = useNowOf((now) => first !== undefined && now > first.at_seconds);
  return (
    <h1 className={over < 0 ? "text-far font-medium" : "text-h1 font-bold text-vermilion"}>
      {stale ? (
        <>
          <b>Was {stale} lifted?</b> Its bite went stale: say when at the bath.
        </>
      ) : !first ? (
        "Your hands are free."
      ) : late ? (
        <Late item={first} />
      ) : (
        <>
          Your hands are next needed at <b className="num">{wallClock(first.at_seconds, zone)}</b>,
          to <b>{first.kind === "lift" ? `lift ${first.plate_name}` : `see to: ${first.text}`}</b>.
        </>
      )}
    </h1>
  );
}

function Late({ item }: { item: Due }) {
  const by = (
    <span className="num">
      <TimeWord told={(now) => clock(now - item.at_seconds)} />
    </span>
  );
  return item.kind !== "lift" ? (
    <>
      <b>Look now:</b> {item.text}. {by} over.
    </>
  ) : (
    <>
      <b>Lift {item.plate_name} now.</b> {by} over.
    </>
  );
}
