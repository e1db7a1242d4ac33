import type { ReactNode } from "react";
import { Link } from "react-router";
import { Key } from "../ui/Key";
import { Mark, type MarkName } from "../ui/Mark";
import { TimeWord } from "../ui/Ticking";
import { wallClock } from "../ui/times";
import { useHere } from "./useHere";

/** The bar of the dark room: what is so, of which plate, and the time on the wall. */
export function NightBar({
  mark,
  state,
  name,
  children,
}: {
  mark: MarkName;
  state: string;
  name: string;
  children: ReactNode;
}) {
  const { zone } = useHere();
  return (
    <header className="group col-span-full flex min-w-0 items-center border-b-2 border-night-line in-data-over:bg-night-ferric in-data-over:text-night in-data-over:**:text-night!">
      <div className="flex min-w-89 flex-none items-center gap-4 self-stretch bg-(--glow) px-7 text-h1 leading-none font-black whitespace-nowrap text-night max-desk:min-w-0 max-desk:px-5 max-phone:gap-2.5 max-phone:px-3 max-phone:text-h3 [&>svg]:size-11.5 [&>svg]:flex-none max-phone:[&>svg]:size-7.5 short:text-far flat:min-w-0 flat:px-4 flat:text-h3 flat:[&>svg]:size-7">
        <Mark name={mark} /> {state}
      </div>
      <h1 className="mr-5.5 ml-7 flex-none truncate text-far font-semibold group-has-data-waits:mr-3.5 group-has-data-waits:ml-5 max-desk:ml-4.5 max-desk:flex-initial max-phone:hidden">
        {name}
      </h1>
      {children}
      <span className="num max-desk:ml-auto pr-7.5 text-h1 leading-none font-semibold max-phone:pr-3.5 max-phone:text-h2">
        <TimeWord told={(now) => wallClock(now, zone)} />
      </span>
    </header>
  );
}

/** The way out of the dark room. */
export function WayOut({ to, word }: { to: string; word: string }) {
  return (
    <Link
      to={to}
      aria-label={word}
      className="mr-5 ml-auto flex min-h-12 items-center gap-2.5 px-2 text-h3 whitespace-nowrap text-night-ink-2 [button+&]:ml-0 max-phone:ml-auto!"
    >
      <Key className="h-8.5! text-lead! max-phone:hidden">Esc</Key>
      <span className="group-has-data-waits:hidden max-desk:hidden">{word}</span>
      <span aria-hidden="true" className="text-h1 leading-none text-night-ink phone:hidden">
        ×
      </span>
    </Link>
  );
}
