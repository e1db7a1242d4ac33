import { type ReactNode, useState } from "react";
import type { Sheet, SheetRow, Work, WorkState } from "../../../api/works";
import { isByHand, leftOn } from "../../../frame/works/todo";
import type { Hands } from "../../../frame/works/useWorkHands";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { parseNumber } from "../../../ui/numbers";
import { Segments } from "../../../ui/Segments";

const FIELD =
  "min-h-10 w-64 max-w-full rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12";
type Asked = { sheet: Sheet; hands: Hands; close: () => void };

function Ask({ done, children }: { done: () => void; children: ReactNode }) {
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        done();
      }}
    >
      {children}
    </form>
  );
}

/** How light a pull is, read as one: what the next ghosts are told by. */
export function Tone({ sheet, hands, close }: Asked) {
  const [typed, type] = useState("");
  const read = parseNumber(typed);
  const good = read !== undefined && read >= 0 && read <= 105;
  return (
    <Ask
      done={() => {
        if (!good) return;
        hands.read(sheet, read);
        close();
      }}
    >
      <label className="grid gap-1">
        <span className="font-semibold">L* of the whole, paper is 100</span>
        <input
          className={FIELD}
          inputMode="decimal"
          value={typed}
          aria-invalid={typed !== "" && !good}
          onChange={(event) => type(event.target.value)}
        />
      </label>
      <Button type="submit" disabled={!good}>
        Keep it
      </Button>
      {typed !== "" && !good ? (
        <Care role="alert">{`“${typed}” is not between 0 and 105 L*.`}</Care>
      ) : null}
    </Ask>
  );
}

/** Why: what is printed stays told, and a number once given stands void. */
export function SpoilSheet({ sheet, hands, close }: Asked) {
  const [typed, type] = useState("");
  return (
    <Ask
      done={() => {
        if (!typed.trim()) return;
        hands.spoil(sheet, typed.trim());
        close();
      }}
    >
      <label className="grid gap-1">
        <span className="font-semibold">Why it is spoiled</span>
        <input
          className={FIELD}
          maxLength={120}
          value={typed}
          onChange={(event) => type(event.target.value)}
        />
      </label>
      <Button type="submit" disabled={!typed.trim()}>
        {sheet.signed ? "It is void" : "It is spoiled"}
      </Button>
      {sheet.signed ? <span className="note">Its number stays taken.</span> : null}
    </Ask>
  );
}

type Series = NonNullable<Sheet["series"]>;
const AS: readonly (readonly [Series, string])[] = [
  ["edition", "Edition"],
  ["artist", "Artist's"],
  ["printer", "Printer's"],
  ["trial", "Trial"],
];

type Sign = Asked & { row: SheetRow | null; work: Work; state: WorkState };

/** Sign a sheet; what is otherwise than the one that is OK needs a reason. */
export function SignSheet({ sheet, row, work, state, hands, close }: Sign) {
  const [series, setSeries] = useState<Series>("edition");
  const [reason, why] = useState("");
  const wants = reasonFor(sheet, row, work, state, series);
  return (
    <Ask
      done={() => {
        if (wants && !reason.trim()) return;
        hands.sign(sheet, series, reason.trim());
        close();
      }}
    >
      <Segments label="Signed as" value={series} options={AS} onChange={setSeries} />
      {wants ? (
        <label className="grid gap-1">
          <span className="font-semibold">{wants}</span>
          <input
            className={FIELD}
            maxLength={120}
            value={reason}
            onChange={(event) => why(event.target.value)}
          />
        </label>
      ) : null}
      <Button type="submit" disabled={wants !== "" && !reason.trim()}>
        Sign it
      </Button>
      <span className="note">Its number comes from the print room, and stays.</span>
    </Ask>
  );
}

function reasonFor(
  sheet: Sheet,
  row: SheetRow | null,
  work: Work,
  state: WorkState,
  series: Series,
): string {
  if (series === "trial" || work.layers_out.some(isByHand)) return "";
  if (state.approved === null) return "Nothing is OK yet: why is it signed";
  if ((row?.differs.length ?? 0) > 0) return "It differs from the one that is OK: why";
  return leftOn(work, sheet).length > 0 ? "It has not every layer: why" : "";
}
