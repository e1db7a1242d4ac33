import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import type { Shapes } from "../../../api/client";
import { type Lamp, makeTest, type Test } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { ByWedge } from "./ByWedge";
import { NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, pick, shapeOf, text, time } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm } from "../../../ui/form/useForm";
import { shownLength } from "../../../ui/units";

const SHAPE = shapeOf("TestIn", {
  name: text("Name"),
  lamp: pick("Lamp"),
  "planned.screen_seconds": time("Screen, the middle one", { needed: true }),
  "planned.image_seconds": time("Image, the middle one", { needed: true }),
  "planned.screen_steps": number("Screen times", { needed: true }),
  "planned.image_steps": number("Image times", { needed: true }),
  "planned.width_mm": length("Piece, wide", { needed: true }),
  "planned.height_mm": length("Piece, high", { needed: true }),
});
type Read = Pick<Shapes["TestIn"], "name" | "lamp"> & { planned: Shapes["PairTestInput"] };
const PIECE_MM = { width: 100, height: 75 };

/** Plan a two-way test: where its times are centred, how many each way, and on which piece. */
export function PlanTest({ lamps, close }: { lamps: Lamp[]; close: () => void }) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const navigate = useNavigate();
  const form = useForm<Read, Test>(SHAPE, {
    keepAs: `${room} two-way test`,
    start: {
      name: "",
      lamp: lamps[0]?.id ?? "",
      planned: {
        screen_seconds: "1:20",
        image_seconds: "2:40",
        screen_steps: "5",
        image_steps: "5",
        width_mm: shownLength(PIECE_MM.width, me),
        height_mm: shownLength(PIECE_MM.height, me),
      },
    },
    send: (read, { id }) => makeTest(room, { id, patches: [], note: "", ...read }),
    done: async (made) => {
      await client.invalidateQueries({ queryKey: [room, "exposure tests"] });
      close();
      navigate(`/r/${room}/exposure/${made.id}`);
    },
  });
  const first = useFirstField();
  return (
    <div className="my-3 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4">
      <form ref={first} noValidate onSubmit={form.submit}>
        <p className="note">
          Times go by √2 up and down from the middle one. Where a wedge was read, take its time;
          else these are guesses.
        </p>
        <div className="mt-2.5 flex flex-wrap items-start gap-4">
          <TextField form={form} name="name" />
          <PickField
            form={form}
            name="lamp"
            options={lamps.map((lamp) => [lamp.id, lamp.name] as const)}
          />
          <NumberField form={form} name="planned.screen_seconds" step={5} />
          <NumberField form={form} name="planned.image_seconds" step={5} />
          <NumberField form={form} name="planned.screen_steps" />
          <NumberField form={form} name="planned.image_steps" />
          <NumberField form={form} name="planned.width_mm" step={5} />
          <NumberField form={form} name="planned.height_mm" step={5} />
        </div>
        <FormFoot form={form} submit="Plan it">
          <Button look="quiet" onClick={close}>
            Leave it
          </Button>
        </FormFoot>
      </form>
      <ByWedge take={(time) => form.hook.setValue("planned.image_seconds", time)} />
    </div>
  );
}
