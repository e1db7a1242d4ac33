import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Plan } from "../../../api/plans";
import { printUrl, type Study, studyQuery } from "../../../api/studies";
import { useHere } from "../../../frame/useHere";

const WIDTH_PX = 640;

/** What the plan prints, where the plate has a value study with areas of its names. */
export function Preview({ plan }: { plan: Plan }) {
  const { room } = useHere();
  const study = useQuery(studyQuery(room, plan.plate)).data;
  const tones = study ? tonesOf(study, plan) : null;
  if (!study || tones === null) return null;
  return (
    <figure className="mt-5 max-w-120">
      <img
        src={printUrl(room, study, { width: WIDTH_PX, tones })}
        alt="The print this plan gives"
        width={WIDTH_PX}
        height={Math.round((WIDTH_PX * study.height_mm) / study.width_mm)}
        className="h-auto w-full border-[1.5px] border-ink"
      />
      <figcaption className="note mt-1">
        As it prints with these tones.{" "}
        <Link className="underline" to={`/r/${room}/plates/${plan.plate}/study`}>
          Value study
        </Link>
      </figcaption>
    </figure>
  );
}

/** The tones expected of the study's areas, in their order; null where the plan has other areas. */
export function tonesOf(study: Study, plan: Plan): string | null {
  const all = [...plan.sheet.plan.done, ...plan.sheet.plan.bites];
  const areas = study.cut?.areas ?? [];
  const named = new Set(plan.areas.map((area) => area.name));
  if (plan.part !== "tones" || areas.length === 0 || !areas.some((a) => named.has(a.name))) {
    return null;
  }
  return areas
    .map(({ name, lstar }) => {
      if (!named.has(name)) return lstar ?? "";
      const last = all.findLast((bite) => bite.areas.some((area) => area.name === name));
      return last?.areas.find((area) => area.name === name)?.lstar.toFixed(1) ?? "";
    })
    .join(",");
}
