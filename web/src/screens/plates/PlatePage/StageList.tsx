import type { Plan } from "../../../api/plans";
import { ToneSign } from "../../../figures/ToneSign";
import { Care } from "../../../ui/Care";
import { Mark } from "../../../ui/Mark";
import { Digits, Table } from "../../../ui/Table";
import { clock } from "../../../ui/times";

type Phase = "done" | "now" | "planned";
type Bite = Plan["sheet"]["plan"]["bites"][number];

/** The bites as a table: by the clock, as they count, in all, what to stop out, what to beware of. */
export function StageList({ plan }: { plan: Plan }) {
  const { done, bites, warnings } = plan.sheet.plan;
  const all: { bite: Bite; phase: Phase }[] = [
    ...done.map((bite) => ({ bite, phase: "done" as Phase })),
    ...bites.map((bite, i) => ({
      bite,
      phase: (plan.in_bath && i === 0 ? "now" : "planned") as Phase,
    })),
  ];
  return (
    <>
      <Table
        columns={[
          { head: "Bite" },
          { head: "Clock", right: true },
          { head: "Counts as", right: true, desk: true },
          { head: "In all", right: true },
          { head: follows(plan) },
        ]}
      >
        {all.map(({ bite, phase }, i) => (
          <Row
            key={bite.number}
            plan={plan}
            bite={bite}
            phase={phase}
            next={all[i + 1]?.bite ?? null}
          />
        ))}
      </Table>
      {warnings.map((warning) => (
        <Care key={warning.code + warning.area} className="mt-2">
          {warning.text}
        </Care>
      ))}
    </>
  );
}

const opensUp = (plan: Plan) => plan.method === "open-up";

function follows(plan: Plan): string {
  const { hands } = plan.process;
  return opensUp(plan) ? `Then ${hands.opening.verb.toLowerCase()}` : hands.follow;
}

type RowProps = { plan: Plan; bite: Bite; phase: Phase; next: Bite | null };

function Row({ plan, bite, phase, next }: RowProps) {
  const now = phase === "now";
  return (
    <tr className={now ? "bg-verdigris-pale" : undefined}>
      <td className={`whitespace-nowrap ${now ? "border-l-4 border-l-verdigris pl-1.5" : ""}`}>
        <span className="inline-block w-5.5 [&>svg]:inline">
          {phase === "done" ? <Mark name="done" size={15} /> : null}
          {now ? <Mark name="bath" size={17} /> : null}
        </span>
        <b className="num">{bite.number}</b>
        <span className="sr-only">{phase}</span>
      </td>
      <Digits>{clock(bite.seconds)}</Digits>
      <Digits desk>{clock(bite.reference_seconds)}</Digits>
      <Digits>{clock(Math.max(...bite.areas.map((a) => a.reference_seconds)))}</Digits>
      <td>
        <Then
          plan={plan}
          names={(opensUp(plan) ? next?.open_before : next?.stop_out_before) ?? []}
          last={!next}
        />
      </td>
    </tr>
  );
}

/** What is stopped out, or opened, before the next bite. */
function Then({ plan, names, last }: { plan: Plan; names: string[]; last: boolean }) {
  if (last) return <>nothing: {plan.process.hands.lift.toLowerCase()} and wash</>;
  if (names.length === 0) return <>nothing</>;
  return (
    <>
      {names.map((name) => {
        const place = plan.areas.findIndex((area) => area.name === name);
        const parts = plan.areas[place]?.parts;
        return (
          <span key={name} className="flex items-center gap-2">
            <ToneSign tone={place} size={16} />
            <span>
              {name}
              {parts ? `: ${parts}` : ""}
            </span>
          </span>
        );
      })}
    </>
  );
}
