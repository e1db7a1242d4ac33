import type { Plan } from "../api/plans";
import { shownTemperature, temperatureUnit } from "../ui/units";
import { useUser } from "../ui/useUser";

/** What a plan without a strip is reckoned against. */
const FRESH_CELSIUS = 20;

type Props = { plan: Plan; bath: string; celsius: number; measured: boolean };

/** How fast today's bath bites, against what the plan is reckoned from. */
export function SpeedOfBath({ plan, bath, celsius, measured }: Props) {
  const { units } = useUser();
  const sheet = plan.sheet.plan;
  return (
    <p className="note">
      {bath} at <span className="num">{shownTemperature(celsius, units)}</span>{" "}
      {temperatureUnit(units)} bites ×<b className="num">{sheet.speed.toFixed(2)}</b> against{" "}
      {plan.strip
        ? plan.process.against
        : `${shownTemperature(FRESH_CELSIUS, units)} ${temperatureUnit(units)}, fresh`}{" "}
      ({sheet.speed_low.toFixed(2)} to {sheet.speed_high.toFixed(2)}),{" "}
      {measured ? "measured" : "from thermometer and load"}. Each dip loses about{" "}
      <span className="num">{sheet.wetting_seconds.toFixed(0)}</span> s to wetting.
    </p>
  );
}

/** Where the rate and the undercut of lines come from, and which tables. */
export function RateOfLines({ plan, bath, celsius }: Props) {
  const { units } = useUser();
  const measured = plan.strip !== null || plan.measured.length > 0;
  return (
    <p className="note">
      {bath} at <span className="num">{shownTemperature(celsius, units)}</span>{" "}
      {temperatureUnit(units)}.{" "}
      {measured ? "Rate and undercut from measured lines." : "Rate is a guess, within a third."}{" "}
      Tables {told(plan.sheet.tables)}.
    </p>
  );
}

/** The version of the tables, and which of its numbers are this room's own. */
const told = (tables: string) =>
  tables
    .replace("with own", "with this room's own")
    .replaceAll(/_(um_per_min|kj_per_mol|g_per_l|seconds)/g, "")
    .replaceAll("_", " ");
