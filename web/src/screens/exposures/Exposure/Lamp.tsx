import { hoursTold } from "./words";
import type { Lamp as Row } from "../../../api/exposures";
import { LampSide } from "../../../figures/exposure/LampSide";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { dayOf } from "../../../ui/times";
import { shownLength } from "../../../ui/units";
import type { Asked } from "./useExposureKeys";

type Props = { lamp: Row; keeper: boolean; ask: (what: Asked | null) => void };

/** The lamp: its light today with its doubt, its hours, what was measured of it. */
export function Lamp({ lamp, keeper, ask }: Props) {
  const { me, zone } = useHere();
  const { today } = lamp;
  const last = lamp.measurements.find((row) => !row.taken_back);
  const used = lamp.hours == null ? null : Math.min(1, lamp.hours / lamp.usual_hours);
  return (
    <section className="min-w-0 border-t-2 border-ink pt-2">
      <h2 className="text-h3">
        Lamp
        {today.mw_per_cm2 === null ? null : (
          <>
            , <b className="num">{today.mw_per_cm2.toFixed(1)}</b>{" "}
            <small className="font-text text-note font-normal text-ink-2">
              mW/cm² ({today.mw_low?.toFixed(1)} to {today.mw_high?.toFixed(1)})
            </small>
          </>
        )}
      </h2>
      <p className="note">
        {lamp.name}: {lamp.label.toLowerCase()}
        {lamp.distance_mm == null
          ? ""
          : `, ${shownLength(lamp.distance_mm, me)} ${me.length_unit} from the plate`}
        {lamp.vacuum ? ", vacuum frame" : ""}.
      </p>
      <LampSide lamp={lamp} />
      {used === null ? null : (
        <div className="mt-2">
          <div className="h-2.5 border-[1.5px] border-ink bg-paper-lift">
            <div className="h-full bg-polymer" style={{ width: `${100 * used}%` }} />
          </div>
          <p className="flex justify-between text-note">
            <b className="num">{hoursTold(lamp.hours)} h</b>
            <span className="num text-ink-3">about {lamp.usual_hours} h</span>
          </p>
        </div>
      )}
      <p className="mt-1 text-note">{today.text}</p>
      {lamp.evenness ? (
        <p className="mt-1 text-note">
          Over its whole bed the light is ×
          <span className="num">{lamp.evenness.least.toFixed(2)}</span> to{" "}
          {lamp.evenness.most.toFixed(2)} of the middle's, least at the {lamp.evenness.weakest}.
        </p>
      ) : null}
      {last ? (
        <p className="mt-1 text-note">
          Last: {last.text}, {dayOf(last.at, zone)}.
        </p>
      ) : null}
      {keeper ? (
        <Button look="row" className="mt-1 -ml-1.5" onClick={() => ask("lamp")}>
          Change the lamp
        </Button>
      ) : null}
    </section>
  );
}
