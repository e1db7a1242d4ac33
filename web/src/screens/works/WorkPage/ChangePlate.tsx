import { useQuery } from "@tanstack/react-query";
import { rackQuery } from "../../../api/plates";
import type { Layer } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import type { Hands } from "../../../frame/works/useWorkHands";
import { PickField, TextField } from "../../../ui/form/Fields";
import { pick, shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { SheetForm } from "./SheetForm";

const SHAPE = shapeOf("PlateChangedEventIn", {
  "data.plate": pick("Plate", { optional: true }),
  "data.reason": text("Why"),
});
type Read = { data: { plate: string; reason: string } };
type Props = { layer: Layer; hands: Hands; close: () => void };

/** From now on another plate prints this layer: sheets before it keep the one they had. */
export function ChangePlate({ layer, hands, close }: Props) {
  const { room } = useHere();
  const { data } = useQuery(rackQuery(room));
  const plates = (data?.items ?? []).filter((each) => each.id !== layer.plate);
  const form = useForm<Read, void>(SHAPE, {
    keepAs: `${room} another plate ${layer.id}`,
    start: { data: { plate: "", reason: "" } },
    send: async ({ data: { plate, reason } }) => {
      const name = plates.find((each) => each.id === plate)?.name ?? "another plate";
      hands.change(layer, plate || null, name, reason);
    },
    done: close,
  });
  return (
    <SheetForm form={form} submit="Printed from this one now" close={close}>
      <p className="basis-full">
        Sheets printed from it are told apart from the one that is OK: they are numbered only with a
        reason, or after a sheet from the new plate is OK.
      </p>
      <PickField
        form={form}
        name="data.plate"
        options={[["", "a plate not in the rack"], ...plates.map((p) => [p.id, p.name] as const)]}
      />
      <TextField form={form} name="data.reason" />
    </SheetForm>
  );
}
