import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import type { Shapes } from "../../../api/client";
import { putInPlate } from "../../../api/plates";
import { PlateSheet } from "../../../frame/plateForm/PlateSheet";
import { blank, plateIn, type Read, SHAPE } from "../../../frame/plateForm/shape";
import { useHere } from "../../../frame/useHere";
import { useForm } from "../../../ui/form/useForm";

/** Put a plate in the rack. */
export function NewPlate() {
  const { room, me } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const form = useForm<Read, Shapes["PlateOut"]>(SHAPE, {
    keepAs: `${room} plate`,
    start: blank(me),
    send: (read, { id }) => putInPlate(room, { id, ...plateIn(read) }),
    done: async (plate) => {
      await client.invalidateQueries({ queryKey: [room, "plates"] });
      navigate(`/r/${room}/plates/${plate.id}`);
    },
  });
  return <PlateSheet form={form} title="What plate is this?" submit="Put it in the rack" />;
}
