import { Disclosure, DisclosureButton, DisclosurePanel } from "@headlessui/react";
import { type ReactNode, useId } from "react";
import type { Run } from "../../../api/runs";
import type { Bite, Local } from "../../../device/local";
import { reached } from "../../../device/local";
import { looksAt, standsAt } from "../../../device/sheet";
import { GOALS } from "../../../figures/bite/goals";
import { Patterns } from "../../../figures/Patterns";
import { Key } from "../../../ui/Key";
import { Mark } from "../../../ui/Mark";
import type { Acts } from "./useActs";

/** What stands beside an area, by how areas end in this process. */
const SAYS = {
  "stop-out": { first: "leave open", open: "leave open", closed: "covered" },
  leave: { first: "brush", open: "brush again", closed: "leave alone" },
} as const;
const PAPER_LSTAR = 94;

type Props = {
  run: Run;
  local: Local;
  bite: Bite;
  cover: string[];
  uncover: string[];
  acts: Acts;
  /** Areas that the map shows: they are not named again. */
  onMap: string[];
};

/** Each area: how it looks now, and whether it is to cover, to open, covered or left open. */
export function Cover({ run, local, bite, cover, uncover, acts, onMap }: Props) {
  const totals = reached(run, local);
  const { closing, opening } = run.process.hands;
  const words = SAYS[closing];
  const begun = run.bites_before + local.state.dips.length > 0;
  return (
    <div className="grid content-start gap-2.5">
      {run.areas
        .filter(({ name }) => !onMap.includes(name))
        .map(({ name, parts }) => {
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
              picture={<Look run={run} lstar={open || coverNow ? looks : null} cover={coverNow} />}
            >
              {what}, {standsAt(run.sheet, name, totals.get(name) ?? 0)}
            </AreaRow>
          );
        })}
      {begun || !run.sediment ? null : (
        <p className="text-h3 leading-tight text-night-ink-2 max-phone:text-body">
          {run.facing}: {run.sediment}
        </p>
      )}
      {begun ? null : run.cautions.map((caution) => <Caution key={caution} text={caution} />)}
      <button
        type="button"
        onClick={acts.setAside}
        className="flex min-h-12 items-center gap-3 justify-self-start text-h3 text-night-ink-2 underline"
      >
        Set aside <Key className="max-phone:hidden">S</Key>
      </button>
    </div>
  );
}

/** What to beware of in one line; pressed, it unfolds to what to do. */
function Caution({ text }: { text: string }) {
  const [title, ...rest] = text.split(". ");
  return (
    <Disclosure as="div" className="text-night-ferric">
      <DisclosureButton className="flex min-h-12 w-full items-center gap-3 text-left text-h2 leading-tight font-medium max-phone:text-lead [&>svg]:size-6 [&>svg]:flex-none">
        <Mark name="care" />
        <span>{title}.</span>
        <span aria-hidden="true" className="ml-auto px-2 text-h3 underline">
          more
        </span>
      </DisclosureButton>
      <DisclosurePanel className="pb-2 pl-9 text-h3 leading-tight font-medium max-phone:text-body">
        {rest.join(". ")}
      </DisclosurePanel>
    </Disclosure>
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
        <b
          className={`block font-slab text-far leading-tight max-phone:text-h3 flat:text-h3 ${colour}`}
        >
          {name}
        </b>
        <span className="block text-h3 leading-tight text-night-ink-2 max-phone:text-body flat:text-body">
          {parts}
        </span>
      </div>
      <span
        className={`num text-right text-far leading-tight max-phone:text-body flat:text-lead ${now ? colour : "text-night-ink-2"}`}
      >
        {children}
      </span>
    </div>
  );
}

function Look({ run, lstar, cover }: { run: Run; lstar: number | null; cover: boolean }) {
  const id = useId().replaceAll(/\W/g, "");
  const { fill } = GOALS[run.sheet.goal.kind];
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
        fill={lstar === null ? "var(--color-night-2)" : fill(id, lstar)}
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
