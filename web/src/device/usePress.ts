import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import type { Press, PullState } from "../api/editions";
import type { EventIn } from "../api/runs";
import { happened } from "./happened";
import { foldPulls } from "./pullFold";
import { pressQuery } from "./runQuery";
import { useWaiting } from "./useWaiting";

/** A plate at the press as this device sees it: what the server has and what waits, folded together. */
export const pressHere = (press: Press, waiting: EventIn[]): PullState =>
  foldPulls([...press.events, ...waiting.map(happened)]);

/** Follow a plate at the press: what the server says, what waits to be sent, a way to log events. */
export function usePress(user: string, room: string, plate: string) {
  const query = useQuery(pressQuery(user, room, plate));
  const { waiting, log, flush } = useWaiting(user, room, { kind: "pull", id: plate });
  const press = query.data;
  const state = useMemo(
    () =>
      press
        ? pressHere(
            press,
            waiting.filter((each) => !each.refused).map((each) => each.event),
          )
        : null,
    [press, waiting],
  );
  return { press, state, waiting, log, flush, error: query.error };
}
