import { useQueryClient } from "@tanstack/react-query";
import { type Bath, bathQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { useSay } from "../../../ui/Toast";

/** The bath as it stands after a change, and a word about it. */
export function useSaved() {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  return async (bath: Bath, text: string) => {
    client.setQueryData(bathQuery(room, bath.id).queryKey, bath);
    await client.invalidateQueries({ queryKey: [room] });
    say({ text });
  };
}
