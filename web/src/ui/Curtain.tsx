import { type ReactNode, useState } from "react";

type Props = {
  label: string;
  left: ReactNode;
  right: ReactNode;
  leftName: ReactNode;
  rightName: ReactNode;
  children?: ReactNode;
  start?: number;
};

/** Two pictures of one size, the one drawn aside over the other; arrows move it, Home and End. */
export function Curtain({ label, left, right, leftName, rightName, children, start = 45 }: Props) {
  const [at, setAt] = useState(start);
  return (
    <div>
      <div className="relative overflow-hidden border-[1.5px] border-ink">
        {right}
        <div className="absolute inset-0" style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}>
          {left}
        </div>
        <span
          aria-hidden="true"
          className="absolute inset-y-0 w-0.75 -translate-x-1/2 bg-paper-lift outline outline-ink"
          style={{ left: `${at}%` }}
        />
        {at > 12 ? <Name className="left-2">{leftName}</Name> : null}
        {at < 88 ? <Name className="right-2">{rightName}</Name> : null}
        {children}
      </div>
      <input
        type="range"
        aria-label={label}
        min={0}
        max={100}
        value={at}
        onChange={(event) => setAt(Number(event.target.value))}
        className="mt-1 block h-8 w-full accent-ink pointer-coarse:h-12"
      />
    </div>
  );
}

function Name({ className, children }: { className: string; children: ReactNode }) {
  return (
    <span
      className={`absolute top-2 rounded-cut border border-ink bg-paper-lift px-2 py-0.5 font-semibold ${className}`}
    >
      {children}
    </span>
  );
}
