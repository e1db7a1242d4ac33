import { useState } from "react";
import { type Sheet, sheetsCsvUrl, type Work, type WorkState } from "../../../api/works";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import type { Hands } from "../../../frame/works/useWorkHands";
import { buttonLook } from "../../../ui/Button";
import { Empty, Section } from "../../../ui/Section";
import { Join } from "./Join";
import type { Opened } from "./opened";
import { SheetLine } from "./SheetLine";

type Props = { work: Work; state: WorkState; hands: Hands; log: Log };

/** Every sheet: what is on it, what is left, what it is called; series kept together. */
export function Sheets({ work, state, hands, log }: Props) {
  const { room } = useHere();
  const [opened, open] = useState<Opened>(null);
  const groups = grouped(state);
  // what has an effect is said at its sheet
  const prints = new Set(state.sheets.flatMap((each) => each.prints.map((one) => one.event)));
  const idle = state.notices.filter((each) => !prints.has(each.event));
  return (
    <Section>
      <span className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="mr-auto text-h3">Sheets</h2>
        {state.sheets.length > 0 ? (
          <a className={buttonLook("row")} href={sheetsCsvUrl(room, work.id)} download>
            Save as CSV
          </a>
        ) : null}
      </span>
      {state.sheets.length === 0 ? (
        <Empty title="No sheet yet">
          <p>
            Each sheet is logged as its layers come on it, one touch each. Its crosses tell how the
            plates lie; the sheet that is OK is what the others are held to.
          </p>
        </Empty>
      ) : null}
      {groups.map(({ family, sheets }) => (
        <div key={family?.event ?? sheets[0]?.event ?? "none"}>
          {family ? (
            <h3 className="mt-3">
              {family.name || "A series"}{" "}
              <span className="note">of {family.sheets.length}, kept together</span>
            </h3>
          ) : null}
          <ol>
            {sheets.map((each) => (
              <SheetLine
                key={each.event}
                sheet={each}
                row={work.rows.find((one) => one.sheet === each.event) ?? null}
                work={work}
                state={state}
                hands={hands}
                log={log}
                opened={opened?.sheet === each.event ? opened.what : null}
                open={(what) => open(what ? { sheet: each.event, what } : null)}
              />
            ))}
          </ol>
        </div>
      ))}
      {state.sheets.length > 1 ? <Join state={state} hands={hands} /> : null}
      {idle.length > 0 ? (
        <details className="mt-3">
          <summary className="cursor-pointer">{idle.length} without effect, and why</summary>
          <ul className="mt-1 grid gap-1">
            {idle.map((each) => (
              <li key={`${each.event} ${each.code}`} className="note">
                {each.text}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </Section>
  );
}

type Group = { family: WorkState["families"][number] | null; sheets: Sheet[] };

/** The newest first; a series stands as one. */
function grouped(state: WorkState): Group[] {
  const groups: Group[] = [];
  for (const sheet of [...state.sheets].reverse()) {
    const family = state.families.find((each) => each.event === sheet.family) ?? null;
    const before = family ? groups.find((each) => each.family?.event === family.event) : null;
    if (before) before.sheets.unshift(sheet);
    else groups.push({ family, sheets: [sheet] });
  }
  return groups;
}
