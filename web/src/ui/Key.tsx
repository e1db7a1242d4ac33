/** A keycap. */
export function Key({ children, className = "" }: { children: string; className?: string }) {
  return (
    <span
      className={`inline-flex h-6 min-w-6 items-center justify-center rounded-key border border-b-3 border-current px-1.5 font-mono text-note leading-none font-semibold ${className}`}
    >
      {children}
    </span>
  );
}
