import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { changePlate, type Plate, plateQuery } from "../../../api/plates";
import { usePlate } from "../../../frame/PlateFrame";
import { PlateSheet } from "../../../frame/plateForm/PlateSheet";
import { plateIn, type Read, SHAPE, typedOf } from "../../../frame/plateForm/shape";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { untouched } from "../../../ui/form/untouched";
import { useForm } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";

const SIZES = ["width_mm", "height_mm", "thickness_mm"] as const;

/** Change what was typed when the plate was put in; what stood before stays in the record. */
export function ChangePlate() {
  const { room, me } = useHere();
  const { plate } = usePlate();
  const navigate = useNavigate();
  const client = useQueryClient();
  const say = useSay();
  const own = `/r/${room}/plates/${plate.id}`;
  const form = useForm<Read, Plate>(SHAPE, {
    keepAs: `${room} facts ${plate.id}`,
    start: typedOf(plate, me),
    version: plate.version,
    send: (read, { version }) =>
      changePlate(room, plate.id, {
        version,
        ...plateIn(read),
        ...untouched(SIZES, read, plate, me),
      }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...plateQuery(room, plate.id), staleTime: 0 });
      return { version: now.version, values: typedOf(now, me) };
    },
    done: async (now) => {
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: `${now.name} is changed. What stood before is in its record.` });
      navigate(own);
    },
  });
  return (
    <PlateSheet
      within
      form={form}
      title="What plate is this?"
      submit="Keep the change"
      also={
        <ButtonLink look="quiet" to={own}>
          Leave it
        </ButtonLink>
      }
    />
  );
}
