import { Link } from "react-router";
import { useHere } from "./useHere";

/** There is no bath that bites this metal yet. */
export function NoBath({ metal, what }: { metal: string; what: string }) {
  const { room } = useHere();
  return (
    <div className="empty">
      <h2>No bath for {metal}</h2>
      <p>{what} follows today's bath: its mordant, temperature and load. Two minutes.</p>
      <Link className="btn strong" to={`/r/${room}/baths`}>
        Make up a bath
      </Link>
    </div>
  );
}
