import type { ExposureState, StagePlan } from "../../../api/exposures";
import { StageBars } from "../../../figures/exposure/StageBars";
import { Line } from "../../../frame/Line";
import { useHere } from "../../../frame/useHere";
import { Mark } from "../../../ui/Mark";
import { FarClock } from "../../../ui/night/FarClock";
import { Forgotten } from "../../../ui/night/Forgotten";
import { Said } from "../../../ui/night/Night";
import { Reading } from "../../../ui/night/Reading";
import { TimeWord } from "../../../ui/Ticking";
import { clock, wallClock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { useNowOf } from "../../../ui/useNow";
import { drawnOf } from "./stages";
import type { Seen } from "./useExposeActs";

const READY_SECONDS = 10;

type Props = {
  seen: Seen;
  plan: StagePlan;
  span: ExposureState["spans"][number];
  due: number;
  stale: boolean;
};

/** A stage under way: the clock, what happens at zero, and three readings. */
export function UnderWay({ seen, plan, span, due, stale }: Props) {
  return (
    <>
      <div className="min-h-0 overflow-auto pt-5 pr-2 pb-2.5 pl-6 max-desk:row-start-3 max-desk:px-5.5 max-phone:px-4 flat:hidden">
        <StageBars drawn={drawnOf(seen.exposure, seen.lit)} upright />
      </div>
      <section className="relative flex min-h-0 min-w-0 flex-col pr-8 pl-4.5 max-desk:row-start-2 max-desk:px-5.5 max-desk:pt-4.5 max-phone:px-4 max-phone:pt-3 flat:row-start-2 flat:overflow-auto flat:px-5 flat:pt-3">
        <Line events={seen.exposure.events} waiting={seen.waiting} />
        {stale ? (
          <WasForgotten seen={seen} plan={plan} span={span} due={due} />
        ) : (
          <>
            <Countdown due={due} />
            <AtZero seen={seen} plan={plan} due={due} />
            {plan.pace === "rays" ? (
              <Said>No looking into the lamp, no bare skin in its light.</Said>
            ) : null}
            <Facts seen={seen} span={span} due={due} />
          </>
        )}
      </section>
    </>
  );
}

function Countdown({ due }: { due: number }) {
  const left = useNowOf((now) => (due >= now ? Math.ceil(due - now) : -Math.round(now - due)));
  const over = useNowOf((now) => now > due);
  const word = over ? "over" : left <= READY_SECONDS ? "get ready" : "to go";
  return <FarClock text={clock(Math.abs(left))} over={over} word={word} />;
}

function AtZero({ seen, plan, due }: Pick<Props, "seen" | "plan" | "due">) {
  const over = useNowOf((now) => now > due);
  const { sheet } = seen.exposure;
  const after = sheet.stages[(seen.lit.stands.next ?? 0) + 1];
  return (
    <p className="text-far-2 leading-[1.14] font-semibold tracking-tight max-desk:mt-2.5 max-desk:mb-4.5 max-phone:mt-2 max-phone:mb-3 max-phone:text-h2 short:text-h1 flat:mt-2 flat:mb-2 flat:text-h2">
      {over ? "" : "At zero: "}
      <b className="text-(--glow)">{over ? `${plan.end_verb} now.` : plan.at_zero}</b>{" "}
      {after && plan.checks.length === 0 ? `Then ${after.title.toLowerCase()}.` : ""}
    </p>
  );
}

function Facts({ seen, span, due }: Pick<Props, "seen" | "span" | "due">) {
  const { zone, me } = useHere();
  const { exposure, lit } = seen;
  return (
    <dl className="mt-auto mb-1.5 grid grid-cols-3 border-t-2 border-night-line max-desk:m-0 short:mb-1.5 flat:mt-auto flat:mb-1.5">
      <Reading name="So far">
        <TimeWord told={(now) => clock(now - span.at_seconds)} />
      </Reading>
      {span.stage === "wash" ? (
        <Reading
          name={
            <>
              <Mark name="heat" /> Water
            </>
          }
        >
          {shownTemperature(lit.state.water_c ?? exposure.sheet.water_c, me)}
          <small className="ml-[0.1em] font-text text-far font-medium text-night-ink-2 max-phone:text-body">
            {temperatureUnit(me)}
          </small>
        </Reading>
      ) : (
        <Reading name={exposure.lamp_name}>
          {exposure.lamp_hours === null ? "–" : `${Math.round(exposure.lamp_hours)} h`}
        </Reading>
      )}
      <Reading name="Over at">{wallClock(due, zone)}</Reading>
    </dl>
  );
}

function WasForgotten({ seen, plan, span, due }: Omit<Props, "stale">) {
  const { zone } = useHere();
  return (
    <Forgotten
      id={span.event}
      began={span.at_seconds}
      due={due}
      notices={seen.lit.state.notices}
      words={{
        text: (
          <>
            {plan.title} was due at {wallClock(due, zone)},{" "}
            <TimeWord told={(now) => clock(now - due)} /> ago.
          </>
        ),
        hint: "Was its end forgotten? Say when it was over, so that the rest is right.",
        field: "Over after, minutes and seconds",
        onTime: "It was over on time",
        after: "It was over after this",
        never: "It never began",
      }}
      end={(after) =>
        seen.log(
          { kind: "ended", data: { began: span.event, remembered: true } },
          span.at_seconds + after,
        )
      }
      undo={() => seen.log({ kind: "undo", data: { event: span.event } })}
    />
  );
}
