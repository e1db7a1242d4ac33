import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, NavLink, useNavigate } from "react-router";
import { type PlateCard, rackQuery } from "../api/plates";
import { signOut } from "../api/session";
import { Mark } from "../ui/Mark";
import { clock, wallClock } from "../ui/times";
import { useNow } from "../ui/useNow";
import { useHere } from "./useHere";

const PLACES = [
  ["bench", "Bench"],
  ["strips", "Strips"],
  ["baths", "Baths"],
  ["shop-book", "Shop book"],
  ["record", "Record"],
  ["members", "Members"],
] as const;

/** The rail: the room, its places, the bath that is in use, the time. */
export function Rail() {
  const { room, roomName, zone } = useHere();
  const now = useNow();
  return (
    <header className="rail">
      <Link className="rail-room" to={`/r/${room}/bench`}>
        {roomName}
      </Link>
      <nav aria-label="Places">
        <ul>
          {PLACES.map(([path, name]) => (
            <li key={path}>
              <NavLink to={`/r/${room}/${path}`}>{name}</NavLink>
            </li>
          ))}
        </ul>
      </nav>
      <RunChip now={now} />
      <div className="rail-end">
        <span>
          {new Intl.DateTimeFormat("en-GB", {
            weekday: "short",
            day: "numeric",
            month: "short",
            timeZone: zone,
          }).format(now * 1000)}
        </span>
        <b>{wallClock(now, zone)}</b>
        <SignOut />
      </div>
    </header>
  );
}

export function useOpenRuns(): PlateCard[] {
  const { room } = useHere();
  const { data } = useQuery(rackQuery(room));
  const runs = (data?.items ?? []).filter((plate) => plate.run);
  return runs.sort((a, b) => Number(b.run?.in_bath) - Number(a.run?.in_bath));
}

function RunChip({ now }: { now: number }) {
  const { room } = useHere();
  const [plate] = useOpenRuns();
  const run = plate?.run;
  if (!run) return null;
  const left = (run.lift_seconds ?? now) - now;
  return (
    <Link className={`rail-run${run.in_bath ? "" : " out"}`} to={`/r/${room}/runs/${run.id}`}>
      <Mark name={run.in_bath ? "bath" : "lifted"} />
      <span>
        {plate.name}, bite {Math.min(run.bite, run.bites)}
      </span>
      {run.in_bath && !run.stale ? (
        <>
          <b>{left >= 0 ? clock(left) : `+${clock(-left)}`}</b>
          <span>{left >= 0 ? "to go" : "over"}</span>
        </>
      ) : (
        <b>{run.stale ? "lift?" : "out"}</b>
      )}
    </Link>
  );
}

function SignOut() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const leave = async () => {
    await signOut().catch(() => {});
    client.clear();
    navigate("/sign-in");
  };
  return (
    <button type="button" onClick={leave}>
      Sign out
    </button>
  );
}
