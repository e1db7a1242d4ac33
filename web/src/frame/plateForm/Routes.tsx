import { RouteSection } from "../../figures/plate/RouteSection";
import { Care } from "../../ui/Care";
import { FieldFault } from "../../ui/form/Fields";
import type { Form } from "../../ui/form/useForm";
import { begun } from "../../ui/words";
import { MOST_ROUTES, type Route } from "./shape";
import type { Told } from "./usePutIn";

type Fit = NonNullable<Told["told"]>["routes"][number];

/** How the image gets in: one is chosen, or several for a mixed plate, worked lines first. */
export function Routes({ form, of }: { form: Form; of: Told }) {
  const { told, routes, material } = of;
  const odd = told?.routes.filter((each) => !each.fits && routes.includes(each.route)) ?? [];
  return (
    <div className="min-w-0">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-h3">How does the image get into it?</h2>
        <span className="note">{said(of)}</span>
      </div>
      <fieldset className="mt-2 grid grid-cols-4 border-t border-l border-hair max-phone:grid-cols-2">
        <legend className="sr-only">How the image gets into it</legend>
        {told?.routes.map((fit, n) => (
          <Card
            key={fit.route}
            fit={fit}
            at={n + 1}
            material={material}
            place={routes.length > 1 ? told.worked.indexOf(fit.route) + 1 : 0}
            chosen={routes.includes(fit.route)}
            choose={() => toggle(form, routes, fit.route)}
          />
        ))}
      </fieldset>
      <FieldFault form={form} name="route" />
      {odd.map((each) => (
        <Care key={each.route} role="alert" className="mt-2">
          {begun(each.route)}: {each.why}. Choose another material, or leave it out.
        </Care>
      ))}
    </div>
  );
}

function said({ told, routes }: Told): string {
  const worked = told?.worked ?? [];
  if (routes.length < 2 || worked.length < 2) return "Tap several for a mixed plate.";
  return `Mixed: ${worked.join(", then ")}.`;
}

/** Choose a route or leave it out again; one is the plate's route, several make it mixed. */
export function toggle(form: Form, routes: Route[], route: Route): void {
  const next = routes.includes(route)
    ? routes.filter((each) => each !== route)
    : [...routes, route].slice(-MOST_ROUTES);
  const one = next.length > 1 ? "mixed" : (next[0] ?? "");
  form.hook.setValue("routes", next, { shouldDirty: true });
  form.hook.setValue("route", one, { shouldDirty: true, shouldValidate: next.length > 0 });
}

type Props = {
  fit: Fit;
  /** Its digit. */
  at: number;
  material: string;
  /** Its turn on a mixed plate; 0: it is alone, or not chosen. */
  place: number;
  chosen: boolean;
  choose: () => void;
};

function Card({ fit, at, material, place, chosen, choose }: Props) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-keyshortcuts={String(at)}
      disabled={!fit.fits && !chosen}
      className="relative grid min-w-0 content-start gap-0.5 border-r border-b border-hair p-2 text-left text-note aria-pressed:bg-white aria-pressed:outline-[2.5px] aria-pressed:-outline-offset-1 aria-pressed:outline-ink disabled:text-ink-3"
      onClick={choose}
    >
      <span className={fit.fits ? undefined : "opacity-40"}>
        <RouteSection
          route={fit.route}
          metal={fit.route === "photopolymer" ? "polymer" : material}
        />
      </span>
      {place > 0 ? (
        <span className="num absolute top-1.5 right-1.5 grid size-6 place-items-center rounded-full bg-ink font-bold text-paper-lift">
          {place}
        </span>
      ) : null}
      <b className="font-slab text-lead leading-tight">{begun(fit.route)}</b>
      <span className="min-h-9">{fit.fits ? fit.does : fit.why}</span>
      <span className="text-ink-2">{fit.fits ? `needs ${fit.needs}` : ""}</span>
    </button>
  );
}
