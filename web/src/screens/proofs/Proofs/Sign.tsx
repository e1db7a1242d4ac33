import type { ReactNode } from "react";

type Props = { place: "left" | "right" | null; children: ReactNode };

/** A state by its name, with the square it is known by: hollow left, solid right. */
export function Sign({ place, children }: Props) {
  return (
    <span className="flex items-center gap-1.5">
      {children}
      {place ? (
        <span
          aria-hidden="true"
          className={`size-3 border-2 border-ink ${place === "right" ? "bg-ink" : ""}`}
        />
      ) : null}
    </span>
  );
}
