import type { Log } from "../../../device/useWaiting";
import { shapeOf, temperature } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { NightButton } from "../../../ui/night/Night";
import { NightField } from "../../../ui/night/NightField";
import { PANEL } from "../../../ui/night/panelLook";
import { WhyAside } from "../../../ui/night/WhyAside";
import type { Acts } from "./useExposeActs";

const SHAPE = shapeOf("WaterReadEventIn", { "data.celsius": temperature("Wash water now") });
const STEP_DEGREES = 0.5;
const USUAL = ["tomorrow", "film slipped", "wrong film", "lamp failed"];

/** What is asked for: how warm the water is, or why it is set aside. */
export function Panel({ acts, log }: { acts: Acts; log: Log }) {
  const close = () => acts.ask(null);
  if (acts.asked === "set-aside")
    return <WhyAside usual={USUAL} end={acts.end} error={acts.endError} close={close} />;
  return acts.asked === "water" ? <Water close={close} log={log} /> : null;
}

function Water({ close, log }: { close: () => void; log: Log }) {
  const form = useForm<{ data: { celsius: number } }, void>(SHAPE, {
    start: { data: { celsius: "" } },
    send: async ({ data }) => {
      log({ kind: "water", data });
    },
    done: close,
  });
  return (
    <form
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className={PANEL}
    >
      <NightField form={form} name="data.celsius" step={STEP_DEGREES} focus />
      <NightButton type="submit">Log it</NightButton>
      <NightButton plain onClick={close}>
        Leave it
      </NightButton>
    </form>
  );
}
