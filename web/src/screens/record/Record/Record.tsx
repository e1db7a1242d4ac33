import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useSearchParams } from "react-router";
import { rackQuery } from "../../../api/plates";
import { recordQuery, writeNote } from "../../../api/record";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { Choice, TextField } from "../../../ui/Field";
import { dayOf, wallClock } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";

/** The record: every entry in time order; a correction is a new entry that names the old. */
export function Record() {
  const { room, zone } = useHere();
  const [query, setQuery] = useSearchParams();
  const plate = query.get("plate") ?? "";
  const [search, setSearch] = useState("");
  const [page, setPage] = useState(1);
  const [corrects, setCorrects] = useState<string | null>(null);
  const plates = useQuery(rackQuery(room)).data?.items ?? [];
  const { data, error } = useQuery(recordQuery(room, { plate: plate || undefined, search, page }));
  if (error) return <Trouble error={error} />;
  const names = new Map(plates.map((each) => [each.id, each.name]));
  return (
    <>
      <header className="flex flex-wrap items-end gap-4" style={{ minHeight: 56 }}>
        <h1 style={{ alignSelf: "center" }}>Record</h1>
        <span className="ml-auto" style={{ width: 190 }}>
          <Choice
            label="Plate"
            value={plate}
            options={[["", "all plates"], ...plates.map((p) => [p.id, p.name] as [string, string])]}
            onChange={(id) => {
              setPage(1);
              setQuery(id ? { plate: id } : {});
            }}
          />
        </span>
        <span style={{ width: 190 }}>
          <TextField
            label="Find"
            value={search}
            onChange={(text) => {
              setPage(1);
              setSearch(text);
            }}
          />
        </span>
        <a className="btn" href={`/api/rooms/${room}/record.csv${plate ? `?plate=${plate}` : ""}`}>
          Export CSV
        </a>
      </header>
      <Note
        key={corrects ?? "new"}
        plate={plate}
        corrects={corrects}
        done={() => setCorrects(null)}
      />
      <table>
        <thead>
          <tr>
            <th>When</th>
            <th>Plate</th>
            <th>Entry</th>
            <th>Who</th>
            <th>
              <span className="vh">Correct</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {data?.items.map((entry) => (
            <tr key={entry.id}>
              <td className="n" style={{ whiteSpace: "nowrap" }}>
                {dayOf(entry.at, zone)} {wallClock(Date.parse(entry.at) / 1000, zone)}
              </td>
              <td>{entry.plate ? (names.get(entry.plate) ?? "") : ""}</td>
              <td>
                {entry.corrects ? <b>Correction: </b> : null}
                {entry.text}
              </td>
              <td className="note">{entry.by}</td>
              <td>
                <button type="button" className="link note" onClick={() => setCorrects(entry.id)}>
                  correct
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {data && data.total > data.page_size ? (
        <div className="flex items-center gap-4" style={{ marginTop: 14 }}>
          <button
            type="button"
            className="btn"
            disabled={page === 1}
            onClick={() => setPage(page - 1)}
          >
            Newer
          </button>
          <span className="note n">
            page {page} of {Math.ceil(data.total / data.page_size)}
          </span>
          <button
            type="button"
            className="btn"
            disabled={page * data.page_size >= data.total}
            onClick={() => setPage(page + 1)}
          >
            Older
          </button>
        </div>
      ) : null}
    </>
  );
}

function Note({
  plate,
  corrects,
  done,
}: {
  plate: string;
  corrects: string | null;
  done: () => void;
}) {
  const { room } = useHere();
  const client = useQueryClient();
  const [text, setText] = useState("");
  const save = useMutation({
    mutationFn: () => writeNote(room, { id: newId(), text, plate: plate || null, corrects }),
    onSuccess: async () => {
      setText("");
      done();
      await client.invalidateQueries({ queryKey: [room, "record"] });
    },
  });
  return (
    <form
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        save.mutate();
      }}
      className="flex flex-wrap items-end gap-4"
      style={{ margin: "8px 0 16px" }}
    >
      <span style={{ flex: 1, minWidth: 260 }}>
        <TextField
          label={corrects ? "Correction of the chosen entry; the old one stays" : "Write a note"}
          value={text}
          onChange={setText}
        />
      </span>
      <button type="submit" className="btn strong" disabled={!text.trim() || save.isPending}>
        {corrects ? "Correct it" : "Add"}
      </button>
      {corrects ? (
        <button type="button" className="btn quiet" onClick={done}>
          Leave it
        </button>
      ) : null}
      <Trouble error={save.error} />
    </form>
  );
}
