import { faultText } from "../api/client";
import { Mark } from "./Mark";

/** What went wrong, in words; what was typed stays where it is. */
export function Trouble({ error }: { error: unknown }) {
  if (!error) return null;
  return (
    <p className="care" role="alert">
      <Mark name="care" />
      <span>{faultText(error)}</span>
    </p>
  );
}
