import { Link } from "react-router";
import type { ExposureCard } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { saveText } from "../../../ui/saveText";
import { Section } from "../../../ui/Section";
import { clock, momentOf } from "../../../ui/times";

const COLUMNS = ["begun_at", "ended_at", "lamp_name", "lamp_seconds", "outcome", "reason"] as const;

/** A row each; a cell with a comma stands in quotes. */
function csvOf(exposures: ExposureCard[]): string {
  const cell = (value: unknown) => `"${String(value ?? "").replaceAll('"', '""')}"`;
  const rows = exposures.map((each) => COLUMNS.map((name) => cell(each[name])).join(","));
  return [COLUMNS.join(","), ...rows].join("\n");
}

/** Exposures that are over, each with its stages as they were. */
export function Earlier({ exposures }: { exposures: ExposureCard[] }) {
  const { room, zone } = useHere();
  if (exposures.length === 0) return null;
  return (
    <Section>
      <span className="flex items-baseline gap-3">
        <h2 className="text-h3">Exposed before</h2>
        <Button look="row" onClick={() => saveText("exposures.csv", csvOf(exposures))}>
          Save as CSV
        </Button>
      </span>
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
