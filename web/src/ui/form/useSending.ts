import { useCallback, useRef, useState } from "react";
import type { FieldValues, UseFormReturn } from "react-hook-form";
import { ApiError } from "../../api/client";
import { inUnits } from "../inUnits";
import type { Units } from "../units";
import { placed } from "./faults";
import type { Read, Typed } from "./read";
import type { Shape } from "./shape";

/** What stands on the server now, where somebody else changed it meanwhile. */
export type Theirs = { version: number; values: Typed };

/** Whose version stands there now, and where the faults of a body are shown. */
export type Places = {
  theirs?: () => Promise<Theirs>;
  /** Names of the body that are typed in a field of another name. */
  aliases?: Record<string, string>;
};

/** One sending at a time; what the server refuses is placed at its field, or told below. */
export function useSending(
  shape: Shape,
  hook: UseFormReturn<FieldValues>,
  last: React.RefObject<Read>,
  units: Units,
  { aliases, theirs: askTheirs }: Places,
) {
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState("");
  const [theirs, setTheirs] = useState<Theirs | null>(null);
  const under = useRef(false);
  const ask = useRef(askTheirs);
  ask.current = askTheirs;
  const said = useRef<string[]>([]);
  const place = useCallback(
    (error: unknown) => {
      for (const path of said.current) {
        if (hook.getFieldState(path).error?.type === "server") hook.clearErrors(path);
      }
      const { at, rest } = error
        ? placed(shape, error, last.current.rows, aliases)
        : { at: new Map<string, string>(), rest: "" };
      said.current = [...at.keys()];
      for (const [path, message] of at)
        hook.setError(path, { type: "server", message: inUnits(message, units) });
      setTrouble(inUnits(rest, units));
    },
    [shape, hook, last, units, aliases],
  );
  const run = useCallback(
    async (send: () => Promise<unknown>) => {
      if (under.current) return;
      under.current = true;
      setBusy(true);
      setTrouble("");
      try {
        await send();
      } catch (error) {
        const stale = error instanceof ApiError && error.status === 409;
        if (stale && ask.current) setTheirs(await ask.current().catch(() => null));
        place(error);
      } finally {
        under.current = false;
        setBusy(false);
      }
    },
    [place],
  );
  return { busy, trouble, theirs, run, setTheirs, place };
}
