import type { ComponentProps, ReactNode } from "react";

/** A part of a page under its heavy rule. */
export function Section({ className = "", ...rest }: ComponentProps<"section">) {
  return <section className={`mt-5 border-t-2 border-ink pt-3 ${className}`} {...rest} />;
}

/** The head of a page: what it is, a word about it, and what to do at the right. */
export function PageHead({
  title,
  note,
  children,
}: {
  title: ReactNode;
  note?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <header className="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2">
      <h1 className="max-phone:text-far">{title}</h1>
      {note ? <span className="note">{note}</span> : null}
      {children ? (
        <span className="ml-auto flex flex-wrap items-center gap-3">{children}</span>
      ) : null}
    </header>
  );
}

const SIDES = {
  narrow: "grid-cols-[minmax(0,1fr)_300px]",
  wide: "grid-cols-[minmax(0,1fr)_448px]",
  even: "grid-cols-[minmax(0,5fr)_minmax(0,6fr)]",
  list: "grid-cols-[210px_minmax(0,1fr)]",
  steps: "grid-cols-[300px_minmax(0,1fr)]",
} as const;

/** Two columns, one under the other where there is no room for both. */
export function Beside({
  side = "narrow",
  className = "",
  ...rest
}: ComponentProps<"div"> & { side?: keyof typeof SIDES }) {
  return (
    <div
      className={`grid items-start gap-x-7 gap-y-6 max-desk:grid-cols-[minmax(0,1fr)] print:block ${SIDES[side]} ${className}`}
      {...rest}
    />
  );
}

/** Nothing here yet: what is missing, why it matters, the first step. */
export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="grid max-w-140 justify-items-start gap-3 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4.5 text-ink-2">
      <h2 className="text-h3 text-ink">{title}</h2>
      {children}
    </div>
  );
}

/** A fact in the head of a plate or a bath. */
export function Fact({ name, children }: { name: ReactNode; children: ReactNode }) {
  return (
    <dl className="border-hair px-5 py-2.5 not-first:border-l max-phone:flex-1 max-phone:border-t max-phone:border-l-0!">
      <dt className="note">{name}</dt>
      <dd className="mt-0.5 text-lead font-bold whitespace-nowrap max-phone:whitespace-normal">
        {children}
      </dd>
    </dl>
  );
}

/** A plate mark at the head of a page: a name, a line about it, facts. */
export function MarkHead({
  title,
  about,
  children,
}: {
  title: ReactNode;
  about: ReactNode;
  children?: ReactNode;
}) {
  return (
    <header className="plate-mark mb-1 flex items-stretch max-phone:flex-wrap">
      <div className="min-w-0 flex-1 px-5 py-2.5 max-phone:basis-full">
        <h1 className="max-phone:text-far">{title}</h1>
        <p className="mt-1 flex flex-wrap items-center gap-2.5 text-ink-2">{about}</p>
      </div>
      {children}
    </header>
  );
}
