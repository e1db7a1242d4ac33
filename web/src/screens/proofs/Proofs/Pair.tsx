import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changeQuery, type Proof } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Curtain } from "../../../ui/Curtain";
import { Beside, Section } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { roman } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";
import { shownLength } from "../../../ui/units";
import { useKeys } from "../../../ui/useKeys";
import { useUser } from "../../../ui/useUser";
import { Changes, Shared } from "./Changes";
import { Difference } from "./Difference";
import { Settings } from "./Settings";
import { Shifts } from "./Shift";
import { Shown } from "./Shown";
import { Sign } from "./Sign";

type Way = "curtain" | "difference" | "side";
const WAYS: readonly (readonly [Way, string])[] = [
  ["curtain", "Curtain"],
  ["difference", "Difference"],
  ["side", "Side by side"],
];
const SHIFTED_MM = 0.3;

type Props = { left: Proof; right: Proof; proofs: Proof[]; done: () => void };

/** Two proofs: drawn aside, differed, or side by side; what changed, and what all areas share. */
export function Pair({ left, right, proofs, done }: Props) {
  const { room } = useHere();
  const [way, setWay] = useState<Way>("curtain");
  const { units } = useUser();
  const { data: change, error } = useQuery(changeQuery(room, left.id, right.id));
  useKeys({
    v: () => setWay(WAYS[(WAYS.findIndex(([each]) => each === way) + 1) % WAYS.length]?.[0] ?? way),
    Escape: done,
  });
  const names = [
    `State ${roman(left.state_number)}`,
    `State ${roman(right.state_number)}`,
  ] as const;
  return (
    <Section>
      <Beside side="even">
        <div className="grid content-start gap-3">
          <div>
            <Segments label="How they are compared" value={way} options={WAYS} onChange={setWay} />
          </div>
          <Figure way={way} left={left} right={right} names={names} change={change} />
          <div className="grid grid-cols-2 gap-4">
            <Settings proof={left} />
            <Settings proof={right} />
          </div>
          {change && change.shift_mm > SHIFTED_MM ? (
            <p className="note">
              The right one was moved by{" "}
              <span className="num">{shownLength(change.shift_mm, units)}</span> {units.length_unit}{" "}
              to lie on the left one.
            </p>
          ) : null}
        </div>
        <div className="grid content-start gap-4">
          {!change || change.areas.length === 0 ? null : (
            <>
              {way === "difference" ? (
                <Shifts change={change} left={left} right={right} />
              ) : (
                <Changes change={change} left={left} right={right} proofs={proofs} />
              )}
              <Shared change={change} />
            </>
          )}
          {change && change.areas.length === 0 ? (
            <Care>Tones were not read off both, so nothing can be said of its areas.</Care>
          ) : null}
          <Trouble error={error} />
          <Button className="justify-self-start" onClick={done}>
            One proof alone
          </Button>
        </div>
      </Beside>
    </Section>
  );
}

type FigureProps = {
  way: Way;
  left: Proof;
  right: Proof;
  names: readonly [string, string];
  change: Parameters<typeof Changes>[0]["change"] | undefined;
};

function Figure({ way, left, right, names, change }: FigureProps) {
  const [a, b] = [<Shown key="a" proof={left} />, <Shown key="b" proof={right} />];
  if (way === "side")
    return (
      <div className="grid grid-cols-2 gap-3">
        {[a, b].map((picture, i) => (
          <figure key={names[i]}>
            {picture}
            <figcaption className="mt-1 font-semibold">{names[i]}</figcaption>
          </figure>
        ))}
      </div>
    );
  if (way === "difference") {
    if (!change) return null;
    return change.cells.length > 0 ? (
      <Difference change={change} />
    ) : (
      <Care>Both must be read from a scan before they can be laid over each other.</Care>
    );
  }
  return (
    <Curtain
      label={`${names[0]} against ${names[1]}`}
      left={a}
      right={b}
      leftName={<Sign place="left">{names[0]}</Sign>}
      rightName={<Sign place="right">{names[1]}</Sign>}
    />
  );
}
