import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { Plate } from "../../../api/plates";
import { pictureUrl } from "../../../api/proofs";
import { labelsUrl, printUrl, type Study as StudyOut, studyQuery } from "../../../api/studies";
import { useLabels } from "../../../figures/map/labels";
import { StopOutMap } from "../../../figures/map/StopOutMap";
import { useHere } from "../../../frame/useHere";
import { Segments } from "../../../ui/Segments";

const WAYS = [
  ["print", "As it prints"],
  ["plate", "On the plate"],
] as const;
const ALT = {
  print: "Value study, as it prints",
  plate: "Value study, mirrored as it lies on the plate",
};
const WIDTH_PX = 640;

/** The value study, as it prints or mirrored as it lies on the plate, and the map of the next bite. */
export function Study({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const [way, setWay] = useState<"print" | "plate">("print");
  const found = useQuery({ ...studyQuery(room, plate.id), enabled: plate.maps }).data;
  const study = found?.cut ? found : null;
  if (!study && !plate.study) return null;
  const src = study
    ? printUrl(room, study, { width: WIDTH_PX })
    : pictureUrl(room, plate.study ?? "");
  return (
    <section>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-h3">
          {study ? (
            <Link className="underline underline-offset-4" to="study">
              Value study
            </Link>
          ) : (
            "Value study"
          )}
        </h2>
        <Segments label="Which way round" value={way} options={WAYS} onChange={setWay} />
      </div>
      <img
        src={src}
        alt={ALT[way]}
        className={`w-full rounded-key border-[1.5px] border-ink ${way === "plate" ? "-scale-x-100" : ""}`}
      />
      {study ? <NextMap plate={plate} study={study} /> : null}
    </section>
  );
}

/** What is painted before the next bite. */
function NextMap({ plate, study }: { plate: Plate; study: StudyOut }) {
  const { room } = useHere();
  const labels = useLabels(labelsUrl(room, study)).data;
  const next = plate.run ? plate.run.bite + (plate.run.in_bath ? 1 : 0) : 1;
  const stage = study.cut?.stages.find((each) => each.bite === next) ?? study.cut?.stages.at(-1);
  if (!labels || !stage) return null;
  return (
    <figure className="mt-3">
      <StopOutMap
        labels={labels}
        states={stage.states}
        mirrored
        metal={plate.metal}
        pen={stage.pen}
        sizeMm={[study.width_mm, study.height_mm]}
        label={`Map before bite ${stage.bite}, as it lies on the plate`}
      />
      <figcaption className="mt-1">
        <Link className="font-semibold underline underline-offset-4" to={`maps?bite=${stage.bite}`}>
          Before bite <span className="num">{stage.bite}</span>
        </Link>
        , cover {stage.now.join(", ").toLowerCase()}.
      </figcaption>
    </figure>
  );
}
