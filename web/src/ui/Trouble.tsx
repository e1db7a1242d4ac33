import { faultText } from "../api/client";
import { Care } from "./Care";

/** What went wrong, in words; what was typed stays where it is. */
export function Trouble({ error }: { error: unknown }) {
  return error ? <Care role="alert">{faultText(error)}</Care> : null;
}
