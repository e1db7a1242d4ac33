import type { Run } from "../../../api/runs";
import { type Bite, biteLasts, type Local } from "../../../device/local";
import type { Waiting } from "../../../device/waiting";
import { TimeWord } from "../../../ui/Ticking";
import { clock } from "../../../ui/times";
import { useWide } from "../../../ui/useWide";
import { Check } from "../../../ui/night/Check";
import { Goggles, Scrap, ScrapSaid } from "./Companion";
import { Cover } from "./Cover";
import { CoverMap, useRunMap, WithWhat } from "./CoverMap";
import { Heat } from "./Heat";
import { FarText, FarTitle, OutPart, Said } from "../../../ui/night/Night";
import { Line } from "../../../frame/Line";
import { Notices } from "../../../ui/night/Notices";
import { Reading } from "../../../ui/night/Reading";
import { Seen } from "./Seen";
import type { Acts } from "./useActs";
import { useProbeWord } from "./useProbeWord";

type Props = { run: Run; local: Local; bite: Bite; acts: Acts; waiting: Waiting[] };

/** Out of the bath: what to cover, how long it has been out, what comes next. */
export function OutOfBath({ run, local, bite, acts, waiting }: Props) {
  const last = local.state.dips.at(-1);
  const lifted = last?.lifted_seconds ?? null;
  const [cover, open] = [acts.toCover(), acts.toOpen()];
  const next = biteLasts(run, [[0, local.celsius]], bite);
  const hands = { cover, uncover: open, open: bite.open.filter((name) => !open.includes(name)) };
  const labels = useRunMap(run);
  const mapped = labels ? run.map : null;
  const wide = useWide();
  const map =
    mapped && labels ? (
      <CoverMap run={run} map={mapped} labels={labels} hands={hands} number={bite.number} />
    ) : null;
  return (
    <OutPart>
      <div className="grid content-start gap-4">
        {wide ? map : null}
        <Cover
          run={run}
          local={local}
          bite={bite}
          cover={cover}
          uncover={open}
          acts={acts}
          onMap={mapped?.areas.map((area) => area.name) ?? []}
        />
      </div>
      <section className="max-desk:-order-1">
        <Line events={run.events} waiting={waiting} />
        <Heat run={run} celsius={local.celsius} />
        <ProbeWord run={run} />
        <FarTitle>{heading(run, bite, cover, open)}</FarTitle>
        <FarText>
          {cover.length > 0
            ? `${partsOf(run, cover)} ${run.strip ? "" : MIRRORED}`
            : open.length > 0
              ? `${partsOf(run, open)} ${run.process.hands.opening.how} ${MIRRORED}`
              : run.process.hands.ready}
        </FarText>
        {run.map ? <WithWhat map={run.map} hands={hands} number={bite.number} /> : null}
        {wide || !map ? null : <div className="mt-3">{map}</div>}
        {acts.said ? <Said>{acts.said}</Said> : null}
        <ScrapSaid local={local} />
        <Notices notices={local.state.notices} />
        <dl className="mt-5 grid grid-cols-2 border-t-2 border-night-line max-phone:mt-3 flat:mt-2">
          <Reading
            name={last ? "Out for" : run.bites_before ? "Not dipped again" : "Not bitten yet"}
          >
            {lifted === null ? "0:00" : <TimeWord told={(now) => clock(now - lifted)} />}
          </Reading>
          <Reading name={`Then bite ${bite.number} for`}>{clock(next)}</Reading>
        </dl>
        {last ? (
          <>
            <Checks run={run} local={local} bite={bite} acts={acts} />
            <Seen wet={false} local={local} acts={acts} />
          </>
        ) : (
          <Goggles local={local} acts={acts} />
        )}
      </section>
    </OutPart>
  );
}

function ProbeWord({ run }: { run: Run }) {
  const word = useProbeWord(run);
  return word ? <Said role="status">{word}</Said> : null;
}

const MIRRORED = "As it lies on the plate: mirrored.";

/** What hands do now: close for good, close for now, open; else whether all is dry. */
function heading(run: Run, bite: Bite, cover: string[], open: string[]): string {
  const { closing, dip, opening } = run.process.hands;
  const forNow = cover.filter((name) => bite.later.includes(name));
  const forGood = cover.filter((name) => !bite.later.includes(name));
  const said = [
    forGood.length > 0 ? `Stop out ${listed(forGood)}` : "",
    forNow.length > 0 ? `Cover ${allBut(run, bite, forNow)} for now` : "",
    cover.length === 0 && open.length > 0 ? `${opening.verb} ${listed(open)}, then dip` : "",
  ].filter(Boolean);
  if (said.length > 0) return said.join(". ");
  if (closing === "leave") return `${dip} ${listed(bite.open)}`;
  return bite.opens.length > 0 && !opening.covers ? `${opening.done}. Dip` : "Covered. Dry?";
}

/** What is covered for now is nearly all at first: shorter told by what stays open. */
function allBut(run: Run, bite: Bite, names: string[]): string {
  const others = run.sheet.areas.filter((area) => area.wanted !== null).length - bite.open.length;
  return names.length > 1 && names.length === others
    ? `all but ${listed(bite.open)}`
    : listed(names);
}

const listed = (names: string[]) => names.join(", ").toLowerCase();

function partsOf(run: Run, names: string[]): string {
  const parts = run.areas
    .filter((a) => names.includes(a.name))
    .map((a) => a.parts)
    .filter(Boolean)
    .join(", ");
  return parts ? `${parts.charAt(0).toUpperCase()}${parts.slice(1)}.` : "";
}

type ChecksProps = { run: Run; local: Local; bite: Bite; acts: Acts };

function Checks({ run, local, bite, acts }: ChecksProps) {
  const [covered, opened] = [acts.toCover().length === 0, acts.toOpen().length === 0];
  const opens = run.process.hands.closing !== "leave" && bite.opens.length > 0;
  return (
    <ul className="mt-4.5 flex flex-wrap gap-2.5">
      <Check done={local.state.rinsed} text="rinsed" onDo={acts.rinsed} />
      {opens && covered ? (
        <Check
          done={opened}
          text={run.process.hands.opening.done.toLowerCase()}
          onDo={acts.prepared}
        />
      ) : (
        <Check done={covered} text="covered" onDo={acts.prepared} />
      )}
      <Scrap run={run} local={local} acts={acts} />
    </ul>
  );
}
