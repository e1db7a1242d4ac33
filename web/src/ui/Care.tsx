import type { ReactNode } from "react";
import { Mark } from "./Mark";

type Props = {
  children: ReactNode;
  more?: ReactNode;
  level?: "care" | "danger";
  role?: "alert";
  className?: string;
};

/** Take care: the lozenge, what is so, and what to do. */
export function Care({ children, more, level = "care", role, className = "" }: Props) {
  const colour = level === "danger" ? "text-vermilion" : "text-ferric-deep";
  return (
    <p
      role={role}
      className={`flex items-start gap-2 leading-snug font-semibold ${colour} ${className}`}
    >
      <span className="mt-px flex-none">
        <Mark name={level} size={17} />
      </span>
      <span>
        {children}
        {more ? <small className="note block font-normal">{more}</small> : null}
      </span>
    </p>
  );
}
