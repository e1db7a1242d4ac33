/** The dimension line that a field of a drawing stands on. */
export function Dimension({ px, upright = false }: { px: number; upright?: boolean }) {
  const long = Math.max(24, px);
  const line = `M.75 3V17M${long - 0.75} 3V17M2 10H${long - 2}`;
  const heads = `M1 10l8-4v8ZM${long - 1} 10l-8-4v8Z`;
  return (
    <svg
      className="absolute inset-0 block overflow-visible"
      width={upright ? 20 : long}
      height={upright ? long : 20}
      aria-hidden="true"
    >
      <g transform={upright ? "matrix(0 1 1 0 0 0)" : undefined}>
        <path d={line} className="stroke-copper-deep" strokeWidth="1.5" />
        <path d={heads} className="fill-copper-deep" />
      </g>
    </svg>
  );
}
