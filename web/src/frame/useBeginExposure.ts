import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { beginExposure } from "../api/exposures";
import { newId } from "../device/ids";
import { useHere } from "./useHere";

type Wanted = Omit<Parameters<typeof beginExposure>[1], "id" | "water_c">;

const WATER_C = 20;

/** Begin an exposure and go to the lamp; the water is read there. */
export function useBeginExposure() {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (wanted: Wanted) =>
      beginExposure(room, { id: newId(), water_c: WATER_C, ...wanted }),
    onSuccess: async (exposure) => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/exposure/runs/${exposure.id}`);
    },
  });
}
