import type { Run } from "../../../api/runs";
import type { Local } from "../../../device/local";
import type { Log } from "../../../device/useWaiting";
import { useOddBath } from "../../../frame/useOddBath";
import { shapeOf, temperature } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { NightButton } from "../../../ui/night/Night";
import { NightField } from "../../../ui/night/NightField";
import { PANEL } from "../../../ui/night/panelLook";
import { Scrap } from "./Scrap";
import { WhyAside } from "../../../ui/night/WhyAside";
import type { Acts } from "./useActs";
import { Wrong } from "./Wrong";

const SHAPE = shapeOf("TemperatureEventIn", { "data.celsius": temperature("Bath now") });
const USUAL = ["tomorrow", "foul bite", "wrong plate"];
const STEP_DEGREES = 0.5;
type Props = { run: Run; local: Local; acts: Acts; log: Log };

/** What is asked for: temperature, a scrap's tone, why it is set aside; what to do when it goes wrong. */
export function Panel({ run, local, acts, log }: Props) {
  if (acts.asked === "wrong") return <Wrong run={run} close={() => acts.ask(null)} />;
  if (acts.asked === "scrap") return <Scrap local={local} close={() => acts.ask(null)} log={log} />;
  if (acts.asked === "set-aside")
    return (
      <WhyAside usual={USUAL} end={acts.end} error={acts.endError} close={() => acts.ask(null)} />
    );
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
