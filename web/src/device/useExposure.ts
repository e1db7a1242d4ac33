import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import type { Exposure, ExposureStands, ExposureState } from "../api/exposures";
import type { EventIn } from "../api/runs";
import { foldExposure } from "./exposureFold";
import { followExposure } from "./exposureFollow";
import { happened } from "./happened";
import { exposureQuery } from "./runQuery";
import { useWaiting } from "./useWaiting";

/** An exposure as this device sees it: what the server has and what waits, folded together. */
export type Lit = { state: ExposureState; stands: ExposureStands };

export function litHere(exposure: Exposure, waiting: EventIn[]): Lit {
  const state = foldExposure([...exposure.events, ...waiting.map(happened)]);
  return { state, stands: followExposure(exposure.sheet, state) };
}

/** Follow an exposure: what the server says, what waits to be sent, and a way to log events. */
export function useExposure(user: string, room: string, id: string) {
  const query = useQuery(exposureQuery(user, room, id));
  const { waiting, log, flush } = useWaiting(user, room, { kind: "exposure", id });
  const exposure = query.data;
  const lit = useMemo(
    () =>
      exposure
        ? litHere(
            exposure,
            waiting.filter((each) => !each.refused).map((each) => each.event),
          )
        : null,
    [exposure, waiting],
  );
  return { exposure, lit, waiting, log, flush, error: query.error };
}
