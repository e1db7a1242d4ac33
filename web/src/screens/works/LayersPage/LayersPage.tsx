import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { inksQuery } from "../../../api/editions";
import { rackQuery } from "../../../api/plates";
import { useWork } from "../../../device/useWork";
import { useHere } from "../../../frame/useHere";
import { stackSaid } from "../../../frame/works/words";
import { WorkTabs } from "../../../frame/works/WorkTabs";
import { Asking } from "../../../ui/Asking";
import { Care } from "../../../ui/Care";
import { useUser } from "../../../ui/useUser";
import { LayersForm } from "./LayersForm";
import { Template } from "./Template";

/** The layers of a work in their order: what prints each, in which ink; what the print is called. */
export function LayersPage() {
  const { me, room } = useHere();
  const { units } = useUser();
  const { work: id = "" } = useParams();
  const { work, error } = useWork(me.id, room, id);
  const rack = useQuery(rackQuery(room));
  const inks = useQuery(inksQuery(room));
  if (!work || !rack.data || !inks.data)
    return (
      <Asking error={error ?? rack.error ?? inks.error}>
        <h1>Layers</h1>
      </Asking>
    );
  return (
    <>
      <WorkTabs work={work} />
      <header className="mt-1 min-h-14">
        <h1 className="max-phone:text-far">
          {work.stack ? `${work.stack.title}.` : "What prints, in which order?"}
        </h1>
        <p className="mt-1 text-lead">
          {work.stack_fault?.text ??
            work.stack?.text ??
            "The first layer comes on the sheet first."}
        </p>
      </header>
      {(work.stack?.warnings ?? []).map((each) => (
        <Care key={`${each.code} ${each.layer}`} className="mt-1">
          {stackSaid(each, work, units)}
        </Care>
      ))}
      <LayersForm
        key={work.id}
        work={work}
        plates={rack.data.items}
        inks={inks.data.items.filter((each) => !each.put_away)}
      />
      <Template work={work} />
    </>
  );
}
