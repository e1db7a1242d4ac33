import { useQueries, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { type Plan, planQuery } from "../../../api/plans";
import { type Plate, plateQuery } from "../../../api/plates";
import { pictureUrl } from "../../../api/proofs";
import { BiteSection } from "../../../figures/bite/BiteSection";
import { biteSection, type Section } from "../../../figures/bite/model";
import { useHere } from "../../../frame/useHere";
import { Waits } from "../../../frame/Waits";
import { PARTS, planPath } from "../../../processes/registry";
import { Segments } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";
import { useNow } from "../../../ui/useNow";
import { Actions } from "./Actions";
import { Course } from "./Course";
import { Head } from "./Head";
import { StageList } from "./StageList";
import { reachedNow } from "../../../figures/bite/reachedNow";

/** A plate: its facts, its course, its bites. */
export function PlatePage() {
  const { room } = useHere();
  const { plate: id = "" } = useParams();
  const plate = useQuery(plateQuery(room, id));
  const planned = PARTS.filter((part) => plate.data?.planned.includes(part));
  const found = useQueries({ queries: planned.map((part) => planQuery(room, id, part)) });
  if (plate.error) return <Trouble error={plate.error} />;
  if (!plate.data) return null;
  const plans = found.map((each) => each.data).filter((plan) => plan != null);
  const current = plans.find((plan) => plan.run) ?? plans[0] ?? null;
  return (
    <>
      <Head plate={plate.data} plan={current} />
      <Course key={plate.data.id} plate={plate.data} />
      <Waits plate={plate.data.id} />
      {plans.length > 0 ? (
        <Bites plate={plate.data} plans={plans} current={current as Plan} />
      ) : (
        <NoPlan plate={plate.data} />
      )}
      <Actions plate={plate.data} plans={plans} />
    </>
  );
}

type BitesProps = { plate: Plate; plans: Plan[]; current: Plan };

/** Lines, then tones, on one time scale. */
function Bites({ plate, plans, current }: BitesProps) {
  const { room } = useHere();
  const now = useNow();
  const drawn = plans.map((plan) =>
    biteSection(plan.areas, plan.sheet, plan.in_bath, plan.process.hands.closing),
  );
  const deepest = Math.max(...drawn.map((section) => section.deepest));
  return (
    <div className="plate-cols">
      <section>
        <div className="flex flex-wrap items-baseline gap-3">
          <h2>Bite section</h2>
          <span className="note desk">
            {plans.length > 1 ? `${plans.map((p) => p.process.title).join(", then ")}. ` : ""}
            Across: share of plate. Down: minutes, as at {current.process.against}.
          </span>
          <Link className="ml-auto font-semibold" to={planPath(room, plate.id, current.part)}>
            Open large
          </Link>
        </div>
        <div className="sections">
          {plans.map((plan, i) => (
            <div key={plan.part} style={{ flexGrow: plan.areas.length + 2 }}>
              <BiteSection
                section={drawn[i] as Section}
                metal={plate.metal}
                deepest={deepest}
                now={plan.run ? reachedNow(plate, plan, now) : null}
              />
            </div>
          ))}
        </div>
        <StageList plan={current} />
      </section>
      {plate.study ? <Study room={room} study={plate.study} /> : null}
    </div>
  );
}

function Study({ room, study }: { room: string; study: string }) {
  const [way, setWay] = useState<"print" | "plate">("print");
  return (
    <section>
      <div className="flex flex-wrap items-center gap-3" style={{ marginBottom: 8 }}>
        <h2>Value study</h2>
        <span className="ml-auto">
          <Segments
            label="Which way round"
            value={way}
            options={[
              ["print", "As it prints"],
              ["plate", "On the plate"],
            ]}
            onChange={setWay}
          />
        </span>
      </div>
      <img
        src={pictureUrl(room, study)}
        alt={
          way === "print"
            ? "Value study, as it prints"
            : "Value study, mirrored as it lies on the plate"
        }
        style={{
          width: "100%",
          border: "1.5px solid var(--ink)",
          borderRadius: 3,
          transform: way === "plate" ? "scaleX(-1)" : undefined,
        }}
      />
    </section>
  );
}

function NoPlan({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const here = `/r/${room}/plates/${plate.id}`;
  const process = plate.processes[0];
  return (
    <div className="plate-cols">
      <div className="empty">
        <h2>{process ? "No bites planned" : "This plate is not bitten"}</h2>
        <p>
          Next: {plate.next_step}{" "}
          {process
            ? "Its course leads there step by step; the bites can be planned at any time."
            : "Its course leads there step by step."}
        </p>
        <div className="flex flex-wrap gap-3">
          <Link className="btn strong" to={`${here}/course`}>
            Go on with the course
          </Link>
          {process ? (
            <Link className="btn" to={planPath(room, plate.id, process.key)}>
              Plan {process.many}
            </Link>
          ) : null}
        </div>
      </div>
      {plate.study ? <Study room={room} study={plate.study} /> : null}
    </div>
  );
}
