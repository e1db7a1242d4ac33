import type { Run } from "../../../api/runs";

/** The page of what lies in the bath. */
export const homeOf = (room: string, { plate, strip }: Pick<Run, "plate" | "strip">): string =>
  strip ? `/r/${room}/strips/${strip}` : `/r/${room}/plates/${plate}`;
