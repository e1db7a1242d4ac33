import { createContext, type ReactNode, useCallback, useContext, useEffect, useState } from "react";
import { Button } from "./Button";

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
        {said ? <Bar said={said} close={() => setSaid(null)} /> : null}
      </div>
    </Say.Provider>
  );
}

function Bar({ said, close }: { said: Said; close: () => void }) {
  const undo = () => {
    said.undo?.();
    close();
  };
  return (
    <div className="fixed bottom-5 left-49 [body:has(.at-the-bath)_&]:top-22 [body:has(.at-the-bath)_&]:bottom-auto z-30 flex max-w-[min(620px,calc(100vw-32px))] min-w-75 items-center gap-4.5 rounded-cut bg-ink py-2.5 pr-3.5 pl-4.5 text-paper-lift max-phone:inset-x-4 max-phone:top-3 max-phone:bottom-auto print:hidden">
      <span>{said.text}</span>
      {said.undo ? (
        <Button
          className="min-h-9! border-paper-lift! bg-transparent! text-paper-lift!"
          onClick={undo}
        >
          Undo
        </Button>
      ) : null}
    </div>
  );
}
