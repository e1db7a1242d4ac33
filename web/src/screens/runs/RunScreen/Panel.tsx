import type { Log } from "../../../device/useRun";
import { shapeOf, temperature } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { NightButton } from "../../../ui/night/Night";
import { NightField } from "./NightField";
import { SetAside } from "./SetAside";
import type { Acts } from "./useActs";

const SHAPE = shapeOf("TemperatureEventIn", { "data.celsius": temperature("Bath now") });
const STEP_DEGREES = 0.5;

/** What is asked for: the bath's temperature at any time, why it is set aside out of the bath. */
export function Panel({ acts, log }: { acts: Acts; log: Log }) {
  if (acts.asked === "set-aside") return <SetAside acts={acts} />;
  return acts.asked === "temperature" ? (
    <Temperature close={() => acts.ask(null)} log={log} />
  ) : null;
}

function Temperature({ close, log }: { close: () => void; log: Log }) {
  const form = useForm<{ data: { celsius: number } }, void>(SHAPE, {
    start: { data: { celsius: "" } },
    send: async ({ data }) => {
      log({ kind: "temperature", data });
    },
    done: close,
  });
  return (
    <form
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className="absolute inset-x-0 bottom-37 z-3 flex flex-wrap items-center gap-6 border-t-2 border-night-line bg-night-2 px-8 py-4.5 text-h2 max-desk:bottom-59 max-phone:bottom-51.5 short:bottom-28 flat:right-59 flat:bottom-0 flat:gap-2.5 flat:px-4 flat:py-2.5 max-phone:gap-3 max-phone:px-4 max-phone:py-3 max-phone:text-lead"
    >
      <NightField form={form} name="data.celsius" step={STEP_DEGREES} focus />
      <NightButton type="submit">Log it</NightButton>
      <NightButton plain onClick={close}>
        Leave it
      </NightButton>
    </form>
  );
}
