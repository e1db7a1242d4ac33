import { number, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { NightButton } from "../../../ui/night/Night";
import type { Local } from "../../../device/local";
import type { Log } from "../../../device/useWaiting";
import { useInstrumentSaid } from "../../../frame/useInstrumentSaid";
import { NightField } from "../../../ui/night/NightField";
import { PANEL } from "../../../ui/night/panelLook";

const SHAPE = shapeOf("ScrapEventIn", {
  "data.lstar": number("The scrap reads L*", { unit: "L*" }),
  "data.after": number("after bite"),
});
type Read = { data: { lstar: number; after: number } };

/** A label and its field stay on one line. */
const TOGETHER = "flex flex-wrap items-center gap-x-4 max-phone:gap-x-3";

/** A companion scrap that was printed and read: the bites that remain follow it. */
export function Scrap({ local, close, log }: { local: Local; close: () => void; log: Log }) {
  const made = local.state.dips.filter((dip) => dip.lifted_seconds !== null).length;
  const form = useForm<Read, void>(SHAPE, {
    start: { data: { lstar: "", after: String(made) } },
    send: async ({ data }) => {
      log({ kind: "scrap", data });
    },
    done: close,
  });
  const said = useInstrumentSaid("lstar");
  return (
    <form
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className={`${PANEL} gap-x-4`}
    >
      <span className={TOGETHER}>
        <NightField form={form} name="data.lstar" step={0.5} focus />
      </span>
      {said ? (
        <NightButton
          plain
          title={said.from}
          onClick={() => form.hook.setValue("data.lstar", said.text)}
        >
          Take {said.text}
        </NightButton>
      ) : null}
      <span className={TOGETHER}>
        <NightField form={form} name="data.after" step={1} />
      </span>
      <NightButton type="submit">Log it</NightButton>
      <NightButton plain onClick={close}>
        Leave it
      </NightButton>
    </form>
  );
}
