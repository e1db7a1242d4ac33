import type { QueryClient } from "@tanstack/react-query";
import { createBrowserRouter, Navigate, type RouteObject } from "react-router";
import { planQuery } from "../api/plans";
import { plateQuery, rackQuery } from "../api/plates";
import { sessionQuery } from "../api/session";
import { timersQuery } from "../api/timers";
import { PLACES, PLATE_PLACES, type Place } from "../places";
import type { Asks } from "./first";
import { Home, Inside } from "./Inside";
import { Lost } from "./Lost";
import { PlateFrame } from "./PlateFrame";
import { screen } from "./screen";

function routeOf({ path, load, name, whole, digits, first }: Place): RouteObject {
  const { element, errorElement, fetched } = screen(load);
  const asks: Asks = (client, params) => [fetched(), ...(first?.(client, params) ?? [])];
  return {
    ...(path === "" ? { index: true } : { path }),
    element,
    errorElement,
    handle: { name, whole: whole ?? false, digits: digits ?? false, first: asks },
  };
}

/** A page outside a room. */
function later(load: Place["load"]): Pick<RouteObject, "element" | "errorElement" | "handle"> {
  const { element, errorElement, fetched } = screen(load);
  const asks: Asks = () => [fetched()];
  return { element, errorElement, handle: { first: asks } };
}

const ofRoom: Asks = (client, { room = "" }) => [
  client.prefetchQuery(sessionQuery),
  client.prefetchQuery(rackQuery(room)),
];

const ofPlate: Asks = (client, { room = "", plate = "" }) => [
  client.prefetchQuery(timersQuery(room)),
  plateAndPlans(client, room, plate),
];

async function plateAndPlans(client: QueryClient, room: string, plate: string): Promise<void> {
  const found = await client.fetchQuery(plateQuery(room, plate));
  await Promise.all(
    found.planned.map((part) => client.prefetchQuery(planQuery(room, plate, part))),
  );
}

const PLATE: RouteObject = {
  path: "plates/:plate",
  element: <PlateFrame />,
  handle: { first: ofPlate },
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
    ...later(async () => (await import("../screens/session/SignIn/SignIn")).SignIn),
  },
  {
    path: "/link/:token",
    ...later(async () => (await import("../screens/rooms/UseLink/UseLink")).UseLink),
  },
  {
    path: "/r/:room",
    element: <Inside />,
    handle: { first: ofRoom },
    errorElement: <Lost />,
    children: [...PLACES.map(routeOf), PLATE, { path: "*", element: <Lost /> }],
  },
  { path: "*", element: <Lost /> },
];

export const makeRouter = () => createBrowserRouter(ROUTES);
