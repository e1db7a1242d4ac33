import type { ComponentProps, ReactNode } from "react";
import { Key } from "../Key";

/** The controls at the foot of the dark room: one big, three small. */
export function Foot({ children }: { children: ReactNode }) {
  return (
    <footer className="col-span-full grid grid-cols-[minmax(0,1fr)_176px_196px_168px] border-t-2 border-night-line max-desk:row-start-4 max-desk:grid-cols-3 max-desk:grid-rows-[140px_1fr] max-phone:grid-rows-[122px_1fr] flat:col-span-1 flat:col-start-2 flat:row-start-2 flat:grid-cols-1 flat:grid-rows-[minmax(96px,1fr)_repeat(3,minmax(48px,56px))] flat:border-t-0 flat:border-l-2">
      {children}
    </footer>
  );
}

/** The key of the big control. */
export function SpaceKey() {
  return <Key className="h-14.5! px-4.5! text-far! max-phone:hidden flat:hidden">Space</Key>;
}

const BIG = {
  go: "bg-night-verdigris text-far-4 text-night outline-solid",
  wait: "bg-night-2 text-far-3 text-night-ink outline-dashed",
  ask: "bg-night-ferric text-far-3 text-night outline-solid",
};

/** The control that hands in wet gloves find. */
export function Big({ look, ...rest }: ComponentProps<"button"> & { look: keyof typeof BIG }) {
  return (
    <button
      type="button"
      className={`flex min-h-24 items-center justify-center gap-7 px-4 font-slab leading-none font-black outline-[5px] -outline-offset-12 outline-night-ink disabled:bg-night-2 disabled:text-night-ink max-desk:col-span-full max-phone:gap-4.5 max-phone:text-far-3 [&>svg]:size-23 [&>svg]:flex-none max-phone:[&>svg]:size-15 short:text-far-3 short:[&>svg]:size-15 flat:flex-col flat:gap-1.5 flat:px-3 flat:text-far-2 flat:[&>svg]:size-11 ${BIG[look]}`}
      {...rest}
    />
  );
}

/** A smaller control beside it. */
export function Small({
  letter,
  children,
  ...rest
}: ComponentProps<"button"> & { letter: string; children: ReactNode }) {
  return (
    <button
      type="button"
      className="flex min-h-24 flex-col items-center justify-center gap-3 border-l-2 border-night-line px-1 text-far font-semibold disabled:text-night-ink-2 max-desk:flex-row max-desk:border-t-2 max-desk:text-h2 max-desk:first-of-type:border-l-0 max-phone:min-h-16 max-phone:text-lead flat:min-h-0 flat:border-t-2 flat:border-l-0 flat:text-lead"
      {...rest}
    >
      <Key className="h-12.5! min-w-13.5! rounded-plate! border-2! border-b-5! text-far! max-phone:hidden short:hidden! flat:hidden!">
        {letter}
      </Key>
      {children}
    </button>
  );
}
