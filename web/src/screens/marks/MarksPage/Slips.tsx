import { useState } from "react";
import type { MarksState } from "../../../api/marks";
import type { Log } from "../../../device/useWaiting";
import { Button } from "../../../ui/Button";
import { Section } from "../../../ui/Section";

type Props = { state: MarksState; log: Log };

const LONGEST = 120;

/** Where the tool slipped, and whether it was mended. */
export function Slips({ state, log }: Props) {
  const [where, type] = useState("");
  const open = state.slips.filter((each) => !each.mended).length;
  const add = () => {
    log({ kind: "slipped", data: { where: where.trim() } });
    type("");
  };
  return (
    <Section>
      <h2 className="text-h3">
        {state.slips.length === 0
          ? "No slips"
          : open === 0
            ? "Every slip is mended"
            : open === 1
              ? "One slip to mend"
              : `${open} slips to mend`}
      </h2>
      <ul className="grid gap-0.5">
        {state.slips.map((each) => (
          <li key={each.event} className="flex items-center gap-3 border-b border-hair">
            <span className="mr-auto">
              {each.where || "somewhere"}
              <span className="note">{each.mended ? ", mended" : ""}</span>
            </span>
            {each.mended ? null : (
              <Button
                look="row"
                onClick={() => log({ kind: "mended", data: { slip: each.event, minutes: null } })}
              >
                Mended
              </Button>
            )}
            <Button look="row" onClick={() => log({ kind: "undo", data: { event: each.event } })}>
              It was none
            </Button>
          </li>
        ))}
      </ul>
      <form
        className="mt-1.5 flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <label className="flex items-center gap-2">
          <span className="font-semibold">Where it slipped</span>
          <input
            value={where}
            maxLength={LONGEST}
            onChange={(event) => type(event.target.value)}
            className="min-h-9.5 rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12"
          />
        </label>
        <Button type="submit" look="plain">
          It slipped
        </Button>
        <span className="note">
          Scrape along it, close it with oil and a burnisher. Knives and scrapers: away from the
          other hand.
        </span>
      </form>
    </Section>
  );
}
