import type { PullState } from "../../../api/editions";
import { Care } from "../../../ui/Care";

const TO_KNOW = [
  "inked-already",
  "pulled-twice",
  "too-many",
  "no-such-pull",
  "signed-stays",
  "no-such-paper",
];

/** What was logged and does not count as it was meant, and why: the last of it. */
export function Notice({ notices }: { notices: PullState["notices"] }) {
  const last = notices.filter((each) => TO_KNOW.includes(each.code)).at(-1);
  return last ? <Care className="mt-3 text-lead">{last.text}</Care> : null;
}
