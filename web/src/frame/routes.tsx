import { lazy, type ReactNode, Suspense } from "react";
import { createBrowserRouter, Navigate, type RouteObject } from "react-router";
import { PLACES, PLATE_PLACES, type Place } from "../places";
import { Home, Inside } from "./Inside";
import { Lost } from "./Lost";
import { PlateFrame } from "./PlateFrame";

const LATE = <p className="note">Opening</p>;

function screen(load: Place["load"]): ReactNode {
  const Screen = lazy(async () => ({ default: await load() }));
  return (
    <Suspense fallback={LATE}>
      <Screen />
    </Suspense>
  );
}

const routeOf = ({ path, load, name, whole }: Place): RouteObject => ({
  ...(path === "" ? { index: true } : { path }),
  element: screen(load),
  handle: { name, whole: whole ?? false },
});

const PLATE: RouteObject = {
  path: "plates/:plate",
  element: <PlateFrame />,
  children: [
    ...PLATE_PLACES.map(routeOf),
    { path: "plan", element: <Navigate to="tones" replace relative="path" /> },
    { path: "lines", element: <Navigate to="../plan/lines" replace relative="path" /> },
  ],
};

export const ROUTES: RouteObject[] = [
  { path: "/", element: <Home />, errorElement: <Lost /> },
  {
    path: "/sign-in",
    element: screen(async () => (await import("../screens/session/SignIn/SignIn")).SignIn),
  },
  {
    path: "/link/:token",
    element: screen(async () => (await import("../screens/rooms/UseLink/UseLink")).UseLink),
  },
  {
    path: "/r/:room",
    element: <Inside />,
    errorElement: <Lost />,
    children: [...PLACES.map(routeOf), PLATE, { path: "*", element: <Lost /> }],
  },
  { path: "*", element: <Lost /> },
];

export const makeRouter = () => createBrowserRouter(ROUTES);
