import type { Layer, Sheet, SheetRow, Work, WorkState } from "../../../api/works";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import { isByHand, isFilm, leftOn } from "../../../frame/works/todo";
import type { Hands } from "../../../frame/works/useWorkHands";
import { growthSaid, sizeOf } from "../../../frame/works/words";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { dayOf, momentOf } from "../../../ui/times";
import { useUser } from "../../../ui/useUser";
import { Approve } from "./Approve";
import { Crosses } from "./Crosses";
import { PrintNext } from "./PrintNext";
import { Scan } from "./Scan";
import type { Opened } from "./opened";
import { SignSheet, SpoilSheet, Tone } from "./SheetAsks";

type What = NonNullable<Opened>["what"];
type Props = {
  sheet: Sheet;
  row: SheetRow | null;
  work: Work;
  state: WorkState;
  hands: Hands;
  log: Log;
  opened: What | null;
  open: (what: What | null) => void;
};

/** One sheet: its layers as squares of their ink, what it is called, what can be done to it. */
export function SheetLine(props: Props) {
  const { sheet, row, work, state, opened } = props;
  const { units } = useUser();
  const said = row?.growth ? growthSaid(row.growth, units) : "";
  return (
    <li className="grid grid-cols-[132px_minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 border-b border-hair py-2 max-desk:grid-cols-[112px_minmax(0,1fr)] max-phone:grid-cols-1">
      <span>
        <b className="num text-h3">{labelOf(sheet, row, state, work.layers_out.some(isByHand))}</b>
        <span className="note block">
          sheet {sheet.place}
          {sheet.name ? `, ${sheet.name}` : ""}
        </span>
      </span>
      <span className="min-w-0">
        <Squares sheet={sheet} work={work} />
        <Facts {...props} />
        {(row?.differs ?? []).map((each) => (
          <Care key={each}>{each}.</Care>
        ))}
        {said ? <Care>{said}</Care> : null}
        {noticed(sheet, state).map((each) => (
          <Care key={each}>{each}</Care>
        ))}
      </span>
      <Acts {...props} />
      {opened ? <Panel {...props} /> : null}
    </li>
  );
}

function labelOf(sheet: Sheet, row: SheetRow | null, state: WorkState, hand: boolean): string {
  if (sheet.spoiled !== null) return row?.number ? `${row.number}, void` : "spoiled";
  if (sheet.signed && row?.state !== "signed") return row?.label ?? "number to come";
  if (state.approved === sheet.event && !sheet.signed) return "OK to print";
  if (!row) return "in work";
  const ghost = row.ghost > 0 && row.state !== "signed" ? `, ghost ${row.ghost}` : "";
  if (hand && row.state !== "signed") return row.ghost > 0 ? `ghost ${row.ghost}` : "first pull";
  if (row.state === "unsigned" && !state.approved) return `proof${ghost}`;
  return `${row.label}${ghost}`;
}

/** Full: printed, in its order; hollow: still to come. */
function Squares({ sheet, work }: { sheet: Sheet; work: Work }) {
  const there = new Set(sheet.prints.map((each) => each.layer));
  return (
    <ul className="flex flex-wrap gap-x-3 gap-y-1">
      {work.layers_out.map((layer) => (
        <li key={layer.id} className="flex items-center gap-1.5">
          <span
            aria-hidden="true"
            className={`size-4 border-[1.5px] ${there.has(layer.id) ? "border-ink" : "border-dashed border-ink-3"}`}
            style={there.has(layer.id) ? { background: layer.hex } : undefined}
          />
          <span className={there.has(layer.id) ? "" : "text-ink-2"}>
            {layer.name}
            {there.has(layer.id) ? "" : " to come"}
          </span>
          {stateOf(sheet, layer) ? <span className="note">{stateOf(sheet, layer)}</span> : null}
        </li>
      ))}
    </ul>
  );
}

/** What is to be known of what was printed on a sheet: it is no ghost, it has a layer twice. */
const noticed = (sheet: Sheet, state: WorkState) =>
  state.notices
    .filter((each) => sheet.prints.some((print) => print.event === each.event))
    .map((each) => each.text);

const stateOf = (sheet: Sheet, layer: Layer) =>
  sheet.prints.findLast((each) => each.layer === layer.id)?.state ?? "";

function Facts({ sheet, row, state }: Props) {
  const { zone } = useHere();
  const { units } = useUser();
  const at = momentOf(new Date(sheet.began_seconds * 1000).toISOString(), zone);
  const read = sheet.areas[0];
  return (
    <span className="note block">
      {at}
      {sheet.sheet_mm ? `, sheet ${sizeOf(...sheet.sheet_mm, units)}` : ""}
      {read ? `, L* ${read.lstar}` : ""}
      {sheet.dry_seconds === null
        ? ""
        : `, dry on ${dayOf(new Date(sheet.dry_seconds * 1000).toISOString(), zone)}`}
      {sheet.crosses
        ? `, crosses read ${sheet.crosses.by === "scan" ? "off a scan" : "by loupe"}`
        : ""}
      {row?.by ? `, signed by ${row.by}` : ""}
      {row?.reason ? `, ${row.reason}` : ""}
      {state.approved === sheet.event && state.condition ? `, only if ${state.condition}` : ""}
    </span>
  );
}

function Acts({ sheet, work, state, hands, opened, open }: Props) {
  const away = sheet.spoiled !== null;
  const left = leftOn(work, sheet);
  const films = sheet.prints.filter((each) => {
    const layer = work.layers_out.find((one) => one.id === each.layer);
    return layer && isFilm(layer);
  });
  const hand = work.layers_out.some(isByHand);
  const toggle = (what: What) => open(opened === what ? null : what);
  const name = `sheet ${sheet.place}`;
  if (away) return <span />;
  return (
    <span className="flex flex-wrap items-center gap-1 max-desk:col-span-full">
      {left[0] && !sheet.signed ? (
        <Button look="row" aria-label={`Print on ${name}`} onClick={() => toggle("print")}>
          Print {left[0].name}
        </Button>
      ) : null}
      {films.length > 1 ? (
        <>
          <Button look="row" aria-label={`Crosses of ${name}`} onClick={() => toggle("crosses")}>
            Crosses
          </Button>
          <Button look="row" aria-label={`Scan of ${name}`} onClick={() => toggle("scan")}>
            Scan
          </Button>
        </>
      ) : null}
      {hand ? (
        <Button look="row" aria-label={`Tone of ${name}`} onClick={() => toggle("tone")}>
          Tone
        </Button>
      ) : null}
      {left.length === 0 && !sheet.signed && !hand && state.approved !== sheet.event ? (
        <Button look="row" aria-label={`OK to print: ${name}`} onClick={() => toggle("approve")}>
          OK
        </Button>
      ) : null}
      {sheet.dry_seconds === null && sheet.prints.length > 0 ? (
        <Button look="row" aria-label={`To dry: ${name}`} onClick={() => hands.dry(sheet)}>
          To dry
        </Button>
      ) : null}
      {sheet.signed ? null : (
        <Button look="row" aria-label={`Sign ${name}`} onClick={() => toggle("sign")}>
          Sign
        </Button>
      )}
      <Button look="row" aria-label={`Spoiled: ${name}`} onClick={() => toggle("spoil")}>
        Spoiled
      </Button>
    </span>
  );
}

function Panel(props: Props) {
  const { sheet, row, work, state, hands, log, opened, open } = props;
  const close = () => open(null);
  const next = leftOn(work, sheet)[0];
  return (
    <div className="col-span-full py-2">
      {opened === "print" && next ? (
        <PrintNext sheet={sheet} layer={next} hands={hands} close={close} />
      ) : null}
      {opened === "crosses" ? <Crosses sheet={sheet} work={work} log={log} close={close} /> : null}
      {opened === "scan" ? <Scan sheet={sheet} work={work} state={state} log={log} /> : null}
      {opened === "approve" ? <Approve sheet={sheet} hands={hands} close={close} /> : null}
      {opened === "tone" ? <Tone sheet={sheet} hands={hands} close={close} /> : null}
      {opened === "spoil" ? <SpoilSheet sheet={sheet} hands={hands} close={close} /> : null}
      {opened === "sign" ? (
        <SignSheet sheet={sheet} row={row} work={work} state={state} hands={hands} close={close} />
      ) : null}
    </div>
  );
}
