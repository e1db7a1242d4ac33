import type { Plan } from "../../../api/plans";
import { ToneSign } from "../../../figures/ToneSign";
import { Mark } from "../../../ui/Mark";
import { clock } from "../../../ui/times";

/** The bites as a table: by the clock, as they count, in all, what to stop out, what to beware of. */
export function StageList({ plan }: { plan: Plan }) {
  const { done, bites, warnings } = plan.sheet.plan;
  const all = [
    ...done.map((bite) => ({ bite, phase: "done" })),
    ...bites.map((bite, i) => ({ bite, phase: plan.in_bath && i === 0 ? "now" : "planned" })),
  ];
  return (
    <>
      <table>
        <thead>
          <tr>
            <th>Bite</th>
            <th className="right">Clock</th>
            <th className="right desk">Counts as</th>
            <th className="right">In all</th>
            <th>{plan.process.hands.follow}</th>
          </tr>
        </thead>
        <tbody>
          {all.map(({ bite, phase }, i) => {
            const next = all[i + 1]?.bite;
            return (
              <tr key={bite.number} className={phase === "now" ? "now" : undefined}>
                <td style={{ whiteSpace: "nowrap" }}>
                  <span style={{ display: "inline-block", width: 22 }}>
                    {phase === "done" ? (
                      <Mark name="done" size={15} />
                    ) : phase === "now" ? (
                      <Mark name="bath" size={17} />
                    ) : null}
                  </span>
                  <b className="n">{bite.number}</b>
                  <span className="vh">{phase}</span>
                </td>
                <td className="right n">{clock(bite.seconds)}</td>
                <td className="right n desk">{clock(bite.reference_seconds)}</td>
                <td className="right n">
                  {clock(Math.max(...bite.areas.map((a) => a.reference_seconds)))}
                </td>
                <td>
                  <Closes plan={plan} names={next?.stop_out_before ?? []} last={!next} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {warnings.map((warning) => (
        <p key={warning.code + warning.area} className="care" style={{ margin: "8px 0 0" }}>
          <Mark name="care" />
          <span>{warning.text}</span>
        </p>
      ))}
    </>
  );
}

function Closes({ plan, names, last }: { plan: Plan; names: string[]; last: boolean }) {
  if (last) return <>nothing: {plan.process.hands.lift.toLowerCase()} and wash</>;
  if (names.length === 0) return <>nothing</>;
  return (
    <>
      {names.map((name) => {
        const place = plan.areas.findIndex((area) => area.name === name);
        return (
          <span key={name} style={{ display: "flex", gap: 8, alignItems: "center" }}>
            <ToneSign tone={place} size={16} />
            <span>
              {name}
              {plan.areas[place]?.parts ? `: ${plan.areas[place].parts}` : ""}
            </span>
          </span>
        );
      })}
    </>
  );
}
