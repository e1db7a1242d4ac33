import { useId } from "react";
import type { Run } from "../../../api/runs";
import { grainTile } from "../../../figures/grain";
import { Patterns } from "../../../figures/Patterns";
import type { Bite, Local } from "../../../run/local";
import { reached } from "../../../run/local";
import { secondsToLift, standsAt, toneAt } from "../../../run/sheet";
import { Mark } from "../../../ui/Mark";
import { clock } from "../../../ui/times";
import type { Acts } from "./useActs";

type Props = { run: Run; local: Local; bite: Bite; now: number; acts: Acts };

/** Out of the bath: what to cover, how long it has been out, what comes next. */
export function OutOfBath({ run, local, bite, now, acts }: Props) {
  const last = local.dips.at(-1);
  const cover = acts.toCover();
  const next = secondsToLift(run.sheet, [[0, local.celsius]], bite.target);
  return (
    <div className="run-out">
      <Cover run={run} local={local} bite={bite} cover={cover} />
      <section>
        <h1>{cover.length > 0 ? `Stop out ${cover.join(", ").toLowerCase()}` : "Covered. Dry?"}</h1>
        <p>
          {cover.length > 0
            ? `${partsOf(run, cover)} As it lies on the plate: mirrored.`
            : "Dip when the varnish is dry to the touch."}
        </p>
        {acts.said ? <p className="run-said">{acts.said}</p> : null}
        {last ? (
          <ul className="run-checks">
            <Check done={local.rinsed} text="rinsed" onDo={acts.rinsed} />
            {run.mordant.includes("ferric") ? (
              <Check done={local.neutralised} text="bicarbonate wipe" onDo={acts.neutralised} />
            ) : null}
            <Check done={cover.length === 0} text="covered" onDo={acts.cover} />
          </ul>
        ) : (
          <p className="run-said">{run.cautions[0]}</p>
        )}
        <dl className="run-duo m-0">
          <div>
            <dt>{last ? "Out for" : "Not bitten yet"}</dt>
            <dd>{last?.lifted ? clock(now - last.lifted) : "0:00"}</dd>
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

function partsOf(run: Run, names: string[]): string {
  const parts = run.areas
    .filter((a) => names.includes(String(a.name)))
    .map((a) => String(a.parts ?? ""))
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
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const totals = reached(run, local);
  return (
    <div className="cover">
      {run.areas.map((area) => {
        const name = String(area.name);
        const now = cover.includes(name);
        const open = bite.open.includes(name);
        const tone = toneAt(run.sheet, name, totals.get(name) ?? 0);
        return (
          <div key={name} className={`cover-row${now ? " now" : ""}`}>
            <svg viewBox="0 0 86 48" aria-hidden="true">
              <Patterns id={`${id}${name.replaceAll(/\W/g, "")}`} tones={[tone?.lstar ?? 94]} />
              <rect
                width="86"
                height="48"
                fill={
                  open || now
                    ? `url(#${id}${name.replaceAll(/\W/g, "")}-g${grainTile(tone?.lstar ?? 94).key})`
                    : "#221C17"
                }
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
              <span>{String(area.parts ?? "")}</span>
            </div>
            <span className="what">
              {now ? "cover now" : open ? "leave open" : "covered"}
              {tone ? `, ${standsAt(run.sheet, name, totals.get(name) ?? 0)}` : ""}
            </span>
          </div>
        );
      })}
    </div>
  );
}
