import { useSyncExternalStore } from "react";

const WIDE = "(width > 1100px)";
const asked = () => window.matchMedia?.(WIDE);

function listen(heard: () => void): () => void {
  const query = asked();
  query?.addEventListener("change", heard);
  return () => query?.removeEventListener("change", heard);
}

/** Whether there is room for two columns; where nothing is laid out, there is. */
export const useWide = () => useSyncExternalStore(listen, () => asked()?.matches ?? true);
