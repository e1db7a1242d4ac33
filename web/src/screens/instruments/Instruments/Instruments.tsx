import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Instrument, instrumentsQuery, type TokenTold } from "../../../api/instruments";
import { nowSeconds } from "../../../device/clock";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Button } from "../../../ui/Button";
import { Empty, PageHead } from "../../../ui/Section";
import { Table } from "../../../ui/Table";
import { MakeInstrument } from "./MakeInstrument";
import { Row } from "./Row";
import { Token } from "./Token";

/** Instruments with their tokens: who may send what, until when, and what was heard last. */
export function Instruments() {
  const { room, keeper } = useHere();
  const { data, error } = useQuery(instrumentsQuery(room));
  const [making, setMaking] = useState(false);
  const [told, setTold] = useState<TokenTold | null>(null);
  if (!data)
    return (
      <Asking error={error}>
        <PageHead title="Instruments" />
      </Asking>
    );
  const tell = (next: TokenTold) => {
    setMaking(false);
    setTold(next);
  };
  return (
    <>
      <PageHead title={answer(data.items)}>
        {keeper ? (
          <Button look="strong" aria-expanded={making} onClick={() => setMaking(!making)}>
            Add an instrument
          </Button>
        ) : (
          <span className="note">Keepers hand out tokens; anyone may see what was sent.</span>
        )}
      </PageHead>
      {making ? <MakeInstrument tell={tell} /> : null}
      {told ? <Token told={told} close={() => setTold(null)} /> : null}
      {data.items.length === 0 ? (
        <Empty title="No instrument yet">
          <p>
            A thermometer that hangs in a bath moves the clock by itself. It is a small program that
            sends what it reads; a simulated one ships with this.
          </p>
          <code className="font-mono text-note">
            ./keen instrument bath-probe --bath "Amber tray"
          </code>
        </Empty>
      ) : (
        <Table
          columns={[
            { head: "Instrument" },
            { head: "May send" },
            { head: "Heard last" },
            { head: "Token good to" },
            { head: "Token", hidden: true },
          ]}
        >
          {data.items.map((each) => (
            <Row key={each.id} instrument={each} tell={tell} />
          ))}
        </Table>
      )}
      <p className="note mt-3">
        How an instrument sends: docs/instruments.md. Nothing it says is lost; what cannot be is
        kept and not believed.
      </p>
    </>
  );
}

const SILENT_SECONDS = 60;

/** In one sentence how many can be heard. */
function answer(all: Instrument[]): string {
  const live = all.filter((each) => each.taken_back_at === null);
  const heard = live.filter(
    (each) => each.last_at && nowSeconds() - Date.parse(each.last_at) / 1000 < SILENT_SECONDS,
  );
  if (live.length === 0) return "No instrument is heard.";
  return `${heard.length} of ${live.length} instrument${live.length === 1 ? "" : "s"} heard in the last minute.`;
}
