import { useMutation, useQueryClient } from "@tanstack/react-query";
import { changeStrip, type Strip, stripQuery } from "../../../api/strips";
import { isOut } from "../../../figures/ToneCurve";
import { useHere } from "../../../frame/useHere";
import { useSay } from "../../../ui/Toast";

/** Leave a patch out of the curve, or put it back. */
export function useLeaveOut(strip: Strip) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  return useMutation({
    mutationFn: (place: number) =>
      changeStrip(room, strip.id, {
        version: strip.version,
        patches: strip.readings.map((p, i) =>
          i === place ? { ...p, left_out: !isOut(strip, i) } : p,
        ),
      }),
    onSuccess: (next, place) => {
      client.setQueryData(stripQuery(room, strip.id).queryKey, next);
      client.invalidateQueries({ queryKey: [room, "strips"] });
      say({
        text: `Patch ${place + 1} ${next.readings[place]?.left_out ? "left out" : "put back"}. Fitted again.`,
      });
    },
  });
}
