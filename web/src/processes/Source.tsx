import type { Plan } from "../api/plans";

type Props = { plan: Plan; bath: string; celsius: number; measured: boolean };

/** How fast today's bath bites, against what the plan is reckoned from. */
export function SpeedOfBath({ plan, bath, celsius, measured }: Props) {
  const sheet = plan.sheet.plan;
  return (
    <p className="note">
      {bath} at <span className="num">{celsius.toFixed(1)}</span> °C bites ×
      <b className="num">{sheet.speed.toFixed(2)}</b> against{" "}
      {plan.strip ? plan.process.against : "20 °C, fresh"} ({sheet.speed_low.toFixed(2)} to{" "}
      {sheet.speed_high.toFixed(2)}), {measured ? "measured" : "from thermometer and load"}. Each
      dip loses about <span className="num">{sheet.wetting_seconds.toFixed(0)}</span> s to wetting.
    </p>
  );
}

/** Where the rate and the undercut of lines come from, and which tables. */
export function RateOfLines({ plan, bath, celsius }: Props) {
  const measured = plan.strip !== null || plan.measured.length > 0;
  return (
    <p className="note">
      {bath} at <span className="num">{celsius.toFixed(1)}</span> °C.{" "}
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
