import { useEffect } from "react";

/** Keep the screen awake while the page is seen. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const hold = async () => {
      if (document.visibilityState !== "visible") return;
      lock = (await navigator.wakeLock?.request("screen").catch(() => null)) ?? null;
    };
    hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      document.removeEventListener("visibilitychange", hold);
      lock?.release().catch(() => {});
    };
  }, []);
}
