import { createContext, type ReactNode, useCallback, useContext, useEffect, useState } from "react";

type Said = { text: string; undo?: () => void };
const Say = createContext<(said: Said) => void>(() => {});
const STAYS_MS = 8_000;

export const useSay = () => useContext(Say);

/** Says what happened, for a while, and lets it be taken back. */
export function Toasts({ children }: { children: ReactNode }) {
  const [said, setSaid] = useState<Said | null>(null);
  const [held, setHeld] = useState(false);
  const say = useCallback((next: Said) => setSaid(next), []);
  useEffect(() => {
    if (!said || held) return;
    const timer = setTimeout(() => setSaid(null), STAYS_MS);
    return () => clearTimeout(timer);
  }, [said, held]);
  return (
    <Say.Provider value={say}>
      {children}
      <div
        role="status"
        onMouseEnter={() => setHeld(true)}
        onMouseLeave={() => setHeld(false)}
        onFocus={() => setHeld(true)}
        onBlur={() => setHeld(false)}
      >
        {said ? (
          <div className="toast">
            <span>{said.text}</span>
            {said.undo ? (
              <button
                type="button"
                className="btn"
                onClick={() => {
                  said.undo?.();
                  setSaid(null);
                }}
              >
                Undo
              </button>
            ) : null}
          </div>
        ) : null}
      </div>
    </Say.Provider>
  );
}
