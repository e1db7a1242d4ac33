import { shapeOf, text } from "../form/shape";
import { useForm } from "../form/useForm";
import { useField } from "../form/useField";
import { NightButton } from "./Night";
import { Trouble } from "../Trouble";
import { PANEL } from "./panelLook";

const SHAPE = shapeOf("EndIn", { reason: text("Another reason", { needed: true }) });

type Props = {
  usual: string[];
  end: (reason: string) => void;
  error: unknown;
  close: () => void;
};

/** Why work ends here: one tap for the usual reasons, or typed. */
export function WhyAside({ usual, end, error, close }: Props) {
  const form = useForm<{ reason: string }, void>(SHAPE, {
    start: { reason: "" },
    send: async ({ reason }) => {
      end(reason);
    },
  });
  const field = useField(form, "reason");
  return (
    <form
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className={PANEL}
    >
      <p className="basis-full font-semibold">Why is it set aside?</p>
      {usual.map((reason) => (
        <NightButton key={reason} plain onClick={() => end(reason)}>
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
      <Trouble error={error} />
    </form>
  );
}
