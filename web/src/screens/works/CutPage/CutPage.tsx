import { useParams } from "react-router";
import { useWork } from "../../../device/useWork";
import { useHere } from "../../../frame/useHere";
import { WorkTabs } from "../../../frame/works/WorkTabs";
import { Asking } from "../../../ui/Asking";
import { Stencilled } from "./Stencilled";
import { Traced } from "./Traced";

/** What is cut and what is followed: stencils from a drawing, the mirrored sheet of a tracing. */
export function CutPage() {
  const { me, room } = useHere();
  const { work: id = "" } = useParams();
  const { work, state, log, error } = useWork(me.id, room, id);
  if (!work || !state)
    return (
      <Asking error={error}>
        <h1>Stencils and tracing</h1>
      </Asking>
    );
  return (
    <>
      <WorkTabs work={work} />
      <Stencilled work={work} />
      {work.layers_out
        .filter((each) => each.kind === "monotype-traced")
        .map((layer) => (
          <Traced key={layer.id} work={work} layer={layer} state={state} log={log} />
        ))}
    </>
  );
}
