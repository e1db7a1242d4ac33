import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { type Bath, type BathHeat, type HeatAsk, heatQuery } from "../../../api/baths";
import { WarmAhead } from "../../../figures/bath/WarmAhead";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { NumberField } from "../../../ui/form/Fields";
import { number, shapeOf, temperature, area } from "../../../ui/form/shape";
import { type Form, useForm } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { shownTemperature, temperatureUnit, type Units } from "../../../ui/units";
import { useKeys } from "../../../ui/useKeys";

const SHAPE = shapeOf("BathHeatInput", {
  minutes: number("Minutes ahead"),
  room_c: temperature("The room is", { optional: true }),
  jacket_c: temperature("Jacket water", { optional: true }),
  reach_c: temperature("Wanted", { optional: true }),
  open_cm2: area("Open metal", { optional: true }),
});

type Read = { [Name in keyof HeatAsk]: number | null };

/** What is asked, without what was left empty. */
function askedOf(read: Read | null): HeatAsk | null {
  if (!read) return null;
  return Object.fromEntries(Object.entries(read).filter(([, value]) => value !== null));
}

/** How warm it will be: left in its room, or in a jacket of warm water, with metal open in it. */
export function HeatAhead({ bath }: { bath: Bath }) {
  const { room, me } = useHere();
  const form = useForm<Read, void>(SHAPE, {
    start: {
      minutes: "60",
      room_c: bath.room_c === null ? "" : shownTemperature(bath.room_c, me),
      jacket_c: "",
      reach_c: "",
      open_cm2: "",
    },
    send: async () => {},
  });
  const asked = askedOf(form.peek<Read>(form.hook.watch()));
  const { data, error, isPlaceholderData } = useQuery(heatQuery(room, bath, asked));
  const answered = useRef(asked); // the answer that stands is that of the question before
  if (!isPlaceholderData) answered.current = asked;
  useEffect(() => {
    if (error) form.place(error);
  }, [error, form.place]);
  const told = asked === null || !data?.heat ? undefined : (data as BathHeat);
  return (
    <Section>
      <h2 aria-live="polite">
        {told ? answer(told, answered.current, me) : "How warm will it be?"}
      </h2>
      <div className="mt-2 grid items-start gap-x-6.5 gap-y-4 desk:grid-cols-[minmax(0,1fr)_262px]">
        <div className="min-w-0">
          {told ? (
            <>
              <WarmAhead
                told={told}
                now={bath.temperature_c}
                wanted={answered.current?.reach_c}
                jacket={answered.current?.jacket_c}
                units={me}
              />
              <p className="note">{pace(told)}</p>
              <Warned told={told} />
            </>
          ) : (
            <Unknown error={error} />
          )}
        </div>
        <Fields form={form} />
      </div>
    </Section>
  );
}

function Unknown({ error }: { error: unknown }) {
  if (error) return <Trouble error={error} />;
  return <p className="note">Say how warm the room is: the bath goes there.</p>;
}

function Fields({ form }: { form: Form }) {
  const first = useRef<HTMLFormElement>(null);
  useKeys({
    h: (event) => {
      event.preventDefault(); // or the letter would be typed into the field
      first.current?.querySelector("input")?.focus();
    },
  });
  return (
    <form
      ref={first}
      noValidate
      onSubmit={form.submit}
      className="grid grid-cols-2 items-start gap-x-4 gap-y-3"
    >
      <NumberField form={form} name="minutes" step={10} />
      <NumberField form={form} name="room_c" step={0.5} />
      <NumberField form={form} name="jacket_c" step={0.5} hint="Empty: none." />
      <NumberField form={form} name="reach_c" step={0.5} />
      <div className="col-span-full">
        <NumberField form={form} name="open_cm2" step={50} hint="Biting: it warms the bath." />
      </div>
    </form>
  );
}

function Warned({ told }: { told: BathHeat }) {
  return told.heat.warnings.map((each, place) => (
    <Care
      key={each.code}
      level={told.cautions[place]?.level}
      className="mt-2"
      more={told.cautions[place]?.now}
    >
      {each.text}
    </Care>
  ));
}

const RUNS_AWAY: readonly string[] = ["too-warm-around", "past-limit"];

/** That it must not be, where it runs away; when it is as warm as wanted; else how warm in the end. */
function answer(told: BathHeat, asked: HeatAsk | null, units: Units): string {
  const { heat, hottest_c } = told;
  const degrees = (celsius: number) => shownTemperature(celsius, units);
  const unit = temperatureUnit(units);
  if (hottest_c !== null && heat.warnings.some((each) => RUNS_AWAY.includes(each.code)))
    return `Not so: it may pass ${degrees(hottest_c)} ${unit} and run away.`;
  const minutes = heat.forecast.at(-1)?.[0] ?? 0;
  const wanted = asked?.reach_c;
  if (wanted === undefined)
    return `In ${minutes.toFixed(0)} min: ${degrees(heat.end_c)} ${unit} (${degrees(heat.end_low_c)} to ${degrees(heat.end_high_c)}).`;
  if (heat.reach_minutes === null)
    return `Not ${degrees(wanted)} ${unit} in ${minutes.toFixed(0)} min: ${degrees(heat.end_c)}.`;
  const [soonest, latest] = [heat.reach_soonest_minutes, heat.reach_latest_minutes];
  const band = [soonest?.toFixed(0) ?? "now", latest?.toFixed(0) ?? "later"].join(" to ");
  return `${degrees(wanted)} ${unit} in ${heat.reach_minutes.toFixed(0)} min (${band}).`;
}

const pace = ({ heat }: BathHeat): string => {
  const after = heat.forecast.at(-1)?.[0].toFixed(0);
  const bites = `After ${after} min it bites ${heat.speed_share.toFixed(2)} times as fast as now.`;
  const gives = heat.dissolved_g > 0 ? ` ${heat.dissolved_g.toFixed(1)} g dissolve.` : "";
  return bites + gives;
};
