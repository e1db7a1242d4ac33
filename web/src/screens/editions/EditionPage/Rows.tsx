import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type Edition, type Impression, signImpression } from "../../../api/editions";
import type { Log } from "../../../device/useWaiting";
import { newId } from "../../../device/ids";
import { turnsOf } from "../../../figures/press/turns";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { parseNumber } from "../../../ui/numbers";
import { Segments } from "../../../ui/Segments";
import { momentOf } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";

type Props = {
  edition: Edition;
  log: Log;
  chosen: string | null;
  choose: (pull: string) => void;
};

/** Every pull as a row: number, time, who, how it was pressed, what it reads. */
export function Rows({ edition, log, chosen, choose }: Props) {
  return (
    <ol className="grid">
      {[...edition.rows].reverse().map((row) => (
        <Row
          key={row.pull}
          row={row}
          edition={edition}
          log={log}
          now={row.pull === chosen}
          choose={() => choose(row.pull)}
        />
      ))}
    </ol>
  );
}

type RowProps = { row: Impression; edition: Edition; log: Log; now: boolean; choose: () => void };

function Row({ row, edition, log, now, choose }: RowProps) {
  const { zone } = useHere();
  const [asked, ask] = useState<"sign" | "spoil" | null>(null);
  const away = row.state === "spoiled" || row.state === "void";
  const at = momentOf(new Date(row.at_seconds * 1000).toISOString(), zone);
  return (
    <li
      className={`grid grid-cols-[96px_minmax(0,1fr)_auto] items-center gap-x-3 border-b border-hair max-phone:grid-cols-[72px_minmax(0,1fr)] ${now ? "bg-verdigris-pale" : ""}`}
    >
      <button type="button" className="num min-h-10 text-left text-h3 font-bold" onClick={choose}>
        {row.state === "signed" || row.state === "void" ? row.label : ""}
        {row.state === "signed" ? (
          ""
        ) : (
          <small className="block text-note font-normal">
            {row.state === "void" ? "void" : row.label}
          </small>
        )}
      </button>
      <span>
        <span className="note">{at}</span>
        {row.by ? `, ${row.by}` : ""}
        {row.quarters === null ? "" : `, ${turnsOf(row.quarters)} turns`}
        {row.passes > 1 ? `, ${row.passes} passes` : ""}
        {row.damp_seconds === null ? "" : `, damp ${Math.round(row.damp_seconds / 60)} min`}
        {row.lstar === null ? "" : `, ${edition.wears} L* ${row.lstar}`}
        {row.reason ? <b>, {row.reason}</b> : ""}
        {row.note ? `, ${row.note}` : ""}
      </span>
      <span className="flex items-center gap-1 max-phone:col-span-full">
        {row.state === "unsigned" ? (
          <Button
            look="row"
            aria-label={`Sign the pull of ${at}`}
            onClick={() => ask(asked === "sign" ? null : "sign")}
          >
            Sign
          </Button>
        ) : null}
        {away ? null : (
          <Button
            look="row"
            aria-label={`Spoiled: ${row.state === "signed" ? `no. ${row.label}` : `the pull of ${at}`}`}
            onClick={() => ask(asked === "spoil" ? null : "spoil")}
          >
            Spoiled
          </Button>
        )}
      </span>
      {asked === "sign" ? <Sign row={row} edition={edition} close={() => ask(null)} /> : null}
      {asked === "spoil" ? (
        <Spoil
          signed={row.state === "signed"}
          done={(reason) => {
            log({ kind: "spoiled", data: { pull: row.pull, reason } });
            ask(null);
          }}
        />
      ) : null}
    </li>
  );
}

const FIELD =
  "min-h-10 w-64 max-w-full rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12";

/** Why: a number stands void with its reason, and is never given again. */
function Spoil({ signed, done }: { signed: boolean; done: (reason: string) => void }) {
  const [typed, type] = useState("");
  return (
    <form
      className="col-span-full flex flex-wrap items-center gap-3 py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim()) done(typed.trim());
      }}
    >
      <label className="flex items-center gap-2">
        Why
        <input
          // biome-ignore lint/a11y/noAutofocus: it was asked for by the button beside it
          autoFocus
          className={FIELD}
          maxLength={120}
          value={typed}
          onChange={(event) => type(event.target.value)}
        />
      </label>
      <Button type="submit" disabled={!typed.trim()}>
        {signed ? "It is void" : "It is spoiled"}
      </Button>
      {signed ? <span className="note">Its number stays taken.</span> : null}
    </form>
  );
}

type Series = NonNullable<Impression["series"]>;
const AS: readonly (readonly [Series, string])[] = [
  ["edition", "Edition"],
  ["artist", "Artist's"],
  ["printer", "Printer's"],
  ["trial", "Trial"],
];

/** Sign a pull that was left for later, under the next number or one that is free. */
function Sign({ row, edition, close }: { row: Impression; edition: Edition; close: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const [typed, type] = useState("");
  const [reason, say] = useState("");
  const [series, setSeries] = useState<Series>("edition");
  const sign = useMutation({
    mutationFn: () =>
      signImpression(room, edition.plate, {
        id: newId(),
        pull: row.pull,
        series,
        number: parseNumber(typed) ?? null,
        reason,
      }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      close();
    },
  });
  return (
    <form
      className="col-span-full flex flex-wrap items-center gap-3 py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        sign.mutate();
      }}
    >
      <Segments label="Signed as" value={series} options={AS} onChange={setSeries} />
      <label className="flex items-center gap-2">
        Number
        <input
          inputMode="numeric"
          placeholder={String(edition.next_number ?? "")}
          className={`${FIELD} num w-20! text-right`}
          value={typed}
          onChange={(event) => type(event.target.value)}
        />
      </label>
      {edition.ok ? null : (
        <label className="flex items-center gap-2">
          Why before the OK
          <input
            className={FIELD}
            maxLength={120}
            value={reason}
            onChange={(event) => say(event.target.value)}
          />
        </label>
      )}
      <Button type="submit" disabled={sign.isPending}>
        Sign it
      </Button>
      <Trouble error={sign.error} />
    </form>
  );
}
