const LINES: Record<number, number[]> = {
  0: [],
  1: [8],
  2: [5.5, 10.5],
  3: [4.2, 8, 11.8],
  4: [3.6, 6.5, 9.5, 12.4],
  5: [3.4, 5.7, 8, 10.3, 12.6],
};

/** A tone where grain cannot be read: none to five lines, crossed at five. */
export function ToneSign({ tone, size = 18 }: { tone: number; size?: number }) {
  const ys = LINES[Math.min(5, Math.max(0, tone))] ?? [];
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden="true">
      <rect
        x=".75"
        y=".75"
        width="14.5"
        height="14.5"
        fill="var(--color-paper-lift)"
        stroke="var(--color-ink)"
        strokeWidth="1.3"
      />
      {ys.map((y) => (
        <path key={y} d={`M2 ${y}H14`} stroke="var(--color-ink)" strokeWidth="1.3" />
      ))}
      {tone >= 5
        ? ys.map((x) => (
            <path key={x} d={`M${x} 2V14`} stroke="var(--color-ink)" strokeWidth="1.3" />
          ))
        : null}
    </svg>
  );
}
