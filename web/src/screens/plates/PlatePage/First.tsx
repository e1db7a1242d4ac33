import type { Facing, Plan } from "../../../api/plans";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { Segments } from "../../../ui/Segments";
import { clock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";

const FACINGS = [
  ["face up", "Face up"],
  ["face down", "Face down"],
  ["upright", "Upright"],
] as const;

type Props = { plan: Plan; facing: Facing | null; onFacing: (facing: Facing) => void };

/** What will be done first, once it is begun: in which bath, what hands do, how long. */
export function First({ plan, facing, onFacing }: Props) {
  const { me } = useHere();
  const [bite] = plan.sheet.plan.bites;
  if (!bite) return null;
  return (
    <div className="order-last basis-full">
      <p className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <span>
          First: {before(plan, bite)}bite {bite.number} for{" "}
          <b className="num">{clock(bite.seconds)}</b> in {plan.bath_name} at{" "}
          <span className="num">{shownTemperature(plan.bath_temperature_c, me)}</span>{" "}
          {temperatureUnit(me)}.
        </span>
        {facing ? (
          <Segments
            label="How the plate lies"
            value={facing}
            options={FACINGS}
            onChange={onFacing}
          />
        ) : null}
      </p>
      {plan.waits_for.length > 0 ? (
        <Care className="mt-2">Not done yet: {plan.waits_for.join("; ")}.</Care>
      ) : null}
      {plan.alongside ? <Care className="mt-2">{plan.alongside}</Care> : null}
    </div>
  );
}

type Bite = Plan["sheet"]["plan"]["bites"][number];

/** What hands do to the plate before its first bite. */
function before(plan: Plan, bite: Bite): string {
  const { opening } = plan.process.hands;
  const named = (names: string[]) => names.join(", ").toLowerCase();
  const said = [
    bite.stop_out_before.length > 0 ? `stop out ${named(bite.stop_out_before)}` : "",
    bite.cover_before.length > 0 ? `cover ${named(bite.cover_before)} for now` : "",
    bite.open_before.length > 0 && (bite.number > 1 || !opening.covers)
      ? `${opening.verb.toLowerCase()} ${named(bite.open_before)}`
      : "",
  ].filter(Boolean);
  return said.length > 0 ? `${said.join(", ")}; then ` : "";
}
