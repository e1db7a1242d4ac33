import { faultText } from "../api/client";
import { Care } from "./Care";
import { Said } from "./Said";

/** What went wrong, in words; what was typed stays where it is. */
export function Trouble({ error }: { error: unknown }) {
  return error ? (
    <Care role="alert">
      <Said>{faultText(error)}</Said>
    </Care>
  ) : null;
}
