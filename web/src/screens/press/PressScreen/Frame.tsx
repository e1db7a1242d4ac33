import type { ComponentProps, ReactNode } from "react";
import { Link } from "react-router";
import { useHere } from "../../../frame/useHere";
import { Key } from "../../../ui/Key";
import { Mark, type MarkName } from "../../../ui/Mark";
import { TimeWord } from "../../../ui/Ticking";
import { wallClock } from "../../../ui/times";

/** At the press: a bar, the figure and what to do, the controls at the foot. */
export function Frame({ children }: { children: ReactNode }) {
  return (
    <main className="at-the-press fixed inset-0 grid grid-rows-[76px_minmax(0,1fr)_auto] overflow-hidden max-phone:grid-rows-[56px_minmax(0,1fr)_auto] flat:grid-cols-[minmax(0,1fr)_236px] flat:grid-rows-[52px_minmax(0,1fr)]">
      {children}
    </main>
  );
}

type BarProps = {
  mark: MarkName;
  state: string;
  name: string;
  number: string;
  /** Of how many. */
  of: string;
  out: string;
};

/** What is going on, of which plate, which impression, the time on the wall. */
export function Bar({ mark, state, name, number, of, out }: BarProps) {
  const { zone } = useHere();
  return (
    <header className="flex min-w-0 items-center border-b-2 border-ink bg-paper-lift flat:col-span-full">
      <div className="flex flex-none items-center gap-4 self-stretch bg-ink px-7 text-far font-bold whitespace-nowrap text-paper-lift max-desk:px-4 max-phone:gap-2 max-phone:px-3 max-phone:text-h3 [&>svg]:size-10 max-phone:[&>svg]:size-6">
        <Mark name={mark} /> {state}
      </div>
      <h1 className="ml-7 min-w-0 truncate text-far max-desk:ml-4 max-phone:sr-only">{name}</h1>
      <span className="ml-5 truncate text-h2 text-ink-2 max-phone:ml-3 max-phone:text-lead">
        {number}
        <span className="max-phone:hidden">{of}</span>
      </span>
      <Link
        to={out}
        aria-label="Plate page"
        className="ml-auto flex min-h-12 min-w-12 items-center justify-center gap-2.5 px-2 text-h3 whitespace-nowrap text-ink-2"
      >
        <Key className="max-phone:hidden">Esc</Key>
        <span className="max-desk:hidden">Plate page</span>
        <span aria-hidden="true" className="text-h1 leading-none text-ink phone:hidden">
          ×
        </span>
      </Link>
      <span className="num px-6 text-h1 leading-none font-bold max-phone:px-3 max-phone:text-h2">
        <TimeWord told={(now) => wallClock(now, zone)} />
      </span>
    </header>
  );
}

/** The figure at the left, what to do at the right; one column on a phone, the words first. */
export function Body({ figure, children }: { figure: ReactNode; children: ReactNode }) {
  return (
    <div className="grid min-h-0 grid-cols-[minmax(0,604px)_minmax(0,1fr)] gap-x-9 overflow-auto px-6.5 pt-5 pb-4 max-desk:grid-cols-[minmax(0,1fr)] max-desk:content-start max-desk:gap-y-4 max-phone:px-4 max-phone:pt-3">
      <div className="min-w-0 max-desk:row-start-2 max-desk:max-w-150">{figure}</div>
      <div className="min-w-0 max-desk:contents">{children}</div>
    </div>
  );
}

/** The controls: one big, three small. */
export function Foot({ children }: { children: ReactNode }) {
  return (
    <footer className="relative grid grid-cols-[minmax(0,1fr)_196px_224px_176px] border-t-2 border-ink bg-paper max-desk:grid-cols-3 max-desk:grid-rows-[132px_78px] max-phone:grid-rows-[116px_70px] flat:grid-cols-1 flat:grid-rows-[minmax(96px,1fr)_repeat(3,56px)] flat:border-t-0 flat:border-l-2">
      {children}
    </footer>
  );
}

/** The control that inky hands find. */
export function Big({ mark, children, ...rest }: ComponentProps<"button"> & { mark: MarkName }) {
  return (
    <button
      type="button"
      className="flex min-h-36.5 items-center justify-center gap-7 bg-ink px-4 font-slab text-far-3 leading-none font-black text-paper-lift outline-[5px] -outline-offset-12 outline-paper-lift outline-solid disabled:opacity-60 max-desk:col-span-full max-desk:min-h-0 max-phone:gap-4 max-phone:text-far-2 flat:flex-col flat:text-h1 [&>svg]:size-19 [&>svg]:flex-none max-phone:[&>svg]:size-12 flat:[&>svg]:size-10"
      {...rest}
    >
      <Mark name={mark} />
      {children}
      <Key className="h-13! px-5! text-far! max-desk:hidden">Space</Key>
    </button>
  );
}

/** A smaller control beside it. */
export function Small({
  letter,
  children,
  ...rest
}: ComponentProps<"button"> & { letter: string }) {
  return (
    <button
      type="button"
      className="flex flex-col items-center justify-center gap-3 border-l-2 border-line px-1 text-h2 font-semibold disabled:text-ink-3 max-desk:border-t-2 max-desk:first-of-type:border-l-0 max-phone:text-lead flat:border-l-0 flat:text-lead"
      {...rest}
    >
      <Key className="h-12.5! min-w-13! text-far! max-desk:hidden">{letter}</Key>
      {children}
    </button>
  );
}

/** The verb in the largest type, one sentence under it. */
export function Says({
  verb,
  what,
  care,
  beside,
}: {
  verb: string;
  what: ReactNode;
  care?: ReactNode;
  beside?: ReactNode;
}) {
  return (
    <div className="max-desk:row-start-1">
      <div className="flex items-start gap-4">
        <h2 className="mr-auto text-far-4 leading-[0.95] font-bold max-phone:text-far-3">{verb}</h2>
        {beside}
      </div>
      <p className="mt-2 text-h1 leading-tight font-bold max-phone:text-h2" aria-live="polite">
        {what} {care ? <span className="text-copper-deep">{care}</span> : null}
      </p>
    </div>
  );
}

/** A part at the right under its rule. */
export function Part({ children, className = "" }: { children: ReactNode; className?: string }) {
  return (
    <div className={`mt-4 border-t-2 border-ink pt-3 max-desk:mt-0 ${className}`}>{children}</div>
  );
}

/** A row that is typed into or chosen from, over the controls. */
export function Panel({
  title,
  close,
  children,
}: {
  title: string;
  close: () => void;
  children: ReactNode;
}) {
  return (
    <section
      aria-label={title}
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        event.stopPropagation();
        close();
      }}
      className="absolute inset-x-0 bottom-full z-10 flex max-h-[70vh] flex-wrap items-end gap-4 overflow-auto border-t-2 border-ink bg-paper-lift px-7 py-4 text-lead max-phone:px-4"
    >
      <h3 className="basis-full text-h2">{title}</h3>
      {children}
    </section>
  );
}
