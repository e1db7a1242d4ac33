import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Navigate, Outlet, useLocation, useParams } from "react-router";
import { sessionQuery } from "../api/session";
import { flushAll } from "../device/useRun";
import { Keys } from "./Keys";
import { Lost } from "./Lost";
import { Rack } from "./Rack";
import { Rail } from "./Rail";

/** The first page: the bench of the first room. */
export function Home() {
  const { data, isPending } = useQuery(sessionQuery);
  if (isPending) return null;
  const room = data?.me?.rooms[0];
  if (!data?.me) return <Navigate to="/sign-in" replace />;
  return room ? <Navigate to={`/r/${room.id}/bench`} replace /> : <Lost />;
}

/** A room: rail above, rack at the side, and a page; the run screen takes it all. */
export function Inside() {
  const { room } = useParams();
  const place = useLocation();
  const { data, isPending } = useQuery(sessionQuery);
  const user = data?.me?.id;
  useEffect(() => {
    if (user) flushAll(user);
  }, [user]);
  if (isPending) return null;
  if (!data?.me) return <Navigate to="/sign-in" replace state={{ from: place.pathname }} />;
  if (!data.me.rooms.some((each) => each.id === room)) return <Lost />;
  if (/\/(runs\/|timers$)/.test(place.pathname)) return <Outlet />;
  return (
    <div className="frame">
      <a className="vh" href="#main">
        Skip to the page
      </a>
      <Rail />
      <Rack />
      <main id="main" tabIndex={-1}>
        <Outlet />
      </main>
      <Keys />
    </div>
  );
}
