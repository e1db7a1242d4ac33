import { useEffect, useRef } from "react";
import { Link } from "react-router";
import type { WallStrip } from "../../../api/strips";
import { PlateEdge } from "../../../figures/PlateEdge";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { counted } from "../../../ui/numbers";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { SmallCurve } from "./SmallCurve";
import { WallSlip } from "./WallSlip";

const EDGE_MM = 120;
export type Picked = "first" | "second" | null;

type Props = {
  strip: WallStrip;
  last: number;
  /** Another ground begins with it. */
  begins: boolean;
  picked: Picked;
  current: boolean;
  pick: () => void;
};

/** A strip on the wall: its slip, its curve, what it was bitten in, and how much it counts. */
export function Hung({ strip, last, begins, picked, current, pick }: Props) {
  const { room, me } = useHere();
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (current) row.current?.scrollIntoView?.({ block: "nearest" });
  }, [current]);
  return (
    <li
      ref={row}
      className={`grid grid-cols-[minmax(0,19fr)_minmax(0,8fr)_minmax(0,14fr)] items-start gap-x-4 gap-y-1 py-1.5 max-phone:grid-cols-[minmax(0,1fr)_108px] ${begins ? "mt-1 border-t border-ink-3 pt-3" : ""} ${current ? "outline-2 outline-offset-1 outline-ink" : ""}`}
      aria-current={current || undefined}
    >
      <button
        type="button"
        aria-pressed={picked !== null}
        aria-label={`Compare ${strip.name}`}
        className="block min-w-0 text-left disabled:cursor-default max-phone:col-span-2"
        disabled={!strip.usable}
        onClick={pick}
      >
        <WallSlip strip={strip} />
      </button>
      <SmallCurve strip={strip} last={last} />
      <div className="min-w-0 max-phone:order-first max-phone:col-span-2">
        <h2 className="flex items-center gap-2 text-h3">
          <Dot picked={picked} />
          <Link
            className="decoration-1 underline-offset-4 hover:underline"
            to={`/r/${room}/strips/${strip.id}`}
          >
            {strip.name}
          </Link>
        </h2>
        <p className="note flex items-center gap-2">
          <PlateEdge metal={strip.metal} longMm={EDGE_MM} />
          <span className="min-w-0">
            {strip.ground}, {strip.mordant_label.replace(/^.*· /, "").toLowerCase()}
          </span>
        </p>
        <p className="note num">
          {strip.read_on ? `${strip.read_on}, ` : ""}
          {counted(strip.days, "day")}. {shownTemperature(strip.temperature_c, me)}{" "}
          {temperatureUnit(me)}, {strip.load_g_per_l.toFixed(0)} g/L
        </p>
        <Counts strip={strip} />
      </div>
    </li>
  );
}

/** Filled: the first of the two compared; hollow: the second. */
function Dot({ picked }: { picked: Picked }) {
  if (!picked) return null;
  return (
    <span
      role="img"
      aria-label={picked === "first" ? "the first compared" : "the second compared"}
      className={`size-3.5 flex-none rounded-full border-[2.5px] border-ink ${picked === "first" ? "bg-ink" : ""}`}
    />
  );
}

/** Its share in today's curve of its ground, or why it has none. */
function Counts({ strip }: { strip: WallStrip }) {
  const out = strip.hung.filter((patch) => patch.out);
  return (
    <>
      {strip.out_reason ? (
        <Care className="text-note">left out: {strip.out_reason}</Care>
      ) : strip.waits ? (
        <Care className="text-note">{strip.waits}</Care>
      ) : !strip.usable && strip.lines === 0 ? (
        <Care className="text-note">gives no curve</Care>
      ) : strip.alone ? (
        <p className="text-note font-bold">the only one for {strip.ground}</p>
      ) : strip.counts !== null ? (
        <Share share={strip.counts} />
      ) : null}
      {strip.lines > 0 ? (
        <p className="note">{counted(strip.lines, "line")} measured for depth and width</p>
      ) : null}
      {out.length > 0 && !strip.out_reason ? (
        <Care className="text-note">
          {out.length === 1 ? "1 patch" : `${out.length} patches`} left out
        </Care>
      ) : null}
    </>
  );
}

function Share({ share }: { share: number }) {
  const percent = Math.round(100 * share);
  return (
    <p className="num flex items-center gap-2 text-note font-bold">
      <span aria-hidden="true" className="h-2.5 w-25 flex-none border border-ink bg-paper-lift">
        <span className="block h-full bg-ink" style={{ width: `${percent}%` }} />
      </span>
      counts {percent < 1 ? "under 1" : percent} %
    </p>
  );
}
