const LONG = 4;

/** Digits to be read from four metres, and a word beside them. */
export function FarClock({
  text,
  word,
  over,
  label,
}: {
  text: string;
  word: string;
  over: boolean;
  label?: string;
}) {
  const digits = text.replace("+", "");
  const parts = digits.split(":");
  return (
    <div
      role="timer"
      aria-label={label ?? `${text} ${word}`}
      data-long={digits.length + Number(over) > LONG || undefined}
      className={`far-clock ${over ? "text-night-ferric" : ""}`}
    >
      <span>
        {over ? "+" : ""}
        {parts.slice(0, -1).join(":")}
      </span>
      <i aria-hidden="true" />
      <span>{parts.at(-1)}</span>
      <small
        className={`mb-4.5 ml-5.5 w-[3.2em] self-end font-text text-h1 leading-[1.08] font-semibold tracking-normal whitespace-normal max-desk:ml-2 max-desk:mb-3 max-phone:absolute max-phone:top-1 max-phone:right-3.5 max-phone:m-0 max-phone:w-auto max-phone:text-lead flat:absolute flat:top-1 flat:right-3.5 flat:m-0 flat:w-auto flat:text-lead ${over ? "text-night-ferric" : "text-(--glow)"}`}
      >
        {word}
      </small>
    </div>
  );
}
