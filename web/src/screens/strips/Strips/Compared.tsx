import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { besideQuery, type WallStrip } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { Segments } from "../../../ui/Segments";
import { Trouble } from "../../../ui/Trouble";
import { BesideCurves } from "./BesideCurves";
import { LeaveOut } from "./LeaveOut";

const BATHS = [
  ["as bitten", "As bitten"],
  ["one bath", "On the same bath"],
] as const;
export type Bath = (typeof BATHS)[number][0];
const ALIKE = 0.02;

type Props = { first: WallStrip; second: WallStrip; bath: Bath; setBath: (bath: Bath) => void };

/** Do two strips agree: both curves in one figure, the answer, and what to do with the older. */
export function Compared({ first, second, bath, setBath }: Props) {
  const { room } = useHere();
  const [leaving, setLeaving] = useState(false);
  const { data, error } = useQuery(besideQuery(room, first.id, second.id));
  return (
    <aside className="min-w-0 border-t-2 border-ink pt-2.5">
      <h2 className="text-h3">Do the two agree?</h2>
      <div className="mt-2">
        <Segments label="Baths" value={bath} options={BATHS} onChange={setBath} />
      </div>
      <Trouble error={error} />
      {data ? (
        <>
          <BesideCurves told={data} moved={bath === "one bath"} names={[first.name, second.name]} />
          <div className="mt-3 border-t border-hair pt-2.5" aria-live="polite">
            <p className="font-slab text-h3 font-semibold">{data.text}</p>
            <p className="mt-1 text-ink-2">
              {speedOf(second.name, data.factor)} {sharesOf(first, second)}
            </p>
          </div>
        </>
      ) : null}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <LeaveOut
          key={`${second.id} ${second.version}`}
          strip={second}
          open={leaving}
          setOpen={setLeaving}
        />
        <Link
          className="font-semibold underline underline-offset-4"
          to={`/r/${room}/strips/${second.id}`}
        >
          Open the curve
        </Link>
      </div>
    </aside>
  );
}

/** How the second bath went against the first. */
function speedOf(name: string, factor: number) {
  if (Math.abs(factor - 1) < ALIKE) return "Both baths bit alike.";
  const faster = factor > 1;
  const times = (faster ? factor : 1 / factor).toFixed(2);
  return `${name} was bitten in a ${faster ? "faster" : "slower"} bath, ×${times}: its times are ${faster ? "longer" : "shorter"} here.`;
}

/** What each counts in today's curve, where they are of one ground. */
function sharesOf(first: WallStrip, second: WallStrip) {
  if (first.ground !== second.ground || first.metal !== second.metal)
    return "They are two grounds: each speaks for its own plates only.";
  if (first.counts === null || second.counts === null) return "";
  const [one, two] = [first.counts, second.counts].map((share) => Math.round(100 * share));
  return `In today’s curve ${first.name} counts ${one} %, ${second.name} ${two} %.`;
}
