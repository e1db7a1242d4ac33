/** The surfaces of a bath's figures. */
export function BathPatterns() {
  return (
    <defs>
      <pattern id="bath-band" width="4" height="4" patternUnits="userSpaceOnUse">
        <path d="M1 0V4" stroke="var(--color-ink)" strokeOpacity=".42" strokeWidth="1" />
      </pattern>
      <pattern id="bath-liquor" width="22" height="7" patternUnits="userSpaceOnUse">
        <path d="M2 3.5H12M15 6.5H20" stroke="var(--color-ink)" strokeOpacity=".3" />
      </pattern>
      <pattern id="bath-ticks" width="26" height="6" patternUnits="userSpaceOnUse">
        <path d="M0 2H11M0 5H7" stroke="var(--color-ink)" strokeWidth="1.2" />
      </pattern>
      <pattern
        id="bath-spent"
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0V7" stroke="var(--color-ferric-deep)" strokeOpacity=".55" strokeWidth="1.3" />
      </pattern>
      <pattern
        id="bath-grain"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(20)"
      >
        <rect width="6" height="6" className="fill-ink" />
        <circle cx="2" cy="2" r="1.3" className="fill-paper-lift" />
        <circle cx="4.8" cy="4.6" r="1" className="fill-paper-lift" />
      </pattern>
      <pattern id="bath-grooves" width="5" height="28" patternUnits="userSpaceOnUse">
        <rect width="5" height="28" className="fill-paper-lift" />
        <path d="M2.5 0V28" stroke="var(--color-ink)" strokeWidth="1.6" />
      </pattern>
      <pattern id="bath-steps" width="28" height="8" patternUnits="userSpaceOnUse">
        <rect width="28" height="8" className="fill-paper-lift" />
        <path d="M7 0h7v8h-7z" className="fill-ink" fillOpacity=".3" />
        <path d="M14 0h7v8h-7z" className="fill-ink" fillOpacity=".6" />
        <path d="M21 0h7v8h-7z" className="fill-ink" />
      </pattern>
    </defs>
  );
}
