import type { RunState } from "../../api/runs";
import { Said } from "./Night";

type Noticed = RunState["notices"];
type Code = Noticed[number]["code"];

/** What a hand may have to mend; a press that bounced or was taken back needs none. */
const TO_KNOW: Code[] = ["too-long", "too-many", "unknown-area", "lift-waits-for-dip"];

/** Entries that are kept but do not count, and why the last of them does not. */
export function Notices({ notices }: { notices: Noticed }) {
  const odd = notices.filter((notice) => TO_KNOW.includes(notice.code));
  const last = odd.at(-1);
  if (!last) return null;
  return (
    <Said role="status">
      {odd.length > 1 ? `${odd.length} entries do not count. ` : ""}
      {last.text}
    </Said>
  );
}
