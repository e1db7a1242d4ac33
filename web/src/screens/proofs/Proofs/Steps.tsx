import type { Shapes } from "../../../api/client";
import type { Proof } from "../../../api/proofs";
import { Mark, type MarkName } from "../../../ui/Mark";
import { Digits, Table } from "../../../ui/Table";
import { saidMinutes } from "../../../ui/words";
import { BiteOn } from "./BiteOn";

type Step = Shapes["Step"];
const ACTS: Record<Step["act"], { mark: MarkName; colour: string }> = {
  pull: { mark: "proof", colour: "text-ink" },
  bite: { mark: "dip", colour: "text-verdigris" },
  "re-ground": { mark: "dip", colour: "text-verdigris" },
  burnish: { mark: "burnish", colour: "text-copper-deep" },
  drypoint: { mark: "drawing", colour: "text-copper-deep" },
  leave: { mark: "leave", colour: "text-ink-2" },
};
const LONGEST_BAR = 56;

/** What next, by what it does to the tone: the whole print first, then each area's ways. */
export function Steps({ proof }: { proof: Proof }) {
  const steps = (proof.next?.steps ?? []).filter((step) => !settled(step, proof));
  if (steps.length === 0) return null;
  const most = Math.max(1, ...steps.map((step) => step.whole_print));
  return (
    <div>
      <h3>What next, by what it does to the tone</h3>
      <Table
        columns={[
          { head: "Step" },
          { head: "L* then", right: true },
          { head: "whole print", desk: true },
          { head: "within ±3", right: true },
          { head: "takes", right: true, desk: true },
        ]}
      >
        {steps.map((step, i) => (
          <Row
            key={`${step.area} ${step.act}`}
            step={step}
            proof={proof}
            most={most}
            first={steps[i - 1]?.area !== step.area}
          />
        ))}
      </Table>
    </div>
  );
}

/** An area that lies well asks for nothing. */
const settled = (step: Step, proof: Proof) =>
  step.act === "leave" &&
  !proof.next?.steps.some((each) => each.area === step.area && each.act !== "leave");

type RowProps = { step: Step; proof: Proof; most: number; first: boolean };

function Row({ step, proof, most, first }: RowProps) {
  const { mark, colour } = ACTS[step.act];
  return (
    <tr className={first ? undefined : "[&>td]:border-t-0"}>
      <td>
        <span className={`flex gap-2 font-semibold ${colour} [&>svg]:flex-none`}>
          <Mark name={mark} size={20} />
          <span>
            {step.area && first ? <b className="block text-ink">{step.area}</b> : null}
            <span>{step.text}</span>{" "}
            {step.opens && step.opens.length > 0 ? <BiteOn proof={proof} area={step.area} /> : null}
          </span>
        </span>
      </td>
      <Digits>
        {step.lstar == null ? "" : <b>{step.lstar.toFixed(0)}</b>}
        {step.lstar_low == null || step.lstar_high == null ? null : (
          <span className="note block whitespace-nowrap">
            {step.lstar_low.toFixed(0)} to {step.lstar_high.toFixed(0)}
          </span>
        )}
      </Digits>
      <td className="max-phone:hidden">
        {step.whole_print > 0 ? (
          <span className="num flex items-center gap-2">
            <span
              aria-hidden="true"
              className="h-3 bg-ink"
              style={{ width: (LONGEST_BAR * step.whole_print) / most }}
            />
            {step.whole_print.toFixed(1)}
          </span>
        ) : null}
      </td>
      <td className="num text-right whitespace-nowrap">{Math.round(100 * step.sure)} %</td>
      <td className="num text-right whitespace-nowrap max-phone:hidden">
        {step.minutes > 0 ? saidMinutes(step.minutes) : ""}
      </td>
    </tr>
  );
}
