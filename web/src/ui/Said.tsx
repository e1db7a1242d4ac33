import { inUnits } from "./inUnits";
import { useUser } from "./useUser";

/** What the server says, in the units of whoever reads it. */
export function Said({ children }: { children: string }) {
  return inUnits(children, useUser().units);
}
