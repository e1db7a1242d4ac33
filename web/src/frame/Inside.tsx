import { useQuery } from "@tanstack/react-query";
import { startTransition, useEffect, useState } from "react";
import { Navigate, Outlet, useLocation, useMatches, useParams } from "react-router";
import { sessionQuery } from "../api/session";
import { flushAll } from "../device/flush";
import { Keys } from "./Keys";
import { Lost } from "./Lost";
import { NoLine } from "./NoLine";
import { Rack } from "./Rack";
import { Rail } from "./Rail";
import { useHeadingFocus } from "./useHeadingFocus";

/** The first page: the bench of the first room. */
export function Home() {
  const { data, isPending } = useQuery(sessionQuery);
  if (isPending) return null;
  const room = data?.me?.rooms[0];
  if (!data?.me) return <Navigate to="/sign-in" replace />;
  return room ? <Navigate to={`/r/${room.id}/bench`} replace /> : <Lost />;
}

type Handle = { name: string; whole: boolean };

/** What the place shown is called, and whether it takes the whole screen. */
function usePlace(room: string): boolean {
  const { name = "", whole = false } = (useMatches().at(-1)?.handle ?? {}) as Partial<Handle>;
  useEffect(() => {
    document.title = [name, room, "Keen Bite"].filter(Boolean).join(" · ");
  }, [name, room]);
  return whole;
}

/** False in the first drawing: what waits for it is laid out in a frame of its own, after rail and rack. */
function useSecondDrawing(): boolean {
  const [second, setSecond] = useState(false);
  useEffect(() => startTransition(() => setSecond(true)), []);
  return second;
}

/** A room: rail above, rack at the side, and a page; the run screen takes it all. */
export function Inside() {
  const { room } = useParams();
  const at = useLocation();
  const { data, isPending } = useQuery(sessionQuery);
  const user = data?.me?.id;
  const here = data?.me?.rooms.find((each) => each.id === room);
  const whole = usePlace(here?.name ?? "");
  const framed = useSecondDrawing();
  useHeadingFocus();
  useEffect(() => {
    if (user) flushAll(user);
  }, [user]);
  if (isPending) return null;
  if (!data?.me) return <Navigate to="/sign-in" replace state={{ from: at.pathname }} />;
  if (!here) return <Lost />;
  if (whole) return <Outlet />;
  return (
    <div className="grid min-h-screen grid-cols-[172px_minmax(0,1fr)] grid-rows-[44px_1fr] max-desk:grid-cols-[minmax(0,1fr)] max-desk:grid-rows-[auto_auto_1fr] max-phone:pb-23 print:block">
      <a className="sr-only" href="#main">
        Skip to the page
      </a>
      <Rail />
      <Rack />
      <main
        id="main"
        tabIndex={-1}
        className="min-w-0 pt-3 pr-6 pb-6 pl-6.5 max-desk:px-5 max-desk:pt-4 max-desk:pb-7 max-phone:px-4 max-phone:pt-3.5 print:p-0"
      >
        <NoLine />
        {framed ? <Outlet /> : null}
      </main>
      <Keys />
    </div>
  );
}
