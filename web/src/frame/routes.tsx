import { type ComponentType, lazy, Suspense } from "react";
import { createBrowserRouter, Navigate } from "react-router";
import { SignIn } from "../screens/session/SignIn/SignIn";
import { Home, Inside } from "./Inside";
import { Lost } from "./Lost";

function screen(load: () => Promise<ComponentType>) {
  const Screen = lazy(async () => ({ default: await load() }));
  return (
    <Suspense fallback={<p className="note">Opening</p>}>
      <Screen />
    </Suspense>
  );
}

export const router = createBrowserRouter([
  { path: "/", element: <Home />, errorElement: <Lost /> },
  { path: "/sign-in", element: <SignIn /> },
  {
    path: "/link/:token",
    element: screen(async () => (await import("../screens/rooms/UseLink/UseLink")).UseLink),
  },
  {
    path: "/r/:room",
    element: <Inside />,
    errorElement: <Lost />,
    children: [
      {
        path: "bench",
        element: screen(async () => (await import("../screens/bench/Bench/Bench")).Bench),
      },
      {
        path: "strips",
        element: screen(async () => (await import("../screens/strips/Strips/Strips")).Strips),
      },
      {
        path: "strips/new",
        element: screen(async () => (await import("../screens/strips/NewStrip/NewStrip")).NewStrip),
      },
      {
        path: "strips/:strip",
        element: screen(
          async () => (await import("../screens/strips/StripPage/StripPage")).StripPage,
        ),
      },
      {
        path: "baths",
        element: screen(async () => (await import("../screens/baths/Baths/Baths")).Baths),
      },
      {
        path: "baths/:bath",
        element: screen(async () => (await import("../screens/baths/BathPage/BathPage")).BathPage),
      },
      {
        path: "plates/new",
        element: screen(async () => (await import("../screens/plates/NewPlate/NewPlate")).NewPlate),
      },
      {
        path: "plates/:plate",
        element: screen(
          async () => (await import("../screens/plates/PlatePage/PlatePage")).PlatePage,
        ),
      },
      {
        path: "plates/:plate/plan/:part",
        element: screen(async () => (await import("../screens/plans/PlanPage/PlanPage")).PlanPage),
      },
      { path: "plates/:plate/plan", element: <Navigate to="tones" replace relative="path" /> },
      {
        path: "plates/:plate/lines",
        element: <Navigate to="../plan/lines" replace relative="path" />,
      },
      {
        path: "plates/:plate/course",
        element: screen(
          async () => (await import("../screens/courses/CoursePage/CoursePage")).CoursePage,
        ),
      },
      {
        path: "timers",
        element: screen(async () => (await import("../screens/timers/Timers/Timers")).Timers),
      },
      {
        path: "shop-book",
        element: screen(
          async () => (await import("../screens/shopbook/ShopBook/ShopBook")).ShopBook,
        ),
      },
      {
        path: "plates/:plate/proofs",
        element: screen(async () => (await import("../screens/proofs/Proofs/Proofs")).Proofs),
      },
      {
        path: "plates/:plate/proofs/new",
        element: screen(async () => (await import("../screens/proofs/NewProof/NewProof")).NewProof),
      },
      {
        path: "record",
        element: screen(async () => (await import("../screens/record/Record/Record")).Record),
      },
      {
        path: "members",
        element: screen(async () => (await import("../screens/rooms/Members/Members")).Members),
      },
      {
        path: "runs/:run",
        element: screen(
          async () => (await import("../screens/runs/RunScreen/RunScreen")).RunScreen,
        ),
      },
      { path: "*", element: <Lost /> },
    ],
  },
  { path: "*", element: <Lost /> },
]);
