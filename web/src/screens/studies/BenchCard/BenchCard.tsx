import { useQuery } from "@tanstack/react-query";
import type { Plan } from "../../../api/plans";
import { labelsUrl, type Stage, type Study, studyQuery } from "../../../api/studies";
import { type Labels, useLabels } from "../../../figures/map/labels";
import { StopOutMap } from "../../../figures/map/StopOutMap";
import { nowSeconds } from "../../../device/clock";
import { ToneSign } from "../../../figures/ToneSign";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Button, ButtonLink } from "../../../ui/Button";
import { Empty } from "../../../ui/Section";
import { clock, dayOf } from "../../../ui/times";
import { shownTemperature, temperatureUnit, shownLength } from "../../../ui/units";
import { useUser } from "../../../ui/useUser";
import { CardSection } from "./CardSection";
import "./card.css";
import { usePaper } from "../../../frame/usePaper";

const TICKS = ["extraction on", "gloves, goggles", "back and edges covered", "water ready"];

/** The bench card: times by the clock, what to paint, boxes to tick; A5, black on white. */
export function BenchCard() {
  const { room } = useHere();
  const { plate, plans } = usePlate();
  const study = useQuery(studyQuery(room, plate.id)).data ?? null;
  const labels = useLabels(study?.cut ? labelsUrl(room, study) : "").data ?? null;
  const plan = plans.find((each) => each.part === "tones") ?? plans[0];
  usePaper("A5 landscape");
  if (!plan) {
    return (
      <Empty title="Nothing to put on a card">
        <p>Plan the bites first: the card shows their times and what to paint before each.</p>
        <ButtonLink look="strong" to={`/r/${room}/plates/${plate.id}`}>
          Go to the plate
        </ButtonLink>
      </Empty>
    );
  }
  return (
    <>
      <div className="my-3 flex flex-wrap items-center gap-3 print:hidden">
        <p className="min-w-0 flex-1 font-slab text-h2 font-semibold">Bench card, A5 across</p>
        <Button look="strong" onClick={() => window.print()}>
          Print it
        </Button>
      </div>
      <Card plan={plan} study={study} labels={labels} />
    </>
  );
}

type Props = { plan: Plan; study: Study | null; labels: Labels | null };

function Card({ plan, study, labels }: Props) {
  const { plate } = usePlate();
  const { units } = useUser();
  const { zone } = useHere();
  const { done, bites, speed } = plan.sheet.plan;
  const rows = [...done, ...bites];
  const stages = study?.cut?.stages ?? [];
  const ticks = plate.metal === "copper" ? [...TICKS, "no zinc in the tank"] : TICKS;
  return (
    <article className="bench-card printed-alone border border-line bg-white p-6 text-ink">
      <header className="flex flex-wrap items-baseline gap-x-5 border-b-3 border-ink pb-1.5">
        <h2 className="text-h1">{plate.name}</h2>
        <span className="text-lead">
          {plate.metal}{" "}
          <span className="num">
            {shownLength(plate.width_mm, units)} × {shownLength(plate.height_mm, units)}
          </span>{" "}
          {units.length_unit}, {plan.bath_name}
        </span>
        <span className="num ml-auto text-lead">
          {shownTemperature(plan.bath_temperature_c, units)} {temperatureUnit(units)}, ×
          {speed.toFixed(2)}
        </span>
        <span className="num text-lead">
          {dayOf(new Date(nowSeconds() * 1000).toISOString(), zone)}
        </span>
      </header>
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)_46%] gap-6 max-phone:grid-cols-1">
        <CardSection plan={plan} />
        {study && labels && stages.length > 0 ? (
          <Thumbs study={study} labels={labels} stages={stages} />
        ) : null}
      </div>
      <div className="relative overflow-x-auto">
        <table className="mt-3 w-full [&_td]:border-ink [&_th]:border-ink">
          <thead>
            <tr>
              <th>Bite</th>
              <th>By the clock</th>
              <th>Counts as</th>
              <th>In all</th>
              <th>Then stop out</th>
              <th>In the bath</th>
              <th>Out at</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((bite) => (
              <tr key={bite.number}>
                <td className="num">{bite.number}</td>
                <td className="num text-h2 font-bold">{clock(bite.seconds)}</td>
                <td className="num">{clock(bite.reference_seconds)}</td>
                <td className="num">
                  {clock(Math.max(...bite.areas.map((a) => a.reference_seconds)))}
                </td>
                <td>
                  <Then plan={plan} stages={stages} after={bite.number} />
                </td>
                <td className="w-24 border-l border-ink" />
                <td className="w-24 border-l border-ink" />
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-3 flex flex-wrap gap-x-6 gap-y-1">
        {ticks.map((each) => (
          <span key={each} className="flex items-center gap-2">
            <i aria-hidden="true" className="block size-4.5 border-[1.5px] border-ink" /> {each}
          </span>
        ))}
      </p>
      <p className="mt-1.5">
        Times are for the bath at {shownTemperature(plan.bath_temperature_c, units)}{" "}
        {temperatureUnit(units)}; another temperature, other times. Local rules and the supplier's
        safety sheet come first.
      </p>
    </article>
  );
}

function Then({ plan, stages, after }: { plan: Plan; stages: Stage[]; after: number }) {
  const stage = stages.find((each) => each.bite === after + 1);
  const next = [...plan.sheet.plan.done, ...plan.sheet.plan.bites].find(
    (each) => each.number === after + 1,
  );
  const names = stage?.now ?? next?.stop_out_before ?? [];
  if (!next) return <>nothing: lift and wash</>;
  return (
    <span className="flex items-center gap-2">
      <ToneSign tone={after} size={18} /> {names.join(", ") || "nothing"}
      {stage ? ` (${stage.pen} pen)` : ""}
      {stage && stage.crayon.length > 0 ? `, then crayon ${stage.crayon.join(", ")}` : ""}
    </span>
  );
}

/** Each stage's map, small. */
function Thumbs({ study, labels, stages }: { study: Study; labels: Labels; stages: Stage[] }) {
  return (
    <ol className="grid grid-cols-3 content-start gap-x-3 gap-y-1.5">
      {stages.map((stage) => (
        <li key={stage.bite}>
          <StopOutMap
            labels={labels}
            states={stage.states}
            mirrored
            metal="card"
            sizeMm={[study.width_mm, study.height_mm]}
            label={`Small map before bite ${stage.bite}`}
          />
          <span className="leading-tight">
            <b className="num">{stage.bite}</b> {stage.now.join(", ").toLowerCase()}
          </span>
        </li>
      ))}
      <li className="self-center leading-tight">
        As it lies on the plate: mirrored. Striped: cover before that bite. Grey: covered.
      </li>
    </ol>
  );
}
