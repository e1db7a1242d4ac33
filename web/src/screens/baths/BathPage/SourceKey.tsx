import type { ReactNode } from "react";
import type { BathPage } from "../../../api/baths";

/** What the marks of the figure stand for: those that are in it. */
export function SourceKey({ page }: { page: BathPage }) {
  const drawn = (kind: string) => page.checks.some((check) => check.kind === kind);
  return (
    <ul className="mt-3 grid gap-1.5 border-t border-hair pt-2.5 text-note">
      <Row text="where it lies, 19 times in 20">
        <rect width="33" height="15" x=".5" fill="url(#bath-band)" className="stroke-ink-3" />
      </Row>
      {drawn("coupon") ? (
        <Row text="coupon, with its error">
          <path d="M9 12L12 2H22L25 12Z" className="fill-copper stroke-ink" />
        </Row>
      ) : null}
      {drawn("check-patch") ? (
        <Row text="check patch, with its error">
          <Square fill="url(#bath-grain)" />
        </Row>
      ) : null}
      {drawn("lines") ? (
        <Row text="lines measured, with their error">
          <Square fill="url(#bath-grooves)" />
        </Row>
      ) : null}
    </ul>
  );
}

function Row({ text, children }: { text: string; children: ReactNode }) {
  return (
    <li className="flex items-center gap-2.5">
      <svg width="34" height="15" aria-hidden="true">
        {children}
      </svg>
      {text}
    </li>
  );
}

const Square = ({ fill }: { fill: string }) => (
  <rect x="11" y="1" width="12" height="12" fill={fill} className="stroke-ink" />
);
