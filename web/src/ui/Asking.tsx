import { type ReactNode, useEffect, useState } from "react";
import { Trouble } from "./Trouble";

const SOON_MS = 300;
const LONG_MS = 5_000;

/** What stands where an answer is waited for: its heading, a word after a moment, or what went wrong. */
export function Asking({ error, children }: { error: unknown; children?: ReactNode }) {
  return (
    <>
      {children}
      {error ? <Trouble error={error} /> : <Waiting />}
    </>
  );
}

function Waiting() {
  const soon = useAfter(SOON_MS);
  const long = useAfter(LONG_MS);
  return (
    <p role="status" data-waiting className="note mt-2">
      {long ? "Still asking. The line is slow." : soon ? "Opening" : ""}
    </p>
  );
}

function useAfter(ms: number): boolean {
  const [over, setOver] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setOver(true), ms);
    return () => clearTimeout(timer);
  }, [ms]);
  return over;
}
