import type { ComponentProps, ReactNode } from "react";

type Room = { out: boolean; over?: boolean; children: ReactNode };

/** The dark room: bar, figure and readings, and the control at the foot, or beside where it is flat. */
export function Night({ out, over, children }: Room) {
  return (
    <main
      data-out={out || undefined}
      data-over={over || undefined}
      className="at-the-bath fixed inset-0 grid grid-cols-[356px_minmax(0,1fr)] grid-rows-[76px_minmax(0,1fr)_148px] overflow-hidden bg-night text-night-ink max-desk:grid-cols-[minmax(0,1fr)] max-desk:grid-rows-[76px_auto_minmax(0,1fr)_236px] max-desk:overflow-auto max-phone:grid-rows-[60px_auto_minmax(0,1fr)_206px] short:grid-rows-[60px_minmax(0,1fr)_112px] flat:grid-cols-[minmax(0,1fr)_236px] flat:grid-rows-[56px_minmax(0,1fr)] flat:overflow-hidden"
    >
      {children}
    </main>
  );
}

/** The room out of the bath: what to do at the left, facts at the right. */
export function OutPart({ children }: { children: ReactNode }) {
  return (
    <div className="col-span-full grid min-h-0 grid-cols-2 gap-9 overflow-auto px-8 pt-5.5 pb-2 max-desk:row-span-2 max-desk:grid-cols-[minmax(0,1fr)] max-desk:content-start max-desk:gap-5 max-phone:px-4 max-phone:pt-3.5 flat:col-span-1 flat:row-span-1 flat:grid-cols-[minmax(0,1fr)] flat:content-start flat:gap-3 flat:px-5 flat:pt-3">
      {children}
    </div>
  );
}

export function FarTitle({ children }: { children: ReactNode }) {
  return (
    <h1 className="mb-3.5 text-far-3 leading-none font-bold max-phone:mb-2 max-phone:text-show short:text-far-2 flat:mb-1.5 flat:text-h1">
      {children}
    </h1>
  );
}

export function FarText({ children }: { children: ReactNode }) {
  return (
    <p className="text-far-2 leading-[1.14] font-semibold tracking-tight max-phone:text-h2 short:text-h1 flat:text-h2">
      {children}
    </p>
  );
}

/** What was understood of the last press, or what to beware of. */
export function Said({ className = "", ...rest }: ComponentProps<"p">) {
  return (
    <p
      className={`mt-1.5 text-h2 leading-tight font-medium text-night-ferric max-phone:text-lead ${className}`}
      {...rest}
    />
  );
}

/** A button of the dark room. */
export function NightButton({
  plain,
  className = "",
  ...rest
}: ComponentProps<"button"> & { plain?: boolean }) {
  return (
    <button
      type="button"
      className={`min-h-18 rounded-key px-6.5 text-far leading-none font-bold disabled:opacity-60 max-phone:min-h-15 max-phone:px-4 max-phone:text-h3 ${plain ? "border-2 border-night-line text-night-ink" : "bg-night-ink text-night"} ${className}`}
      {...rest}
    />
  );
}
