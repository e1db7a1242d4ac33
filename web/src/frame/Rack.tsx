import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { awayQuery, type PlateCard, rackQuery } from "../api/plates";
import { PlateEdge } from "../figures/PlateEdge";
import { Mark, placeMark } from "../ui/Mark";
import { clock } from "../ui/times";
import { useNow } from "../ui/useNow";
import { useHere } from "./useHere";

const TEN_CM_PX = 33;

/** The rack: plates on edge, always at the side. */
export function Rack() {
  const { room } = useHere();
  const [search, setSearch] = useState("");
  const [away, setAway] = useState(false);
  const { data } = useQuery(away ? awayQuery(room) : rackQuery(room));
  const plates = (data?.items ?? []).filter((plate) =>
    `${plate.name} ${plate.metal} ${plate.route}`.toLowerCase().includes(search.toLowerCase()),
  );
  return (
    <nav className="rack" aria-label="Rack">
      <div className="rack-head">
        <h2>{away ? "Put away" : "Rack"}</h2>
        <button type="button" className="link note" onClick={() => setAway(!away)}>
          {away ? "rack" : `${data?.total ?? 0} plates`}
        </button>
      </div>
      <input
        className="rack-find"
        type="search"
        aria-label="Find a plate by name, metal or route"
        placeholder="find"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      <ul className="slots">
        {plates.map((plate) => (
          <Slot key={plate.id} plate={plate} />
        ))}
        <li className="slot free">
          <Link to={`/r/${room}/plates/new`}>
            <Mark name="plus" size={16} />
            Put a plate in
          </Link>
        </li>
      </ul>
      <div className="rack-foot" aria-hidden="true">
        <svg width="60" height="30" viewBox="-1 0 60 30" aria-hidden="true">
          <path d={`M0 16H${TEN_CM_PX}M0 8V16M16.5 8V16M33 8V16`} stroke="#463E36" />
          <text x="0" y="29" fontSize="13" className="n">
            10 cm
          </text>
        </svg>
        <span className="stamp">
          KEEN
          <br />
          BITE
        </span>
      </div>
    </nav>
  );
}

function Slot({ plate }: { plate: PlateCard }) {
  const { room, plate: current } = useParams();
  const inBath = plate.run?.in_bath ?? false;
  const here = plate.id === current;
  return (
    <li className={`slot${plate.place === "bath" ? " bath" : ""}${here ? " now" : ""}`}>
      <Link to={`/r/${room}/plates/${plate.id}`} aria-current={here ? "page" : undefined}>
        <span className="slot-name">{plate.name}</span>
        <PlateEdge metal={plate.metal} longMm={Math.max(plate.width_mm, plate.height_mm)} />
        <span className="slot-where">
          <Mark name={placeMark(plate.place, inBath)} />
          {inBath && plate.run ? <InBath run={plate.run} /> : plate.place_text}
        </span>
      </Link>
    </li>
  );
}

function InBath({ run }: { run: NonNullable<PlateCard["run"]> }) {
  const now = useNow();
  const left = (run.lift_seconds ?? now) - now;
  if (run.stale) return <span>in the bath: lifted?</span>;
  return (
    <span>
      in the bath <span className="n">{left >= 0 ? clock(left) : `+${clock(-left)}`}</span>
    </span>
  );
}
