import { shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { useField } from "../../../ui/form/useField";
import { NightButton } from "../../../ui/night/Night";
import { Trouble } from "../../../ui/Trouble";
import type { Acts } from "./useActs";

const SHAPE = shapeOf("EndIn", { reason: text("Another reason", { needed: true }) });
const USUAL = ["tomorrow", "foul bite", "wrong plate"];

/** Why the bites end here: one tap for the usual reasons, or typed. */
export function SetAside({ acts }: { acts: Acts }) {
  const close = () => acts.ask(null);
  const form = useForm<{ reason: string }, void>(SHAPE, {
    start: { reason: "" },
    send: async ({ reason }) => {
      acts.end(reason);
    },
  });
  const field = useField(form, "reason");
  return (
    <form
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className="absolute inset-x-0 bottom-37 z-3 flex flex-wrap items-center gap-4 border-t-2 border-night-line bg-night-2 px-8 py-4.5 text-h2 max-desk:bottom-59 max-phone:bottom-51.5 short:bottom-28 flat:right-59 flat:bottom-0 flat:gap-2.5 flat:px-4 flat:py-2.5 max-phone:gap-2.5 max-phone:px-4 max-phone:py-3 max-phone:text-lead"
    >
      <p className="basis-full font-semibold">Why is it set aside?</p>
      {USUAL.map((reason) => (
        <NightButton key={reason} plain onClick={() => acts.end(reason)}>
          {reason}
        </NightButton>
      ))}
      <label htmlFor={field.id}>{field.label.toLowerCase()}</label>
      <input
        id={field.id}
        autoComplete="off"
        aria-invalid={field.fault ? true : undefined}
        aria-describedby={field.fault ? `${field.id}-e` : undefined}
        className="min-h-18 min-w-40 flex-1 rounded-cut border-[1.5px] border-night-ink bg-night px-3 text-night-ink max-phone:min-h-15"
        value={field.text}
        onChange={(event) => field.change(event.target.value)}
      />
      <NightButton type="submit">Set aside</NightButton>
      <NightButton plain onClick={close}>
        Go on
      </NightButton>
      {field.fault ? (
        <p id={`${field.id}-e`} role="alert" className="basis-full font-semibold text-night-ferric">
          {field.fault}
        </p>
      ) : null}
      <Trouble error={acts.endError} />
    </form>
  );
}
