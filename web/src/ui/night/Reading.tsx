import type { ReactNode } from "react";

/** One reading of the dark room: its name, its figure. */
export function Reading({
  name,
  glow,
  children,
}: {
  name: ReactNode;
  glow?: boolean;
  children: ReactNode;
}) {
  return (
    <div className="min-w-0 border-night-line pt-2.5 not-first:border-l-2 not-first:pl-5.5 max-desk:not-first:pl-4 max-phone:pt-2 max-phone:not-first:pl-2.5 short:pt-1 flat:pt-1 flat:not-first:pl-2.5">
      <dt className="flex items-center gap-2 text-far leading-[30px] whitespace-nowrap text-night-ink-2 max-desk:text-h3 max-phone:gap-1 max-phone:text-note max-phone:leading-5 short:text-h3 flat:gap-1 flat:text-note flat:leading-5 [&>svg]:size-7 flat:[&>svg]:size-4! [&>svg]:flex-none [&>svg]:text-night-ferric [&>svg]:[--cut:var(--color-night)] max-phone:[&>svg]:size-4">
        {name}
      </dt>
      <dd
        className={`num text-far-3 leading-none font-bold whitespace-nowrap max-desk:text-far-2 max-phone:text-h1 short:text-far-2 flat:text-h2 ${glow ? "text-night-ferric" : ""}`}
      >
        {children}
      </dd>
    </div>
  );
}
