import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { type FieldValues, get, type UseFormReturn, useForm as useHookForm } from "react-hook-form";
import { ApiError } from "../../api/client";
import { newId } from "../../device/ids";
import type { Units } from "../units";
import { useUser } from "../useUser";
import { placed } from "./faults";
import { dropTyped, keepTyped, keptTyped } from "./kept";
import { type Read, readTyped, type Typed } from "./read";
import type { Shape } from "./shape";

/** What stands on the server now, where somebody else changed it meanwhile. */
export type Theirs = { version: number; values: Typed };
/** Under which id and over which version a body is sent. */
export type Sent = { id: string; version: number };

type Options<B, R> = {
  start: Typed;
  send: (body: B, sent: Sent) => Promise<R>;
  done?: (reply: R) => unknown;
  /** Kept on this device under this name until it is sent. */
  keepAs?: string;
  id?: string;
  version?: number;
  theirs?: () => Promise<Theirs>;
  /** Names of the body that are typed in a field of another name. */
  aliases?: Record<string, string>;
};

export type Form = {
  shape: Shape;
  units: Units;
  hook: UseFormReturn<FieldValues>;
  id: string;
  busy: boolean;
  /** What went wrong that no field shows, in words. */
  trouble: string;
  /** What was typed at an earlier visit stands here again. */
  taken: boolean;
  theirs: Theirs | null;
  submit: (event?: { preventDefault: () => void }) => Promise<void>;
  /** Send something else than what was typed, with the faults placed the same; what was typed goes. */
  act: (send: () => Promise<unknown>) => Promise<void>;
  /** What would be sent, or null while something cannot be read. */
  peek: <B>(typed: Typed) => B | null;
  place: (error: unknown) => void;
  keepMine: () => Promise<void>;
  takeTheirs: () => void;
  startAfresh: () => void;
};

const KEEP_AFTER_MS = 300;

/** A form: typed texts by the names of the body, read once, its faults at their fields. */
export function useForm<B, R>(shape: Shape, options: Options<B, R>): Form {
  const { me, units } = useUser();
  const user = me?.id ?? "";
  const [before] = useState(() => keptTyped(user, options.keepAs));
  const [taken, setTaken] = useState(before !== null);
  const sent = useRef<Sent>({
    id: options.id ?? before?.id ?? newId(),
    version: before?.version ?? options.version ?? 0,
  });
  const { hook, last } = useReading(shape, units, before?.values ?? options.start);
  const blank = useRef(options.start);
  const drop = useKeeping(hook, user, options.keepAs, sent, blank);
  const sending = useSending(shape, hook, last, options);
  const { busy, trouble, theirs, run, setTheirs, place } = sending;
  const now = useRef(options);
  now.current = options;
  const settled = useCallback(
    (reply: unknown) => {
      adopt(sent, reply);
      drop();
      setTaken(false);
    },
    [drop],
  );
  const submit = useCallback(
    async (event?: { preventDefault: () => void }) => {
      event?.preventDefault();
      await hook.handleSubmit((body) =>
        run(async () => {
          const reply = await now.current.send(body as B, sent.current);
          settled(reply);
          return now.current.done?.(reply);
        }),
      )();
    },
    [hook, run, settled],
  );
  const reset = (to: Sent, values: Typed) => {
    sent.current = to;
    blank.current = values;
    drop();
    setTaken(false);
    setTheirs(null);
    hook.reset(values);
  };
  const over = (version: number): Sent => ({ ...sent.current, version });
  return {
    shape,
    units,
    hook,
    id: sent.current.id,
    busy,
    trouble,
    taken,
    theirs,
    submit,
    place,
    act: (send) => run(async () => settled(await send())),
    peek: <T>(typed: Typed) => {
      const read = readTyped(shape, typed, units);
      return read.faults.size > 0 ? null : (read.body as T);
    },
    keepMine: () => {
      if (theirs) sent.current = over(theirs.version);
      setTheirs(null);
      return submit();
    },
    takeTheirs: () => theirs && reset(over(theirs.version), theirs.values),
    startAfresh: () =>
      reset({ id: options.id ?? newId(), version: options.version ?? 0 }, options.start),
  };
}

/** What is typed, and the last reading of it. */
function useReading(shape: Shape, units: Units, start: Typed) {
  const last = useRef<Read>({ body: {}, faults: new Map(), rows: {} });
  const hook = useHookForm<FieldValues>({
    defaultValues: start,
    resolver: (values) => {
      last.current = readTyped(shape, values, units);
      const { body, faults } = last.current;
      return faults.size > 0
        ? { values: {}, errors: nested(faults) }
        : { values: body, errors: {} };
    },
  });
  return { hook, last };
}

/** What was sent stands at a new version now, where the reply tells one. */
function adopt(sent: React.RefObject<Sent>, reply: unknown): void {
  const version = (reply as { version?: unknown } | null | undefined)?.version;
  if (typeof version === "number") sent.current = { ...sent.current, version };
}

/** Faults by path, as react-hook-form holds them. */
function nested(faults: Map<string, string>) {
  const errors = {};
  for (const [path, message] of faults) setAt(errors, path.split("."), { type: "read", message });
  return errors;
}

function setAt(into: Record<string, unknown>, [first = "", ...rest]: string[], value: unknown) {
  if (rest.length === 0) into[first] = value;
  else {
    into[first] ??= /^\d+$/.test(rest[0] ?? "") ? [] : {};
    setAt(into[first] as Record<string, unknown>, rest, value);
  }
}

/** One sending at a time; what the server refuses is placed at its field, or told below. */
function useSending(
  shape: Shape,
  hook: UseFormReturn<FieldValues>,
  last: React.RefObject<Read>,
  { aliases, theirs: askTheirs }: Pick<Options<never, never>, "aliases" | "theirs">,
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
      for (const [path, message] of at) hook.setError(path, { type: "server", message });
      setTrouble(rest);
    },
    [shape, hook, last, aliases],
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

/** Keep what is typed while it changes; returns how to drop it. */
function useKeeping(
  hook: UseFormReturn<FieldValues>,
  user: string,
  name: string | undefined,
  sent: React.RefObject<Sent>,
  blank: React.RefObject<Typed>,
) {
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    if (!name) return;
    const keep = () => {
      timer.current = undefined;
      const values = hook.getValues();
      if (JSON.stringify(values) === JSON.stringify(blank.current)) dropTyped(user, name);
      else keepTyped(user, name, { ...sent.current, values });
    };
    const seen = hook.watch(() => {
      clearTimeout(timer.current);
      timer.current = setTimeout(keep, KEEP_AFTER_MS);
    });
    const leave = () => {
      if (timer.current === undefined) return;
      clearTimeout(timer.current);
      keep();
    };
    window.addEventListener("pagehide", leave);
    return () => {
      seen.unsubscribe();
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [hook, user, name, sent, blank]);
  return useCallback(() => {
    clearTimeout(timer.current);
    timer.current = undefined;
    dropTyped(user, name);
  }, [user, name]);
}

/** The value typed at a path, followed as it changes. */
export function useTyped<T = string>(form: Form, path: string): T {
  return form.hook.watch(path) as T;
}

/** A row's values at a path of the form now. */
export const typedAt = (form: Form, path: string): unknown => get(form.hook.getValues(), path);

/** Things typed do not change while the shape does not: a shape made once for a component. */
export const useShape = (make: () => Shape, by: string): Shape =>
  // biome-ignore lint/correctness/useExhaustiveDependencies: a shape is told by its key
  useMemo(make, [by]);
