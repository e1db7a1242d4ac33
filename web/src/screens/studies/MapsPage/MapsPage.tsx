import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { labelsUrl, type Stage, type Study, studyQuery } from "../../../api/studies";
import { useLabels } from "../../../figures/map/labels";
import { StopOutMap } from "../../../figures/map/StopOutMap";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { ButtonLink } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Beside, Empty } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { useKeys } from "../../../ui/useKeys";
import { Exports } from "./Exports";
import { Film } from "./Film";
import { LookOver, useLook } from "./LookOver";
import { Paint } from "./Paint";

const WAYS = [
  ["plate", "On the plate"],
  ["print", "As it prints"],
] as const;

/** What to cover before each bite, as it lies on the plate. */
export function MapsPage() {
  const { room } = useHere();
  const { plate } = usePlate();
  const found = useQuery(studyQuery(room, plate.id));
  if (found.data === undefined) return <Asking error={found.error} />;
  const study = found.data;
  if (!study?.cut || study.cut.stages.length === 0) {
    return (
      <Empty title="Cut the study first">
        <p>
          The maps are drawn from the areas of the value study: what to paint before each bite,
          mirrored as it lies on the plate.
        </p>
        <ButtonLink look="strong" to={`/r/${room}/plates/${plate.id}/study`}>
          {study ? "Go to the study" : "Begin with a picture"}
        </ButtonLink>
      </Empty>
    );
  }
  return <Maps study={study} stages={study.cut.stages} />;
}

function Maps({ study, stages }: { study: Study; stages: Stage[] }) {
  const { room } = useHere();
  const { plate } = usePlate();
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const [mirrored, setMirrored] = useState(true);
  const asked = Number(params.get("bite"));
  const place = Math.max(
    0,
    stages.findIndex((each) => each.bite === asked),
  );
  const stage = stages[place] as Stage;
  const go = (to: number) => {
    const next = stages[Math.min(stages.length - 1, Math.max(0, to))];
    if (next) setParams({ bite: String(next.bite) }, { replace: true });
  };
  const labels = useLabels(labelsUrl(room, study));
  const look = useLook(plate.id, stage.bite);
  useKeys({
    "[": () => go(place - 1),
    "]": () => go(place + 1),
    m: () => setMirrored((now) => !now),
    p: () => navigate(`/r/${room}/plates/${plate.id}/card`),
  });
  const opens = stage.states[0] === 0 && stages[0]?.states[0] === 0;
  const verb = opens ? "open" : "cover";
  const rings = (study.cut?.islands ?? []).filter((each) => stage.now.includes(each.area));
  return (
    <>
      <header className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <h2 className="min-w-0 flex-1 text-h1 leading-tight">
          Before bite {stage.bite}, {verb} {stage.now.join(" and ").toLowerCase()}.
        </h2>
        <Segments
          label="Before which bite"
          value={String(stage.bite)}
          options={stages.map((each) => [String(each.bite), String(each.bite)] as const)}
          onChange={(bite) => go(stages.findIndex((each) => String(each.bite) === bite))}
        />
        <Segments
          label="Which way round"
          value={mirrored ? "plate" : "print"}
          options={WAYS}
          onChange={(way) => setMirrored(way === "plate")}
        />
      </header>
      <Beside>
        <div className="min-w-0">
          {labels.data ? (
            <StopOutMap
              labels={labels.data}
              states={stage.states}
              mirrored={mirrored}
              metal={plate.metal}
              pen={stage.pen}
              rings={rings}
              marks={look.marks}
              sizeMm={[study.width_mm, study.height_mm]}
              label={`Map before bite ${stage.bite}, ${mirrored ? "as it lies on the plate" : "as it prints"}`}
            />
          ) : labels.error ? (
            <Care>The map did not load. Paint {stage.now.join(", ")}.</Care>
          ) : (
            <p>Drawing the map.</p>
          )}
          <LookOver
            look={look}
            plate={plate.id}
            stage={stage}
            method={opens ? "open-up" : "stop-out"}
          />
        </div>
        <aside className="min-w-0">
          <Paint study={study} stage={stage} verb={verb} rings={rings.length} />
          <Exports study={study} opens={opens} />
        </aside>
      </Beside>
      <Film study={study} stages={stages} chosen={place} choose={go} labels={labels.data ?? null} />
    </>
  );
}
