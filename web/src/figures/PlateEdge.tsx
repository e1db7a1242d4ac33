const PX_PER_MM = 0.33;

/** A plate seen on edge, in the colour of its metal, as long as it is. */
export function PlateEdge({ metal, longMm }: { metal: string; longMm: number }) {
  const w = Math.min(146, Math.round(longMm * PX_PER_MM));
  return (
    <svg
      className="overflow-visible"
      width={w}
      height="10"
      viewBox={`0 0 ${w} 10`}
      aria-hidden="true"
    >
      {edge(metal, w)}
    </svg>
  );
}

function edge(metal: string, w: number) {
  const bevelled = `M0 10L4 0H${w - 4}L${w} 10Z`;
  if (metal === "plastic") {
    return (
      <g>
        <path
          d={`M.6 9.4L4 .6H${w - 4}L${w - 0.6} 9.4Z`}
          fill="var(--color-plastic-pale)"
          stroke="var(--color-plastic-line)"
          strokeWidth="1.3"
        />
        <path d={`M7 5H${w - 7}`} stroke="var(--color-plastic-line)" strokeDasharray="7 3" />
      </g>
    );
  }
  if (metal === "polymer") {
    return (
      <g>
        <path d={`M0 10V5.5H${w}V10Z`} fill="var(--color-polymer-back)" />
        <path d={`M0 5.5V0H${w}V5.5Z`} fill="var(--color-polymer)" />
        <path d={`M0 .7H${w}`} stroke="var(--color-polymer-pale)" strokeWidth="1.3" />
      </g>
    );
  }
  const zinc = metal === "zinc";
  const ticks = Array.from({ length: Math.max(0, Math.floor((w - 11) / 5)) }, (_, i) => 7 + i * 5);
  return (
    <g>
      <path d={bevelled} fill={zinc ? "var(--color-zinc)" : "var(--color-copper)"} />
      <path
        d={`M4 .8H${w - 4}`}
        stroke={zinc ? "var(--color-zinc-pale)" : "var(--color-copper-bright)"}
        strokeWidth="1.4"
      />
      {zinc
        ? ticks.map((x) => <path key={x} d={`M${x} 2.5V9`} stroke="var(--color-zinc-deep)" />)
        : null}
      <path
        d={`M1.5 9.4H${w - 1.5}`}
        stroke={zinc ? "var(--color-zinc-dark)" : "var(--color-copper-dark)"}
        strokeWidth="1.2"
      />
    </g>
  );
}
