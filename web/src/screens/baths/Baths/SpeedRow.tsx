import { Link } from "react-router";
import type { ShelfBath } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { LeftUntil } from "../../../ui/Ticking";
import { Mark } from "../../../ui/Mark";
import { wallClock, weekdayOf } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { SpeedBand, SpeedScale, type Span } from "./SpeedBand";

const COLUMNS =
  "grid gap-x-4 grid-cols-[150px_96px_minmax(200px,1fr)_minmax(190px,240px)_110px] max-desk:grid-cols-[150px_96px_minmax(0,1fr)] max-phone:grid-cols-[minmax(0,1fr)_96px]";

/** The scale under the rows, in their columns. */
export function ScaleRow({ span }: { span: Span }) {
  return (
    <div className={`${COLUMNS} px-2 max-desk:hidden`}>
      <span />
      <span />
      <SpeedScale span={span} />
    </div>
  );
}

type Props = { of: ShelfBath; span: Span; current: boolean };

/** One bath's speed with its doubt, where it is known from, and when it is checked next. */
export function SpeedRow({ of, span, current }: Props) {
  const { room, me, zone } = useHere();
  const { bath, speed } = of;
  const check = of.due === null;
  const read = wallClock(Date.parse(bath.temperature_at) / 1000, zone);
  const unit = temperatureUnit(me);
  return (
    <li
      aria-current={current || undefined}
      className={`${COLUMNS} items-center gap-y-1 border-b border-hair px-2 py-2 aria-[current]:outline-2 aria-[current]:outline-ink ${check ? "bg-ferric-pale" : ""}`}
    >
      <span>
        <Link className="block font-slab text-h3 font-bold" to={`/r/${room}/baths/${bath.id}`}>
          {bath.name}
        </Link>
        <span
          className={`flex items-center gap-1.5 text-note [&>svg]:size-3.5 ${check ? "font-bold text-ferric-deep" : ""}`}
        >
          <Mark name={check ? "care" : "done"} />
          {check ? "check first" : "sure"}
          {of.busy ? ", busy " : ""}
          {of.lift_seconds ? <LeftUntil at={of.lift_seconds} className="num" /> : null}
        </span>
      </span>
      <b className="num text-h2">×{speed.value.toFixed(2)}</b>
      <span className="max-phone:col-span-2">
        <SpeedBand speed={speed} span={span} guess={of.guess} />
      </span>
      <span className="text-note max-desk:col-span-2">
        {of.known_from}
        <br />
        <span className={check ? "text-ferric-deep" : "text-ink-2"}>
          {shownTemperature(bath.temperature_c, me)} {unit}, {of.probe ? "probe" : "typed"} {read}
        </span>
      </span>
      <b className={check ? "text-ferric-deep" : ""}>
        {of.due ? weekdayOf(Date.parse(of.due) / 1000, zone) : "now, 8 min"}
      </b>
    </li>
  );
}
