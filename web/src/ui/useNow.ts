import { useEffect, useState } from "react";
import { nowSeconds } from "../device/clock";

/** The time by the server's clock, a few times a second. */
export function useNow(everyMs = 1000): number {
  const [now, setNow] = useState(nowSeconds);
  useEffect(() => {
    const timer = setInterval(() => setNow(nowSeconds()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
