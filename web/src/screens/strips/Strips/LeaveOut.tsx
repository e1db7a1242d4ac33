import { useQueryClient } from "@tanstack/react-query";
import { changeStrip, type Strip, type WallStrip } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { ComboField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";

const SHAPE = shapeOf("StripChange", {
  out_reason: text("What has changed in the room", { needed: true }),
});
const REASONS = ["dust box rebuilt since", "another rosin since", "another hand lays the ground"];

type Props = { strip: WallStrip; open: boolean; setOpen: (open: boolean) => void };

/** Leave a strip out of what counts, with its reason, or put it back. */
export function LeaveOut({ strip, open, setOpen }: Props) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const send = (out_reason: string, version: number) =>
    changeStrip(room, strip.id, { version, out_reason });
  const notBack = () => say({ text: `${strip.name} could not be put back. Try it from the wall.` });
  const told = async (now: Strip) => {
    await client.invalidateQueries({ queryKey: [room] });
    setOpen(false);
    say({
      text: now.out_reason ? `${now.name} no longer counts.` : `${now.name} counts again.`,
      undo: now.out_reason ? () => void send("", now.version).then(told, notBack) : undefined,
    });
  };
  const form = useForm<{ out_reason: string }, Strip>(SHAPE, {
    start: { out_reason: "" },
    version: strip.version,
    send: ({ out_reason }, { version }) => send(out_reason, version),
    done: told,
  });
  if (strip.out_reason)
    return (
      <Button
        disabled={form.busy}
        onClick={() => form.act(() => send("", strip.version).then(told))}
      >
        Put {strip.name} back
      </Button>
    );
  if (!open) return <Button onClick={() => setOpen(true)}>Leave {strip.name} out</Button>;
  return (
    <form noValidate onSubmit={form.submit} className="grid w-full gap-2">
      <ComboField form={form} name="out_reason" offered={REASONS} />
      <FormFoot form={form} submit="Leave it out" look="plain">
        <Button look="quiet" onClick={() => setOpen(false)}>
          Let it count
        </Button>
      </FormFoot>
    </form>
  );
}
