import { Said } from "../../../ui/Said";
import { Link } from "react-router";
import type { Plan } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { BiteSection } from "../../../figures/bite/BiteSection";
import { biteSection, endOf, type Section } from "../../../figures/bite/model";
import { reachedIn } from "../../../figures/bite/reachedNow";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/paths";
import { ButtonLink } from "../../../ui/Button";
import { Beside, Empty } from "../../../ui/Section";
import { Actions } from "./Actions";
import { StageList } from "./StageList";
import { Study } from "./Study";

/** A plate's bites: the section, the list of stages, what can be done with it now. */
export function PlatePage() {
  const { plate, plans, earlier } = usePlate();
  const current = plans.find((plan) => plan.run) ?? plans[0];
  return (
    <>
      <Beside className="mt-1">
        {current ? (
          <Bites plate={plate} plans={inOrder(earlier, plans)} current={current} />
        ) : (
          <NotBitten plate={plate} />
        )}
        <Study plate={plate} />
      </Beside>
      <Actions plate={plate} plans={plans} />
    </>
  );
}

/** Each part's plans, those of its earlier grounds first. */
const inOrder = (earlier: Plan[], plans: Plan[]): Plan[] =>
  plans.flatMap((plan) => [...earlier.filter((each) => each.part === plan.part), plan]);

const titleOf = (plan: Plan): string =>
  plan.ground > 1 ? `${plan.process.title} under ground ${plan.ground}` : plan.process.title;

type BitesProps = { plate: Plate; plans: Plan[]; current: Plan };

/** Lines, then tones, on one time scale. */
function Bites({ plate, plans, current }: BitesProps) {
  const { room } = useHere();
  const drawn = plans.map((plan) => biteSection(plan.areas, plan.sheet, plan.in_bath, endOf(plan)));
  const deepest = Math.max(...drawn.map((section) => section.deepest));
  return (
    <section className="min-w-0">
      <div className="flex flex-wrap items-baseline gap-3">
        <h2>Bite section</h2>
        <span className="note max-phone:hidden">
          {plans.length > 1 ? `${plans.map(titleOf).join(", then ")}. ` : ""}
          Across: share of plate. Down: minutes, as at <Said>{current.process.against}</Said>.
        </span>
        <Link
          className="ml-auto font-semibold underline underline-offset-4"
          to={planPath(room, plate.id, current.part)}
        >
          Open large
        </Link>
      </div>
      <div className="flex gap-2 max-phone:flex-col">
        {plans.map((plan, i) => (
          <div
            key={plan.id}
            className="min-w-0 basis-0"
            style={{ flexGrow: plan.areas.length + 2 }}
          >
            <BiteSection
              section={drawn[i] as Section}
              metal={plate.metal}
              deepest={deepest}
              reached={plan.run ? reachedIn(plate, plan) : null}
            />
          </div>
        ))}
      </div>
      <StageList plan={current} />
    </section>
  );
}

/** A plate that is exposed, else one whose bites are to be planned. */
function NotBitten({ plate }: { plate: Plate }) {
  const { room } = useHere();
  if (!plate.by_light) return <NoPlan plate={plate} />;
  const here = `/r/${room}/plates/${plate.id}`;
  const done = plate.course.some(({ step, state }) => step === "bite" && state === "done");
  const title = plate.light ? "Under the lamp" : done ? "Exposed and hard" : "Exposed, not bitten";
  return (
    <Empty title={title}>
      <p>
        Next: {plate.next_step}{" "}
        {done
          ? "What its lights and darks print tells whether film and times were right."
          : "A film that prints its greys is made of its picture; then it is exposed by the clock, first to the dot screen, then to the film."}
      </p>
      <div className="flex flex-wrap gap-3">
        {done && !plate.light ? (
          <ButtonLink look="strong" to={`${here}/proofs/new`}>
            Hang a proof
          </ButtonLink>
        ) : null}
        <ButtonLink look={done && !plate.light ? "plain" : "strong"} to={`${here}/expose`}>
          {plate.light ? "Go on with the exposure" : "Times under the lamp"}
        </ButtonLink>
        <ButtonLink to={`${here}/positive`}>{done ? "Its film" : "Make the film"}</ButtonLink>
        <ButtonLink to={`${here}/course`}>Go on with the course</ButtonLink>
      </div>
    </Empty>
  );
}

function NoPlan({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const here = `/r/${room}/plates/${plate.id}`;
  const process = plate.processes[0];
  return (
    <Empty title={process ? "No bites planned" : "This plate is not bitten"}>
      <p>
        Next: {plate.next_step}{" "}
        {process
          ? "Its course leads there step by step; the bites can be planned at any time."
          : "Its course leads there step by step."}
      </p>
      <div className="flex flex-wrap gap-3">
        <ButtonLink look="strong" to={`${here}/course`}>
          Go on with the course
        </ButtonLink>
        {process ? (
          <ButtonLink to={planPath(room, plate.id, process.key)}>Plan {process.many}</ButtonLink>
        ) : null}
      </div>
    </Empty>
  );
}
