import { Link } from "react-router";
import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import { Empty } from "../../../ui/Section";
import { LeftUntil, TimeWord } from "../../../ui/Ticking";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { Vessel } from "./Vessel";

type Bath = Shapes["BenchBath"];
type Due = Shapes["Due"];

/** The trays and tanks as they stand side by side, with the plate that lies in one. */
export function Trays({ baths, due }: { baths: Bath[]; due: Due[] }) {
  const { room } = useHere();
  if (baths.length === 0) {
    return (
      <Empty title="No bath yet">
        <p>Plans follow today's bath: its mordant, temperature and load. It takes two minutes.</p>
        <ButtonLink look="strong" to={`/r/${room}/baths`}>
          Make up a bath
        </ButtonLink>
      </Empty>
    );
  }
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(160px,1fr))] gap-5">
      {baths.map((bath) => (
        <Tray key={bath.id} bath={bath} due={due.find((item) => item.plate === bath.plate)} />
      ))}
    </div>
  );
}

function Tray({ bath, due }: { bath: Bath; due: Due | undefined }) {
  const { room, me } = useHere();
  return (
    <Link to={`/r/${room}/baths/${bath.id}`}>
      <Vessel bath={bath} />
      <span className="flex items-baseline justify-between gap-2.5">
        <b className="font-slab text-lead">{bath.name}</b>
        <span className="num text-h3 font-bold">
          {shownTemperature(bath.temperature_c, me)}{" "}
          <small className="note font-normal">{temperatureUnit(me)}</small>
        </span>
      </span>
      {bath.plate_name ? (
        <span className="font-semibold text-verdigris">
          {[bath.plate_name, ...bath.also].join(", ")} {due ? <Left at={due.at_seconds} /> : null}
        </span>
      ) : (
        <span className="note">
          {bath.mordant_label}, for {bath.metal}. Free.
        </span>
      )}
      {bath.check_due ? (
        <span className="flex items-center gap-1.5 text-note font-semibold text-ferric-deep">
          <Mark name="care" size={15} /> Check first: {bath.known_from}
        </span>
      ) : null}
    </Link>
  );
}

function Left({ at }: { at: number }) {
  return (
    <>
      <LeftUntil at={at} className="text-far font-bold" />{" "}
      <TimeWord told={(now) => (at >= now ? "to go" : "over")} />
    </>
  );
}
