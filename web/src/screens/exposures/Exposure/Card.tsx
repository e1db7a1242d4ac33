import type { Shapes } from "../../../api/client";
import { Section } from "../../../ui/Section";
import { Digits, Table } from "../../../ui/Table";
import { clock } from "../../../ui/times";

/** Which strips lie under the card when, first the dot screen, then the test film. */
export function Card({ plan, open }: { plan: Shapes["PairTestOutput"]; open: boolean }) {
  return (
    <Section>
      <details open={open}>
        <summary>
          <h2 className="inline">Which strips to cover when</h2>{" "}
          <span className="note">
            {plan.steps.length} exposures, {Math.round(plan.minutes)} min under the lamp and at the
            card
          </span>
        </summary>
        <Table
          columns={[
            { head: "No.", right: true },
            { head: "What to do" },
            { head: "By the clock", right: true },
            { head: "Next strip has had", right: true },
          ]}
        >
          {plan.steps.map((step) => (
            <tr key={step.number}>
              <Digits>{step.number}</Digits>
              <td>{step.text}</td>
              <Digits>{clock(step.seconds)}</Digits>
              <Digits>{clock(step.in_all)}</Digits>
            </tr>
          ))}
        </Table>
        <p className="note mt-1">
          Then wash out, blot, dry and harden as a plate, print it, and read each patch when it is
          dry.
        </p>
      </details>
    </Section>
  );
}
