import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { type Plan, planQuery } from "../../../api/plans";
import { type Plate, plateQuery } from "../../../api/plates";
import { pictureUrl } from "../../../api/proofs";
import { BiteSection } from "../../../figures/bite/BiteSection";
import { biteSection } from "../../../figures/bite/model";
import { useHere } from "../../../frame/useHere";
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
  const plan = useQuery(planQuery(room, id));
  if (plate.error) return <Trouble error={plate.error} />;
  if (!plate.data) return null;
  return (
    <>
      <Head plate={plate.data} plan={plan.data ?? null} />
      <Course key={plate.data.id} plate={plate.data} />
      {plan.data ? (
        <Bites plate={plate.data} plan={plan.data} />
      ) : (
        <NoPlan plate={plate.data.id} metal={plate.data.metal} next={plate.data.next_step} />
      )}
      <Actions plate={plate.data} plan={plan.data ?? null} />
    </>
  );
}

function Bites({ plate, plan }: { plate: Plate; plan: Plan }) {
  const { room } = useHere();
  const now = useNow();
  const section = biteSection(plan.areas, plan.sheet.plan, plan.in_bath);
  return (
    <div className="plate-cols">
      <section>
        <div className="flex flex-wrap items-baseline gap-3">
          <h2>Bite section</h2>
          <span className="note desk">Across: share of plate. Down: minutes, as at the strip.</span>
          <Link className="ml-auto font-semibold" to={`/r/${room}/plates/${plate.id}/plan`}>
            Open large
          </Link>
        </div>
        <BiteSection section={section} metal={plate.metal} now={reachedNow(plate, plan, now)} />
        <StageList plan={plan} />
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

function NoPlan({ plate, metal, next }: { plate: string; metal: string; next: string }) {
  const { room } = useHere();
  const bites = metal === "copper" || metal === "zinc";
  return (
    <div className="empty">
      <h2>{bites ? "No bites planned" : "This plate is not bitten"}</h2>
      <p>
        Next: {next}{" "}
        {bites
          ? "Say which tones you want; a strip and a bath give the times. About five minutes."
          : ""}
      </p>
      {bites ? (
        <Link className="btn strong" to={`/r/${room}/plates/${plate}/plan`}>
          Plan the bites
        </Link>
      ) : null}
    </div>
  );
}
