import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { everyPlateQuery } from "../../../api/plates";
import { recordQuery } from "../../../api/record";
import { useHere } from "../../../frame/useHere";
import { buttonLook } from "../../../ui/Button";
import { Chooser } from "../../../ui/form/Picker";
import { Pages } from "../../../ui/Pages";
import { PageHead } from "../../../ui/Section";
import { Asking } from "../../../ui/Asking";
import { Entries } from "./Entries";
import { Note } from "./Note";

/** The record: every entry in time order; a correction is a new entry that names the old. */
export function Record() {
  const { room } = useHere();
  const [asked, ask] = useSearchParams();
  const plate = asked.get("plate") ?? "";
  const [search, setSearch] = useState("");
  const [page, setPage] = useState(1);
  const [corrects, setCorrects] = useState<string | null>(null);
  const { data, error } = useQuery(recordQuery(room, { plate: plate || undefined, search, page }));
  const from = (change: () => void) => {
    setPage(1);
    change();
  };
  return (
    <>
      <PageHead title="Record">
        <ByPlate plate={plate} pick={(id) => from(() => ask(id ? { plate: id } : {}))} />
        <Find text={search} find={(text) => from(() => setSearch(text))} />
        <a
          className={buttonLook()}
          href={`/api/rooms/${room}/record.csv${plate ? `?plate=${plate}` : ""}`}
        >
          Export CSV
        </a>
      </PageHead>
      <Note plate={plate} />
      {data ? (
        <Entries entries={data.items} corrects={corrects} correct={setCorrects} />
      ) : (
        <Asking error={error} />
      )}
      {data ? <Pages list={data} go={setPage} /> : null}
    </>
  );
}

function ByPlate({ plate, pick }: { plate: string; pick: (id: string) => void }) {
  const { room } = useHere();
  const plates = useQuery(everyPlateQuery(room)).data?.items ?? [];
  return (
    <div className="w-48">
      <Chooser
        label="Plate"
        value={plate}
        options={[["", "all plates"], ...plates.map((p) => [p.id, p.name] as const)]}
        onChange={pick}
      />
    </div>
  );
}

function Find({ text, find }: { text: string; find: (text: string) => void }) {
  return (
    <label className="block w-48">
      <span className="mb-1 block font-semibold">Find</span>
      <input
        type="search"
        className="w-full rounded-cut border-[1.5px] border-ink bg-white px-3 py-2 pointer-coarse:min-h-12"
        value={text}
        onChange={(event) => find(event.target.value)}
      />
    </label>
  );
}
