import { Link } from "react-router";
import type { ExposureCard } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Section } from "../../../ui/Section";
import { clock, momentOf } from "../../../ui/times";

/** Exposures that are over, each with its stages as they were. */
export function Earlier({ exposures }: { exposures: ExposureCard[] }) {
  const { room, zone } = useHere();
  if (exposures.length === 0) return null;
  return (
    <Section>
      <h2 className="text-h3">Exposed before</h2>
      <ul className="mt-1 grid gap-1">
        {exposures.map((each) => (
          <li key={each.id}>
            <Link
              className="inline-block font-semibold underline underline-offset-3 pointer-coarse:min-h-12"
              to={`/r/${room}/exposure/runs/${each.id}`}
            >
              {momentOf(each.begun_at, zone)}
            </Link>{" "}
            <span className="note">
              {each.lamp_name}, {each.outcome}
              {each.reason ? `: ${each.reason}` : ""}. The lamp burnt{" "}
              <span className="num">{clock(each.lamp_seconds)}</span>.
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
}
