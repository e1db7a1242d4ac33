import type { Run } from "../../../api/runs";
import type { Local } from "../../../device/local";
import type { Log } from "../../../device/useRun";
import { useOddBath } from "../../../frame/useOddBath";
import { shapeOf, temperature } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { NightButton } from "../../../ui/night/Night";
import { NightField } from "./NightField";
import { PANEL } from "./panelLook";
import { Scrap } from "./Scrap";
import { SetAside } from "./SetAside";
import type { Acts } from "./useActs";
import { Wrong } from "./Wrong";

const SHAPE = shapeOf("TemperatureEventIn", { "data.celsius": temperature("Bath now") });
const STEP_DEGREES = 0.5;
type Props = { run: Run; local: Local; acts: Acts; log: Log };

/** What is asked for: temperature, a scrap's tone, why it is set aside; what to do when it goes wrong. */
export function Panel({ run, local, acts, log }: Props) {
  if (acts.asked === "wrong") return <Wrong run={run} close={() => acts.ask(null)} />;
  if (acts.asked === "scrap") return <Scrap local={local} close={() => acts.ask(null)} log={log} />;
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
  const odd = useOddBath(form, "data.celsius");
  return (
    <form
      noValidate
      onSubmit={(event) => (odd ? event.preventDefault() : form.submit(event))}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className={PANEL}
    >
      <NightField form={form} name="data.celsius" step={STEP_DEGREES} focus />
      {odd ? (
        <>
          <p role="alert" className="order-last basis-full font-semibold text-night-ferric">
            {odd.asked}
          </p>
          <NightButton onClick={() => form.submit()}>Yes, I read it twice</NightButton>
        </>
      ) : (
        <NightButton type="submit">Log it</NightButton>
      )}
      <NightButton plain onClick={close}>
        Leave it
      </NightButton>
    </form>
  );
}
