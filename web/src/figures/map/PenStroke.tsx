const PENS = new Set(["white", "yellow", "pink", "blue", "green", "orange", "violet", "grey"]);

/** The colour of a pen; one with a name of the room's own is drawn in ink. */
export const penColour = (pen: string) =>
  PENS.has(pen) ? `var(--color-pen-${pen})` : "var(--color-ink-3)";

/** A stroke of a pen: always beside its name. */
export function PenStroke({ pen, className = "" }: { pen: string; className?: string }) {
  return (
    <svg viewBox="0 0 180 48" aria-hidden="true" className={className}>
      <g fill="none" strokeLinecap="round" stroke={penColour(pen)} strokeWidth="15">
        <path d="M14 14Q90 6 160 12" />
        <path d="M16 24Q90 19 168 24" />
        <path d="M12 36Q90 32 158 36" />
      </g>
      <g fill="none" strokeLinecap="round" stroke="var(--color-ink)" strokeWidth="1" opacity=".55">
        <path d="M12 6Q90 -1 164 5M10 43Q90 40 160 43" />
      </g>
    </svg>
  );
}

/** A pen's dot in a row of stages. */
export function PenDot({ pen }: { pen: string }) {
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true" className="flex-none">
      <circle
        cx="7"
        cy="7"
        r="5.5"
        fill={penColour(pen)}
        stroke="var(--color-ink)"
        strokeWidth="1.3"
      />
    </svg>
  );
}
