import type { Shapes } from "../../../api/client";
import type { Faults } from "../../../api/exposures";
import { Section } from "../../../ui/Section";

type Props = { faults: Faults; signs: Shapes["SignOut"][] };

const FACTS: Record<string, string> = {
  paper_lstar: "clear film prints off",
  highlight_lstar: "5 % film prints off",
  shadow_lstar: "95 % film prints off",
  solid_lstar: "solid film prints off",
};
const LEAST_SHOWN = 0.03;

/** Causes by their chance, what speaks for each, what to do now, and the test that tells next. */
export function Causes({ faults, signs }: Props) {
  const named = new Map<string, string>(signs.map(({ key, label }) => [key, label.toLowerCase()]));
  const shown = faults.causes.filter((cause, i) => i === 0 || cause.chance >= LEAST_SHOWN);
  return (
    <>
      <ol className="grid gap-4">
        {shown.map((cause, i) => (
          <li key={cause.key}>
            <h2 className="flex items-baseline gap-3 text-h3">
              <span className="num w-14 flex-none text-right">
                {Math.round(100 * cause.chance)} %
              </span>
              {cause.label}
            </h2>
            <div className="mt-1 ml-17 h-2 border border-ink bg-paper-lift">
              <div className="h-full bg-ink" style={{ width: `${100 * cause.chance}%` }} />
            </div>
            <div className="mt-1 ml-17 text-note">
              <p>{cause.why}</p>
              {cause.speaks_for.length > 0 ? (
                <p className="text-ink-2">
                  For it: {cause.speaks_for.map((key) => named.get(key) ?? FACTS[key]).join("; ")}.
                </p>
              ) : null}
              {i === 0 ? (
                <p>
                  <b>Now:</b> {cause.now}
                </p>
              ) : null}
            </div>
          </li>
        ))}
      </ol>
      <Section>
        <h2 className="text-h3">Test next</h2>
        <p className="mt-1">{faults.next_test}</p>
      </Section>
    </>
  );
}
