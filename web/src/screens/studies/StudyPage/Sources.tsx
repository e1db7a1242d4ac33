import { useQuery } from "@tanstack/react-query";
import { bathsQuery } from "../../../api/baths";
import { everyStripQuery } from "../../../api/strips";
import type { Study } from "../../../api/studies";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Chooser } from "../../../ui/form/Picker";
import type { Changes } from "./useStudy";

/** The strip that says which tones can be had, and the bath that says how long they take. */
export function Sources({ study, changes }: { study: Study; changes: Changes }) {
  const { room } = useHere();
  const { plate } = usePlate();
  const strips = (useQuery(everyStripQuery(room)).data?.items ?? []).filter(
    (strip) => strip.usable && strip.metal === plate.metal,
  );
  const baths = (useQuery(bathsQuery(room)).data?.items ?? []).filter(
    (bath) => bath.metal === plate.metal && !bath.retired,
  );
  return (
    <div className="mt-3 flex flex-wrap gap-4">
      <Chooser
        label="Strip"
        value={study.strip ?? ""}
        options={[...strips.map((each) => [each.id, each.name] as const), ["", "none: a guess"]]}
        onChange={(strip) => changes.change({ strip: strip || null, tones: null, bounds: null })}
      />
      <Chooser
        label="Bath"
        value={study.bath ?? ""}
        options={[...baths.map((each) => [each.id, each.name] as const), ["", "none yet"]]}
        onChange={(bath) => changes.change({ bath: bath || null })}
      />
    </div>
  );
}
