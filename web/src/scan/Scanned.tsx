import { useState } from "react";
import { Button } from "../ui/Button";
import { Care } from "../ui/Care";
import { FilePick } from "../ui/form/FilePick";
import { Progress } from "../ui/Progress";
import { Trouble } from "../ui/Trouble";
import { CornerHandles, frameIn } from "./CornerHandles";
import { Marked, Outline, type Quad } from "./Marked";
import type { useScan } from "./useScan";

type Warned = { code: string; text: string };
type Props = {
  scan: ReturnType<typeof useScan>;
  label: string;
  hint: string;
  /** What its four corners go round. */
  of: string;
  marks: { quad: Quad; doubtful: boolean }[];
  warnings: Warned[];
  corners: Quad | null;
  disabled?: boolean;
};

/** Send a scan to be read; what was found is drawn on it, and its corners can be mended. */
export function Scanned({ scan, label, hint, of, marks, warnings, corners, disabled }: Props) {
  const { picture, task, busy, read, found } = scan;
  const [mending, setMending] = useState<Quad | null>(null);
  const failed = task?.state === "failed";
  const mend = () => picture && setMending(corners ?? frameIn(picture));
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <FilePick
          label={label}
          disabled={busy || disabled}
          onPick={(file) => read.mutate({ file })}
        >
          {read.isPending ? "Sending" : label}
        </FilePick>
        <span className="note min-w-0 flex-1">{hint}</span>
      </div>
      {task ? (
        <Progress task={task} doing="Reading it" stop={() => found.stop.mutate(task.id)} />
      ) : null}
      {warnings.map((each) => (
        <Care key={each.code}>{each.text}</Care>
      ))}
      {picture && (marks.length > 0 || failed || mending) ? (
        <Marked
          picture={picture}
          alt="The scan as it was sent"
          handles={
            mending ? (
              <CornerHandles picture={picture} quad={mending} onMove={setMending} of={of} />
            ) : null
          }
        >
          {mending ? (
            <Outline quad={mending} />
          ) : (
            marks.map(({ quad, doubtful }) => (
              <Outline key={quad.join()} quad={quad} doubtful={doubtful} />
            ))
          )}
        </Marked>
      ) : null}
      {picture && !busy && (marks.length > 0 || failed) ? (
        <div className="flex flex-wrap items-center gap-3">
          {mending ? (
            <>
              <Button
                look="plain"
                onClick={() => {
                  read.mutate({ corners: mending });
                  setMending(null);
                }}
              >
                Read it between these corners
              </Button>
              <span className="note">Clockwise, from the top left of the {of}.</span>
            </>
          ) : (
            <Button look="quiet" onClick={mend}>
              {failed ? `Mark the corners of the ${of}` : "Mend the corners"}
            </Button>
          )}
        </div>
      ) : null}
      <Trouble error={read.error} />
    </div>
  );
}

/** Warnings of several parts, each kind once, with the parts it is of. */
export function together(parts: { name: string; warnings: Warned[] }[]): Warned[] {
  const kinds = new Map<string, { text: string; names: string[] }>();
  for (const part of parts)
    for (const { code, text } of part.warnings) {
      const kind = kinds.get(code) ?? { text, names: [] };
      kinds.set(code, { ...kind, names: [...kind.names, part.name] });
    }
  return [...kinds].map(([code, { text, names }]) => ({
    code,
    text: names.length === parts.length && parts.length > 1 ? text : `${names.join(", ")}: ${text}`,
  }));
}
