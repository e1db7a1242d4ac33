import { useId } from "react";
import type { Run } from "../../../api/runs";
import { grainTile } from "../../../figures/grain";
import { Patterns } from "../../../figures/Patterns";
import type { Bite, Local } from "../../../device/local";
import { reached } from "../../../device/local";
import { looksAt, secondsToLift, standsAt } from "../../../device/sheet";
import { Mark } from "../../../ui/Mark";
import { clock } from "../../../ui/times";
import type { Acts } from "./useActs";

type Props = { run: Run; local: Local; bite: Bite; now: number; acts: Acts };

/** Out of the bath: what to cover, how long it has been out, what comes next. */
export function OutOfBath({ run, local, bite, now, acts }: Props) {
  const last = local.state.dips.at(-1);
  const words = run.process.hands;
  const cover = acts.toCover();
  const next = secondsToLift(run.sheet, [[0, local.celsius]], bite.target);
  return (
    <div className="run-out">
      <Cover run={run} local={local} bite={bite} cover={cover} />
      <section>
        <h1>{heading(run, bite, cover)}</h1>
        <p>
          {cover.length > 0
            ? `${partsOf(run, cover)} As it lies on the plate: mirrored.`
            : words.ready}
        </p>
        {acts.said ? <p className="run-said">{acts.said}</p> : null}
        {last ? (
          <ul className="run-checks">
            <Check done={local.state.rinsed} text="rinsed" onDo={acts.rinsed} />
            {run.mordant.includes("ferric") ? (
              <Check
                done={local.state.neutralised}
                text="bicarbonate wipe"
                onDo={acts.neutralised}
              />
            ) : null}
            <Check done={cover.length === 0} text="covered" onDo={acts.cover} />
          </ul>
        ) : null}
        <dl className="run-duo m-0">
          <div>
            <dt>{last ? "Out for" : "Not bitten yet"}</dt>
            <dd>{last?.lifted_seconds ? clock(now - last.lifted_seconds) : "0:00"}</dd>
          </div>
          <div>
            <dt>Then bite {bite.number} for</dt>
            <dd>{clock(next)}</dd>
          </div>
        </dl>
      </section>
    </div>
  );
}

function heading(run: Run, bite: Bite, cover: string[]): string {
  if (cover.length > 0) return `Stop out ${cover.join(", ").toLowerCase()}`;
  const { closing, dip } = run.process.hands;
  return closing === "leave" ? `${dip} ${bite.open.join(", ").toLowerCase()}` : "Covered. Dry?";
}

function partsOf(run: Run, names: string[]): string {
  const parts = run.areas
    .filter((a) => names.includes(a.name))
    .map((a) => a.parts)
    .filter(Boolean)
    .join(", ");
  return parts ? `${parts.charAt(0).toUpperCase()}${parts.slice(1)}.` : "";
}

function Check({ done, text, onDo }: { done: boolean; text: string; onDo: () => void }) {
  return (
    <li>
      <button type="button" aria-pressed={done} onClick={() => !done && onDo()}>
        {done ? <Mark name="done" /> : <Mark name="brush" />}
        {text}
      </button>
    </li>
  );
}

/** What stands beside an area, by how areas end in this process. */
const SAYS = {
  "stop-out": { first: "leave open", open: "leave open", closed: "covered" },
  leave: { first: "brush", open: "brush again", closed: "leave alone" },
} as const;

function Cover({
  run,
  local,
  bite,
  cover,
}: {
  run: Run;
  local: Local;
  bite: Bite;
  cover: string[];
}) {
  const group = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const totals = reached(run, local);
  const words = SAYS[run.process.hands.closing];
  const last = local.state.dips.length > 0;
  return (
    <div className="cover">
      {run.areas.map((area) => {
        const { name } = area;
        const now = cover.includes(name);
        const open = bite.open.includes(name);
        const looks = looksAt(run.sheet, name, totals.get(name) ?? 0) ?? 94;
        const id = `${group}${name.replaceAll(/\W/g, "")}`;
        return (
          <div key={name} className={`cover-row${now ? " now" : ""}`}>
            <svg viewBox="0 0 86 48" aria-hidden="true">
              <Patterns id={id} tones={[looks]} />
              <rect
                width="86"
                height="48"
                fill={open || now ? `url(#${id}-g${grainTile(looks).key})` : "#221C17"}
                stroke="#CBBFAF"
                strokeWidth="2"
              />
              {now ? (
                <path
                  d="M-6 48L42 0M14 48L62 0M34 48L82 0M54 48L96 6"
                  stroke="#F2B64A"
                  strokeWidth="7"
                />
              ) : null}
            </svg>
            <div>
              <b>{name}</b>
              <span>{area.parts}</span>
            </div>
            <span className="what">
              {now ? "cover now" : open ? (last ? words.open : words.first) : words.closed}
              {`, ${standsAt(run.sheet, name, totals.get(name) ?? 0)}`}
            </span>
          </div>
        );
      })}
      {last ? null : <p className="run-said mt-5! text-[19px]! leading-snug!">{run.cautions[0]}</p>}
    </div>
  );
}
