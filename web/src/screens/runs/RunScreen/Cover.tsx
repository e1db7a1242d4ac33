import { type ReactNode, useId } from "react";
import type { Run } from "../../../api/runs";
import type { Bite, Local } from "../../../device/local";
import { reached } from "../../../device/local";
import { looksAt, standsAt } from "../../../device/sheet";
import { grainTile } from "../../../figures/grain";
import { Patterns } from "../../../figures/Patterns";
import { Said } from "../../../ui/night/Night";

/** What stands beside an area, by how areas end in this process. */
const SAYS = {
  "stop-out": { first: "leave open", open: "leave open", closed: "covered" },
  leave: { first: "brush", open: "brush again", closed: "leave alone" },
} as const;
const PAPER_LSTAR = 94;

type Props = { run: Run; local: Local; bite: Bite; cover: string[]; uncover: string[] };

/** Each area: how it looks now, and whether it is to cover, to open, covered or left open. */
export function Cover({ run, local, bite, cover, uncover }: Props) {
  const totals = reached(run, local);
  const { closing, opening } = run.process.hands;
  const words = SAYS[closing];
  const begun = local.state.dips.length > 0;
  return (
    <div className="grid content-start gap-2.5">
      {run.areas.map(({ name, parts }) => {
        const [coverNow, openNow] = [cover.includes(name), uncover.includes(name)];
        const now = coverNow || openNow;
        const open = bite.open.includes(name);
        const closed = bite.later.includes(name) ? opening.closed : words.closed;
        const left = begun ? words.open : words.first;
        const looks = looksAt(run.sheet, name, totals.get(name) ?? 0) ?? PAPER_LSTAR;
        const what = coverNow
          ? "cover now"
          : openNow
            ? `${opening.verb.toLowerCase()} now`
            : open
              ? left
              : closed;
        return (
          <AreaRow
            key={name}
            name={name}
            parts={parts}
            now={now}
            picture={<Look lstar={open || coverNow ? looks : null} cover={coverNow} />}
          >
            {what}, {standsAt(run.sheet, name, totals.get(name) ?? 0)}
          </AreaRow>
        );
      })}
      {begun ? null : <Said className="mt-5 text-h3">{run.cautions[0]}</Said>}
    </div>
  );
}

/** An area in one row: its picture, its name, how it stands. */
export function AreaRow(props: {
  name: string;
  parts: ReactNode;
  picture?: ReactNode;
  now?: boolean;
  children: ReactNode;
}) {
  const { name, parts, picture, now, children } = props;
  const colour = now ? "text-night-ferric" : "";
  return (
    <div className="flex items-center gap-4 border-b-2 border-night-line pb-2.5 max-phone:gap-2.5">
      {picture}
      <div className="min-w-0 flex-1">
        <b className={`block font-slab text-far leading-tight max-phone:text-h3 ${colour}`}>
          {name}
        </b>
        <span className="block text-h3 leading-tight text-night-ink-2 max-phone:text-body">
          {parts}
        </span>
      </div>
      <span
        className={`num text-right text-h3 leading-tight max-phone:text-body ${now ? colour : "text-night-ink-2"}`}
      >
        {children}
      </span>
    </div>
  );
}

function Look({ lstar, cover }: { lstar: number | null; cover: boolean }) {
  const id = useId().replaceAll(/\W/g, "");
  return (
    <svg
      viewBox="0 0 86 48"
      aria-hidden="true"
      className="h-12 w-21.5 flex-none max-phone:h-8.5 max-phone:w-14"
    >
      {lstar === null ? null : <Patterns id={id} tones={[lstar]} />}
      <rect
        width="86"
        height="48"
        fill={lstar === null ? "var(--color-night-2)" : `url(#${id}-g${grainTile(lstar).key})`}
        className="stroke-night-ink-2"
        strokeWidth="2"
      />
      {cover ? (
        <path
          d="M-6 48L42 0M14 48L62 0M34 48L82 0M54 48L96 6"
          className="stroke-night-ferric"
          strokeWidth="7"
        />
      ) : null}
    </svg>
  );
}
