import type { ReactNode } from "react";
import type { Shapes } from "../api/client";
import { Mark } from "./Mark";
import { Said } from "./Said";

const COLOUR = { danger: "text-vermilion", care: "text-ferric-deep" } as const;

/** A caution: what may happen, what to do about it, what to do when it went wrong. */
export function CautionCard({
  caution,
  children,
}: {
  caution: Shapes["Caution"];
  children?: ReactNode;
}) {
  const colour = COLOUR[caution.level];
  return (
    <div className="my-3 flex gap-3">
      <span className={`flex-none ${colour}`}>
        <Mark name={caution.level} size={26} />
      </span>
      <div>
        <h3 className={`text-lead ${colour}`}>{caution.title}</h3>
        <p className="mt-0.5">
          <Said>{caution.text}</Said>
        </p>
        <p className="note mt-0.5">
          <b>If it went wrong:</b> <Said>{caution.now}</Said>
        </p>
        {children}
      </div>
    </div>
  );
}
