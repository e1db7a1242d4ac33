import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { hasPages } from "../api/pages";
import { type Asked, type PlateCard, platesQuery } from "../api/plates";
import { PlateEdge } from "../figures/PlateEdge";
import { TextButton } from "../ui/Button";
import { Mark, placeMark } from "../ui/Mark";
import { counted } from "../ui/numbers";
import { Pages } from "../ui/Pages";
import { LeftUntil } from "../ui/Ticking";
import { useHere } from "./useHere";

const TEN_CM_PX = 33;
/** More do not fit beside a page of ordinary height: then the plates scroll by themselves. */
const MOST_STANDING = 9;
const LONG = "desk:sticky desk:top-0 desk:h-[calc(100dvh-44px)] desk:self-start";

/** The plates asked for: all by themselves while one page holds them, else as the server finds them. */
function useShelf() {
  const { room } = useHere();
  const [away, setAway] = useState(false);
  const [search, setSearch] = useState("");
  const [page, setPage] = useState(1);
  const opened = useQuery(platesQuery(room, { away })).data;
  const asked = hasPages(opened) ? { away, search, page } : { away };
  const found = useQuery({
    ...platesQuery(room, asked),
    placeholderData: (before, query) =>
      (query?.queryKey[2] as Asked | undefined)?.away === away ? before : undefined,
  }).data;
  const words = search.toLowerCase();
  return {
    away,
    search,
    list: found,
    total: opened?.total ?? 0,
    plates: (found?.items ?? []).filter((plate) =>
      `${plate.name} ${plate.metal} ${plate.route}`.toLowerCase().includes(words),
    ),
    go: setPage,
    swap: () => {
      setAway(!away);
      setPage(1);
    },
    find: (text: string) => {
      setSearch(text);
      setPage(1);
    },
  };
}

/** The rack: plates on edge, always at the side. */
export function Rack() {
  const { room } = useHere();
  const { away, search, list, total, plates, go, swap, find } = useShelf();
  const long = plates.length > MOST_STANDING;
  const empty = list !== undefined && total === 0 && !away;
  return (
    <nav
      aria-label="Rack"
      className={`uprights relative flex min-h-0 flex-col border-r border-line bg-wood-pale/70 max-desk:flex-row max-desk:overflow-x-auto max-desk:border-r-0 max-desk:border-b max-desk:[scrollbar-width:none] print:hidden ${long ? LONG : ""}`}
    >
      <div className="flex items-baseline justify-between pt-2.5 pr-3.5 pb-1.5 pl-4 max-desk:hidden">
        <h2 className="text-body">{away ? "Put away" : "Rack"}</h2>
        <TextButton className="note" onClick={swap}>
          {away ? "rack" : counted(total, "plate")}
        </TextButton>
      </div>
      <input
        className="mr-3 mb-2 ml-3.5 min-w-0 rounded-cut border border-line bg-paper-lift px-2 py-1 max-desk:hidden"
        type="search"
        aria-label="Find a plate by name, metal or route"
        placeholder="find"
        value={search}
        onChange={(event) => find(event.target.value)}
      />
      <ul
        className={`flex flex-1 flex-col max-desk:flex-row ${long ? "desk:min-h-0 desk:overflow-y-auto desk:[scrollbar-width:thin]" : ""}`}
      >
        {plates.map((plate) => (
          <Slot key={plate.id} plate={plate} />
        ))}
        {list && (hasPages(list) || list.broken.length > 0) ? (
          <li className="border-b-2 border-wood-deep px-4 pb-3 max-desk:flex-none max-desk:border-b-0 desk:[&_[role=status]]:order-first desk:[&_[role=status]]:basis-full">
            <Pages list={list} go={go} earlier="Before" later="After" />
          </li>
        ) : null}
        <li className="border-b-2 border-wood-deep max-desk:order-9 max-desk:flex-none max-desk:border-b-0">
          <Link
            to={`/r/${room}/plates/new`}
            className="flex min-h-11 items-center gap-2 px-4 text-ink-2 max-desk:h-full max-desk:whitespace-nowrap"
          >
            <Mark name="plus" size={16} />
            Put a plate in
          </Link>
        </li>
        {empty ? <Ghosts /> : null}
        <li className="flex-none px-4 max-desk:order-10 desk:hidden">
          <TextButton className="min-h-12 whitespace-nowrap" onClick={swap}>
            {away ? "Back to the rack" : "Put-away plates"}
          </TextButton>
        </li>
      </ul>
      <Foot />
    </nav>
  );
}

const GHOSTS_PX = [64, 90, 48, 118, 68];

/** Where plates will stand. */
function Ghosts() {
  return GHOSTS_PX.map((wide) => (
    <li
      key={wide}
      aria-hidden="true"
      className="flex h-18 items-center border-b-2 border-wood-deep px-4 max-desk:hidden"
    >
      <svg width={wide} height="11" aria-hidden="true">
        <path
          d={`M.7 10.3L4 .7H${wide - 4}L${wide - 0.7} 10.3Z`}
          className="fill-none stroke-ink-3"
          strokeDasharray="4 3"
        />
      </svg>
    </li>
  ));
}

/** The scale of the plates, and the house's own stamp. */
function Foot() {
  const { me } = useHere();
  return (
    <div
      aria-hidden="true"
      className="flex items-end justify-between pt-2 pr-3 pb-2.5 pl-4 max-desk:hidden"
    >
      <svg width="60" height="30" viewBox="-1 0 60 30" aria-hidden="true">
        <path
          d={`M0 16H${TEN_CM_PX}M0 8V16M16.5 8V16M33 8V16`}
          className="stroke-ink-2"
          fill="none"
        />
        <text x="0" y="29" fontSize="13" className="num">
          {me.length_unit === "in" ? "4 in" : "10 cm"}
        </text>
      </svg>
      <span className="-rotate-3 rounded-[50%] border border-ink-3 px-2.5 py-2 font-slab text-note leading-none font-bold tracking-wider text-ink-2">
        KEEN
        <br />
        BITE
      </span>
    </div>
  );
}

function Slot({ plate }: { plate: PlateCard }) {
  const { room, plate: current } = useParams();
  const inBath = plate.run?.in_bath ?? false;
  const here = plate.id === current;
  return (
    <li
      className={`relative border-b-2 border-wood-deep first:border-t max-desk:min-w-40 max-desk:flex-none max-desk:border-r-2 max-desk:border-b-0 max-desk:first:border-t-0 ${here ? "z-2 -mr-0.5 bg-paper max-desk:order-first max-desk:mr-0" : ""}`}
    >
      <Link
        to={`/r/${room}/plates/${plate.id}`}
        aria-current={here ? "page" : undefined}
        data-slot
        className="group relative z-1 block min-h-18 pt-2 pr-2 pb-1.5 pl-4 max-desk:min-h-19.5 max-desk:py-2.5 max-desk:pr-3.5 max-desk:pl-4.5"
      >
        <span className="block truncate font-slab leading-tight font-medium tracking-tight group-aria-[current]:font-black">
          {plate.name}
        </span>
        <span className="mt-1 mb-1 block h-2.5 transition-transform group-aria-[current]:translate-x-3 max-desk:group-aria-[current]:translate-x-0 max-desk:group-aria-[current]:translate-y-0.5">
          <PlateEdge metal={plate.metal} longMm={Math.max(plate.width_mm, plate.height_mm)} />
        </span>
        <span
          className={`flex items-center gap-1.5 text-note leading-4 whitespace-nowrap [&>svg]:size-4 [&>svg]:flex-none ${plate.place === "bath" ? "font-semibold text-verdigris" : "text-ink-2"}`}
        >
          <Mark name={placeMark(plate.place, inBath)} />
          {inBath && plate.run ? <InBath run={plate.run} /> : plate.place_text}
        </span>
      </Link>
    </li>
  );
}

function InBath({ run }: { run: NonNullable<PlateCard["run"]> }) {
  if (run.stale || run.lift_seconds == null) return <span>in the bath: lifted?</span>;
  return (
    <span>
      in the bath <LeftUntil at={run.lift_seconds} />
    </span>
  );
}
