import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { type Me, sessionQuery } from "../api/session";
import type { Zone } from "../ui/times";

export type Here = { me: Me; room: string; roomName: string; zone: Zone; keeper: boolean };

/** Who is signed in, and in which room. Only inside a room's pages. */
export function useHere(): Here {
  const { room = "" } = useParams();
  const { data } = useQuery(sessionQuery);
  const me = data?.me;
  const found = me?.rooms.find((each) => each.id === room);
  if (!me) throw new Error("signed out");
  return {
    me,
    room,
    roomName: found?.name ?? "",
    zone: found?.zone_shifts ?? [],
    keeper: found?.role === "keeper",
  };
}
