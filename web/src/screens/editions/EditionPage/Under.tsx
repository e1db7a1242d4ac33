import type { ReactNode } from "react";
import type { Edition } from "../../../api/editions";
import type { usePress } from "../../../device/usePress";
import { useHere } from "../../../frame/useHere";
import { Button, ButtonLink } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { clock } from "../../../ui/times";

type Props = {
  edition: Edition;
  seen: ReturnType<typeof usePress>;
  after: number | null;
  ask: (after: number | null) => void;
};

/** Under the line: scratch again or stop, what is still needed, whether the condition holds. */
export function Under({ edition, seen, after, ask }: Props) {
  return (
    <div className="mt-3 grid grid-cols-[minmax(0,1.1fr)_minmax(0,1.25fr)_minmax(0,0.9fr)] gap-6 border-t-2 border-ink pt-3 max-desk:grid-cols-1">
      <Again edition={edition} after={after} ask={ask} />
      <Needs edition={edition} />
      <Condition edition={edition} seen={seen} />
    </div>
  );
}

/** What scratching again would do, or where to stop. */
function Again({ edition, after, ask }: Omit<Props, "seen">) {
  const { room } = useHere();
  const last = edition.rows.length;
  const again = edition.forecast?.again ?? null;
  const warnings = edition.forecast?.warnings ?? [];
  return (
    <section>
      <h2 className="text-h3">{edition.by_needle ? "Scratch again, or stop" : "How it wears"}</h2>
      {edition.pale_from === null ? (
        <p className="mt-1">Nothing to do: the edition ends before the plate is worn.</p>
      ) : edition.by_needle && again ? (
        <p className="mt-1">
          Scratched again after {after === null ? `pull ${again.after}` : "the last pull"}, it holds
          to pull <b className="num">{again.last_good}</b> ({again.low} to {again.high}). Or end the
          edition at <b className="num">{Math.max(1, edition.pale_from - 1)}</b>, with nothing to
          scratch.
        </p>
      ) : (
        <p className="mt-1">
          End the edition at <b className="num">{Math.max(1, edition.pale_from - 1)}</b>, or face
          the plate with steel before it is worn.
        </p>
      )}
      {warnings.slice(0, 2).map((each) => (
        <Care key={each.code} className="mt-1.5">
          {each.text}
        </Care>
      ))}
      {edition.by_needle && last > 0 ? (
        <p className="mt-2 flex flex-wrap gap-3">
          <Button aria-pressed={after !== null} onClick={() => ask(after === null ? last : null)}>
            {after === null ? "What if I scratch now?" : "As it stands"}
          </Button>
          <ButtonLink look="quiet" to={`/r/${room}/plates/${edition.plate}/marks`}>
            Plan the scratching
          </ButtonLink>
        </p>
      ) : null}
    </section>
  );
}

/** Paper, ink and hands for the rest. */
function Needs({ edition }: { edition: Edition }) {
  const { needs, sheets, ink } = edition;
  if (edition.left === 0)
    return (
      <section>
        <h2 className="text-h3">All {edition.size} are printed</h2>
        <p className="mt-1">
          Clean and wax the plate, or cancel it. The certificate is ready to sign.
        </p>
      </section>
    );
  const hours = clock(Math.round(needs.hands_minutes) * 60).replace(/:00$/, "");
  return (
    <section>
      <h2 className="text-h3">Still needed for {edition.left} more</h2>
      <dl className="mt-2 grid grid-cols-[64px_minmax(0,1fr)] gap-x-3 gap-y-2">
        <Need name="Paper">
          <Pieces count={needs.pieces} spare={needs.spare} />
          <b className="num">{needs.pieces}</b> pieces
          {sheets ? `, ${sheets.sheets} ${sheets.sheets === 1 ? "sheet" : "sheets"}` : ""}
        </Need>
        <Need name="Ink">
          <b className="num">{ink.total_g}</b> g{" "}
          <span className="note">
            ({ink.low_g} to {ink.high_g}, a guess)
          </span>
        </Need>
        <Need name="Hands">
          <b className="num">
            {hours.length > 5
              ? hours
              : `${Math.floor(needs.hands_minutes / 60)}:${String(Math.round(needs.hands_minutes % 60)).padStart(2, "0")}`}
          </b>{" "}
          h{needs.breaks > 0 ? `, ${needs.breaks} ${needs.breaks === 1 ? "break" : "breaks"}` : ""}
        </Need>
      </dl>
      <p className="note mt-2">
        {Math.round(needs.minutes_each)} min each ({Math.round(needs.low_minutes)} to{" "}
        {Math.round(needs.high_minutes)}),{" "}
        {needs.counted > 0
          ? `from ${needs.counted} pulls in a row`
          : "a guess until three are timed"}
        . Striped: to spare.
      </p>
    </section>
  );
}

function Need({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt className="font-bold">{name}</dt>
      <dd className="flex flex-wrap items-center gap-x-2">{children}</dd>
    </>
  );
}

const SHOWN = 24;

/** Solid pieces are needed, striped ones are for what will be spoiled. */
function Pieces({ count, spare }: { count: number; spare: number }) {
  const shown = Math.min(SHOWN, count);
  return (
    <svg width={shown * 9 + 2} height={18} aria-hidden="true">
      <defs>
        <pattern id="to-spare" width="5" height="5" patternUnits="userSpaceOnUse">
          <path d="M0 5 5 0" className="stroke-ferric-deep" strokeWidth="1.6" />
        </pattern>
      </defs>
      {Array.from({ length: shown }, (_, i) => i).map((i) => (
        <rect
          key={i}
          x={i * 9 + 1}
          y={1}
          width={7}
          height={16}
          fill={i >= count - spare ? "url(#to-spare)" : undefined}
          className={`stroke-ink ${i >= count - spare ? "" : "fill-ink"}`}
        />
      ))}
    </svg>
  );
}

/** The condition of the OK, held against what was read. */
function Condition({ edition, seen }: { edition: Edition; seen: Props["seen"] }) {
  const { ok, condition } = edition;
  if (!ok?.condition) return null;
  const met = ok.met || (seen.state?.conditions_met.includes(ok.approval) ?? false);
  return (
    <section>
      <h2 className="text-h3">
        {met
          ? "The condition is met"
          : condition && !condition.holds
            ? "The condition does not hold"
            : condition
              ? "The condition holds so far"
              : "The condition is open"}
      </h2>
      <p className="mt-1 font-slab italic">If {ok.condition}.</p>
      {condition ? (
        <p className="mt-1">
          <b>{condition.area}</b> reads {condition.last_lstar}, the OK has {condition.ok_lstar}.
          Worst:{" "}
          {/^\d/.test(condition.worst_label)
            ? `no. ${condition.worst_label}`
            : condition.worst_label}
          , {condition.worst_lstar}.
        </p>
      ) : (
        <p className="note mt-1">Read {ok.area || "it"} on the next pull.</p>
      )}
      {met ? null : (
        <Button
          className="mt-2"
          onClick={() =>
            seen.log({ kind: "condition-met", data: { approval: ok.approval, note: "" } })
          }
        >
          The condition is met
        </Button>
      )}
    </section>
  );
}
