import type { ComponentProps } from "react";
import { Link, type LinkProps } from "react-router";

export type Look = "strong" | "plain" | "quiet" | "row" | "bath" | "danger";

const FRAME =
  "inline-flex min-h-11 items-center justify-center gap-2.5 whitespace-nowrap rounded-cut border-[1.5px] text-body leading-tight font-semibold no-underline active:translate-y-px pointer-coarse:min-h-12 disabled:border-dashed disabled:border-ink-3 disabled:bg-transparent disabled:text-ink-3 print:hidden [&>svg]:size-5.5 [&>svg]:flex-none";
const LOOKS: Record<Look, string> = {
  strong: "border-ink px-4 bg-ink text-paper-lift",
  plain: "border-ink px-4 bg-paper-lift text-ink",
  quiet:
    "border-transparent bg-transparent px-1.5 text-ink underline decoration-1 underline-offset-4",
  /** In a row of a table: as high as the row on a desk, as a finger on a tablet. */
  row: "min-h-8! border-transparent bg-transparent px-1.5 text-ink underline decoration-1 underline-offset-4 pointer-coarse:min-h-11!",
  bath: "border-verdigris px-4 bg-verdigris text-white",
  danger: "border-vermilion px-4 bg-vermilion text-white",
};

/** How a button looks; one strong one on a page. */
export const buttonLook = (look: Look = "plain") => `${FRAME} ${LOOKS[look]}`;

export function Button({
  look,
  className = "",
  ...rest
}: ComponentProps<"button"> & { look?: Look }) {
  return <button type="button" className={`${buttonLook(look)} ${className}`} {...rest} />;
}

export function ButtonLink({ look, className = "", ...rest }: LinkProps & { look?: Look }) {
  return <Link className={`${buttonLook(look)} ${className}`} {...rest} />;
}

/** Words to press, in a line of text. */
export function TextButton({ className = "", ...rest }: ComponentProps<"button">) {
  return <button type="button" className={`underline underline-offset-3 ${className}`} {...rest} />;
}

/** Take a row out. */
export function TakeOut({ what, onClick }: { what: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={`Take out ${what}`}
      className="min-h-10 px-2 text-h3 leading-none pointer-coarse:min-h-12"
      onClick={onClick}
    >
      ×
    </button>
  );
}
