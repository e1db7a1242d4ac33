import { Fragment } from "react";
import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { TextButton } from "../../../ui/Button";
import { Said } from "../../../ui/Said";
import { Table } from "../../../ui/Table";
import { dayOf, wallClock } from "../../../ui/times";
import { Note } from "./Note";

type Entry = Shapes["EntryOut"];
type Props = {
  entries: Entry[];
  /** The one that is corrected now. */
  corrects: string | null;
  correct: (entry: string | null) => void;
};

/** Entries of the record, the newest first; one is corrected under its own row. */
export function Entries({ entries, corrects, correct }: Props) {
  return (
    <Table
      columns={[
        { head: "When" },
        { head: "Plate", desk: true },
        { head: "Entry" },
        { head: "Who", desk: true },
        { head: "Correct", hidden: true },
      ]}
    >
      {entries.map((entry) => (
        <Fragment key={entry.id}>
          <Row entry={entry} opened={corrects === entry.id} correct={correct} />
          {corrects === entry.id ? (
            <tr className="bg-paper-lift">
              <td colSpan={5} className="px-2">
                <Note plate={entry.plate ?? ""} corrects={entry.id} done={() => correct(null)} />
              </td>
            </tr>
          ) : null}
        </Fragment>
      ))}
    </Table>
  );
}

type RowProps = { entry: Entry; opened: boolean; correct: Props["correct"] };

function Row({ entry, opened, correct }: RowProps) {
  const { zone } = useHere();
  return (
    <tr>
      <td className="num whitespace-nowrap max-phone:whitespace-normal">
        {dayOf(entry.at, zone)} {wallClock(Date.parse(entry.at) / 1000, zone)}
      </td>
      <td className="max-phone:hidden">{entry.plate_name}</td>
      <td>
        <span className="note hidden max-phone:block">
          {[entry.plate_name, entry.by].filter(Boolean).join(", ")}
        </span>
        {entry.corrects ? <b>Correction: </b> : null}
        <span className={entry.corrected ? "text-ink-3 line-through" : undefined}>
          <Said>{entry.text}</Said>
        </span>
        {entry.corrects_text ? (
          <span className="note block">
            Before: <Said>{entry.corrects_text}</Said>
          </span>
        ) : null}
      </td>
      <td className="note max-phone:hidden">{entry.by}</td>
      <td>
        {entry.corrected ? (
          <span className="note">corrected since</span>
        ) : (
          <TextButton
            className="note"
            aria-expanded={opened}
            onClick={() => correct(opened ? null : entry.id)}
          >
            correct
          </TextButton>
        )}
      </td>
    </tr>
  );
}
