import type { TokenTold } from "../../../api/instruments";
import { Button, TextButton } from "../../../ui/Button";
import { Care } from "../../../ui/Care";

/** A token, told this once. */
export function Token({ told, close }: { told: TokenTold; close: () => void }) {
  return (
    <section className="plate-mark my-3 px-5 py-4" aria-label="Token">
      <span className="flex justify-between gap-3">
        <h2 className="text-lead">The token of {told.name}</h2>
        <TextButton onClick={close}>Close</TextButton>
      </span>
      <p className="mt-1 font-mono text-lead break-all">{told.token}</p>
      <Care className="mt-1.5">
        It is told this once. A lost one is replaced, and sends no more.
      </Care>
      <Button className="mt-2" onClick={() => navigator.clipboard?.writeText(told.token)}>
        Copy it
      </Button>
    </section>
  );
}
