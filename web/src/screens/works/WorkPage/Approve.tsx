import { useState } from "react";
import type { Sheet } from "../../../api/works";
import type { Hands } from "../../../frame/works/useWorkHands";
import { Button } from "../../../ui/Button";
import { Segments } from "../../../ui/Segments";

const BY = [
  ["printer", "Printer"],
  ["artist", "Artist"],
] as const;

/** A sheet becomes the standard: who says so, and on what condition. */
export function Approve({
  sheet,
  hands,
  close,
}: {
  sheet: Sheet;
  hands: Hands;
  close: () => void;
}) {
  const [by, setBy] = useState<"printer" | "artist">("printer");
  const [condition, setCondition] = useState("");
  return (
    <form
      className="grid max-w-100 gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        hands.approve(sheet, by, condition.trim());
        close();
      }}
    >
      <Segments label="Who says so" value={by} options={BY} onChange={setBy} />
      <label className="grid gap-1">
        <span className="font-semibold">Only if</span>
        <input
          className="min-h-10 rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12"
          maxLength={120}
          value={condition}
          placeholder="empty: as it is"
          onChange={(event) => setCondition(event.target.value)}
        />
      </label>
      <span className="flex flex-wrap gap-3">
        <Button type="submit" look="strong">
          Sheet {sheet.place} is OK
        </Button>
        <Button look="quiet" onClick={close}>
          Not yet
        </Button>
      </span>
    </form>
  );
}
