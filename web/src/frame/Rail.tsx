import { useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link, NavLink, useNavigate } from "react-router";
import type { PlateCard } from "../api/plates";
import { signOut } from "../api/session";
import { PLACES } from "../places";
import { TextButton } from "../ui/Button";
import { Mark } from "../ui/Mark";
import { LeftUntil, TimeWord } from "../ui/Ticking";
import { wallClock, weekdayOf } from "../ui/times";
import { useNowOf } from "../ui/useNow";
import { useHere } from "./useHere";
import { useOpenLights, useOpenRuns } from "./useOpenRuns";

/** The rail: the room, its places, the bath that is in use, the time. */
export function Rail() {
  const { room, roomName } = useHere();
  return (
    <header className="col-span-full flex items-stretch border-b border-line bg-paper-lift max-desk:min-h-13 max-zoomed:flex-wrap print:hidden">
      <Link
        to={`/r/${room}/bench`}
        className="flex w-43 items-center border-r border-hair pr-2 pl-4 font-slab leading-tight font-semibold max-desk:w-auto max-desk:max-w-38 max-zoomed:max-w-23 max-desk:border-0 max-desk:pl-4.5 max-phone:min-h-12.5 max-phone:max-w-none max-phone:flex-1"
      >
        {roomName}
      </Link>
      <Places />
      <RunChip />
      <End />
    </header>
  );
}

function Places() {
  const { room } = useHere();
  return (
    <nav
      aria-label="Places"
      className="flex-none max-desk:min-w-0 max-desk:flex-auto max-desk:overflow-x-auto max-desk:[scrollbar-width:none] max-phone:fixed max-phone:inset-x-0 max-phone:bottom-0 max-phone:z-10 max-phone:border-t-[1.5px] max-phone:border-ink max-phone:bg-paper-lift"
    >
      <ul className="flex h-full pl-3 max-desk:pl-0 max-phone:grid max-phone:auto-rows-[44px] max-phone:grid-cols-4">
        {PLACES.filter((place) => place.rail).map(({ path, rail }) => (
          <li key={path}>
            <NavLink
              to={`/r/${room}/${path}`}
              className="at-place relative flex h-full items-center px-2.5 whitespace-nowrap text-ink-2 aria-[current]:font-bold aria-[current]:text-ink max-desk:px-2 max-desk:whitespace-nowrap max-phone:justify-center max-phone:px-0.5 max-phone:text-center max-phone:leading-tight max-phone:whitespace-normal"
            >
              {rail}
            </NavLink>
          </li>
        ))}
      </ul>
    </nav>
  );
}

function End() {
  const { zone } = useHere();
  const time = useNowOf((now) => wallClock(now, zone), 1000);
  const day = useNowOf((now) => weekdayOf(now, zone), 1000);
  return (
    <div className="ml-auto flex flex-none items-center gap-3.5 px-4 text-ink-2 max-desk:gap-2 max-desk:px-2 max-zoomed:order-2">
      <span className="max-desk:hidden">{day}</span>
      <b className="num text-h3 text-ink">{time}</b>
      <SignOut />
    </div>
  );
}

const inBath = (there: boolean) => (there ? "bg-verdigris text-white" : "bg-ferric-pale text-ink");

/** What needs hands first, at a bath or under the lamp; over its time it is the loudest thing of every page. */
function RunChip() {
  const [plate] = useOpenRuns();
  const [lit] = useOpenLights();
  const bath = plate?.run?.in_bath ? plate.run.lift_seconds : null;
  const lamp = lit?.light?.due_seconds ?? null;
  if (lit?.light && (!plate?.run || (lamp !== null && (bath == null || lamp < bath))))
    return <LightChip name={lit.name} light={lit.light} />;
  return plate?.run ? <BathChip name={plate.name} run={plate.run} /> : null;
}

type LightProps = { name: string; light: NonNullable<PlateCard["light"]> };

function LightChip({ name, light }: LightProps) {
  const { room } = useHere();
  const due = light.due_seconds;
  const over = useNowOf((now) => due != null && now > due);
  return (
    <Chip to={`/r/${room}/exposure/runs/${light.id}`} look={over ? OVER : inBath(light.under_way)}>
      <Mark name="exposing" />
      <span className="truncate max-desk:hidden max-zoomed:inline">
        {over ? "Now: " : ""}
        {name}, {light.stage.toLowerCase() || "all done"}
      </span>
      {due == null ? <b className="text-h3">next</b> : <Left at={due} />}
    </Chip>
  );
}

type BathProps = { name: string; run: NonNullable<PlateCard["run"]> };

function BathChip({ name, run }: BathProps) {
  const { room } = useHere();
  const due = run.in_bath ? run.lift_seconds : null;
  const over = useNowOf((now) => due != null && now > due);
  const lift = run.in_bath && !run.stale ? run.lift_seconds : null;
  return (
    <Chip to={`/r/${room}/runs/${run.id}`} look={over ? OVER : inBath(run.in_bath)}>
      <Mark name={run.in_bath ? "bath" : "lifted"} />
      <span className="truncate max-desk:hidden max-zoomed:inline">
        {over ? "Lift now: " : ""}
        {name}, bite {Math.min(run.bite, run.bites)}
      </span>
      {lift != null ? <Left at={lift} /> : <b className="text-h3">{run.stale ? "lift?" : "out"}</b>}
    </Chip>
  );
}

const OVER = "bg-vermilion text-white font-bold";

function Chip({ to, look, children }: { to: string; look: string; children: ReactNode }) {
  return (
    <Link
      to={to}
      className={`ml-auto flex min-w-0 items-center gap-2.5 max-desk:flex-none px-4 whitespace-nowrap [&+*]:ml-0 max-zoomed:order-3 max-zoomed:min-h-13 max-zoomed:w-full max-zoomed:justify-center [&>svg]:size-5.5 [&>svg]:flex-none ${look}`}
    >
      {children}
    </Link>
  );
}

/** What is left, and whether it is over. */
function Left({ at }: { at: number }) {
  return (
    <>
      <LeftUntil at={at} className="text-h3 font-bold max-zoomed:text-far" />
      <span className="max-desk:hidden max-zoomed:inline">
        <TimeWord told={(now) => (at >= now ? "to go" : "over")} />
      </span>
    </>
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
    <TextButton className="whitespace-nowrap pointer-coarse:min-h-12" onClick={leave}>
      Sign out
    </TextButton>
  );
}
