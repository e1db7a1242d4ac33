import { Link } from "react-router";
import type { Shelf as ShelfOf, ShelfBath } from "../../../api/baths";
import { PX_PER_MM } from "../../../figures/bath/vessel";
import { VesselSide } from "../../../figures/bath/VesselSide";
import { PlateEdge } from "../../../figures/PlateEdge";
import { useHere } from "../../../frame/useHere";
import { LeftUntil, TimeWord } from "../../../ui/Ticking";
import { shownLength } from "../../../ui/units";

/** The vessels side by side at one scale, and under each the plates of the rack that may go in. */
export function Shelf({ shelf }: { shelf: ShelfOf }) {
  return (
    <div className="relative mt-2 overflow-x-auto pb-1">
      <div className="flex w-max min-w-full items-start">
        {shelf.baths.map((each) => (
          <Standing key={each.bath.id} of={each} />
        ))}
      </div>
      <Scale />
    </div>
  );
}

function Scale() {
  const { me } = useHere();
  const inches = me.length_unit === "in";
  const px = (inches ? 101.6 : 100) * PX_PER_MM;
  const long = inches ? "4 in" : "10 cm";
  return (
    <svg
      width={px + 60}
      height="16"
      className="absolute top-0 right-0"
      role="img"
      aria-label={`Scale: ${long}`}
    >
      <path d={`M1 8H${px}M1 3V13M${px} 3V13`} className="stroke-ink-2" strokeWidth="1.4" />
      <text x={px + 8} y="12.5" className="text-note">
        {long}
      </text>
    </svg>
  );
}

function Standing({ of }: { of: ShelfBath }) {
  const { room, me } = useHere();
  const { bath } = of;
  const may = of.plates.filter((plate) => plate.verdict !== "refused");
  const sides = [bath.length_mm, bath.width_mm].map((mm) => (mm ? shownLength(mm, me) : null));
  return (
    <figure className="flex-1">
      <div className="grid h-66 content-end">
        <Busy of={of} />
        <VesselSide of={of} />
      </div>
      <figcaption className="pt-2 pr-4 pl-1">
        <Link to={`/r/${room}/baths/${bath.id}`} className="font-slab text-h3 font-bold">
          {bath.name}
        </Link>
        <span className="note block">
          {bath.mordant_label}
          {bath.baume ? `, ${bath.baume} °Bé` : ""}, {bath.volume_l} L
        </span>
        <b className="block text-note">
          {bath.metal} only
          {sides[0] && sides[1]
            ? `, ${bath.vessel === "tank" ? "hung" : "flat"} in ${sides[0]} × ${sides[1]} ${me.length_unit}`
            : ""}
        </b>
        <ul className="mt-2 grid gap-1.5">
          {may.map((plate) => (
            <li key={plate.plate} className="flex items-center gap-3">
              <span className="w-22 flex-none">
                <PlateEdge metal={plate.metal} longMm={plate.width_mm} />
              </span>
              <Link to={`/r/${room}/plates/${plate.plate}`} className="text-note font-semibold">
                {plate.name}
              </Link>
              <span className={`text-note ${plate.in_it ? "text-verdigris" : "text-ferric-deep"}`}>
                {plate.in_it ? "in it now" : plate.fits ? "" : "too large for it"}
                {plate.verdict === "care" ? " with care" : ""}
              </span>
            </li>
          ))}
        </ul>
      </figcaption>
    </figure>
  );
}

function Busy({ of }: { of: ShelfBath }) {
  if (of.busy === "") return <p className="pl-2 text-ink-2">free</p>;
  return (
    <p className="pl-2 leading-tight font-bold text-verdigris">
      {of.busy}
      <br />
      {of.lift_seconds ? <LeftUntil at={of.lift_seconds} className="num text-show" /> : null}
      {of.lift_seconds ? (
        <span className="font-normal">
          {" "}
          <TimeWord told={(now) => (now > (of.lift_seconds ?? now) ? "over" : "to go")} />
        </span>
      ) : null}
    </p>
  );
}
