import { useQueries, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { NavLink, Outlet, useMatches, useOutletContext, useParams } from "react-router";
import { type Plan, planQuery } from "../api/plans";
import { type Plate, plateQuery } from "../api/plates";
import { Asking } from "../ui/Asking";
import { CourseLine } from "./plate/CourseLine";
import { Head, ShortHead } from "./plate/Head";
import { useHere } from "./useHere";
import { Waits } from "./Waits";

/** `earlier` are plans of grounds before the last, each bitten and kept. */
export type PlateHere = { plate: Plate; plans: Plan[]; earlier: Plan[] };

/** The plate and its plans, for the pages under its head. */
export const usePlate = () => useOutletContext<PlateHere>();

/** What all pages of a plate share: its head, its course, its tabs. */
export function PlateFrame() {
  const { room } = useHere();
  const { plate: id = "" } = useParams();
  const plate = useQuery(plateQuery(room, id));
  const planned = plate.data?.planned ?? [];
  const found = useQueries({ queries: planned.map((part) => planQuery(room, id, part)) });
  const match = useMatches().at(-1);
  const own = match?.pathname.replace(/\/$/, "") === `/r/${room}/plates/${id}`;
  const plans = found.map((each) => each.data).filter((plan) => plan != null);
  const earlier = useEarlier(room, id, plans);
  // a line that drops must not take a form from under its words
  if (!plate.data) return <Asking error={plate.error} />;
  const current = plans.find((plan) => plan.run) ?? plans[0] ?? null;
  const here: PlateHere = { plate: plate.data, plans, earlier };
  return (
    <>
      {own ? (
        <Head plate={plate.data} plan={current} />
      ) : (
        <ShortHead plate={plate.data}>
          <Tabs plate={plate.data} />
        </ShortHead>
      )}
      <CourseLine key={id} plate={plate.data} short={!own} keys={!digitsOf(match?.handle)} />
      {own ? (
        <div className="mb-3 border-b border-hair">
          <Tabs plate={plate.data} />
        </div>
      ) : null}
      <Waits plate={id} />
      <Page key={`page ${id}`} here={here} ready={!found.some((each) => each.isPending)} />
    </>
  );
}

/** Whether the digits are keys of the page itself. */
const digitsOf = (handle: unknown) => (handle as { digits?: boolean } | undefined)?.digits ?? false;

function useEarlier(room: string, id: string, plans: Plan[]): Plan[] {
  const before = plans.flatMap((plan) =>
    plan.grounds_before.map((ground) => planQuery(room, id, plan.part, ground)),
  );
  const found = useQueries({ queries: before });
  return found.map((each) => each.data).filter((plan) => plan != null);
}

/** Waits for the plans once: a part planned elsewhere meanwhile leaves what is typed in peace. */
function Page({ here, ready }: { here: PlateHere; ready: boolean }) {
  const [begun, setBegun] = useState(ready);
  if (ready && !begun) setBegun(true);
  return begun || ready ? <Outlet context={here} /> : <Asking error={null} />;
}

/** The pages of a plate that is exposed, not bitten. */
const LIT = [
  ["positive", "Positive"],
  ["expose", "Exposure"],
] as const;

/** The pages of a plate whose marks are cut by hand. */
const BY_HAND = [
  ["marks", "Marks"],
  ["wear", "Wear"],
] as const;

function Tabs({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const here = `/r/${room}/plates/${plate.id}`;
  const plans = plate.processes.map(({ key, many }) => ({
    to: `${here}/plan/${key}`,
    name: `${(plate.planned as string[]).includes(key) ? "Change" : "Plan"} ${many}`,
  }));
  const tabs = [
    { to: here, name: plate.by_light || plate.parts.length === 0 ? "Plate" : "Bites" },
    { to: `${here}/course`, name: "Course" },
    ...(plate.maps ? [{ to: `${here}/study`, name: "Value study" }] : []),
    ...(plate.by_light ? LIT.map(([to, name]) => ({ to: `${here}/${to}`, name })) : []),
    ...(plate.by_needle ? BY_HAND.map(([to, name]) => ({ to: `${here}/${to}`, name })) : []),
    ...plans,
    ...(plate.maps ? [{ to: `${here}/maps`, name: "Stop-out maps" }] : []),
    { to: `${here}/proofs`, name: "Proofs" },
    { to: `${here}/paper`, name: "Paper" },
    { to: `${here}/edition`, name: "Edition" },
    { to: `/r/${room}/record?plate=${plate.id}`, name: "Record" },
  ];
  return (
    <nav
      aria-label="Pages of this plate"
      className="flex min-w-0 gap-x-5 overflow-x-auto whitespace-nowrap [scrollbar-width:none] print:hidden"
    >
      {tabs.map(({ to, name }) => (
        <NavLink
          key={to}
          to={to}
          end={to === here}
          className="flex min-h-8.5 items-center border-b-3 border-transparent text-ink-2 aria-[current]:border-ink aria-[current]:font-bold aria-[current]:text-ink pointer-coarse:min-h-12"
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
