import { Mark } from "../Mark";

type Props = { done: boolean; text: string; plain?: boolean; onDo: () => void };

/** A fact one ticks once: done, it stays. What is only seen has no sign of work. */
export function Check({ done, text, plain, onDo }: Props) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={done}
        onClick={() => !done && onDo()}
        className="flex min-h-15 items-center gap-2.5 rounded-key border-2 border-night-line px-4.5 text-far text-night-ink-2 aria-pressed:border-night-ink aria-pressed:text-night-ink max-phone:min-h-12 max-phone:px-3 max-phone:text-lead"
      >
        {done || !plain ? <Mark name={done ? "done" : "brush"} size={26} /> : null}
        {text}
      </button>
    </li>
  );
}
