import { useQuery } from "@tanstack/react-query";
import { type Me, sessionQuery } from "../api/session";
import type { Units } from "./units";

const METRIC: Units = { length_unit: "mm", temperature_unit: "C" };

/** Who is signed in, if anybody, and the units they read in. */
export function useUser(): { me: Me | null; units: Units } {
  const { data } = useQuery(sessionQuery);
  const me = data?.me ?? null;
  return { me, units: me ?? METRIC };
}
