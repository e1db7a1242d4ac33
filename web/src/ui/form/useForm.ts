import { useCallback, useMemo, useRef, useState } from "react";
import { type FieldValues, get, type UseFormReturn } from "react-hook-form";
import { newId } from "../../device/ids";
import type { Units } from "../units";
import { useUser } from "../useUser";
import { keptTyped } from "./kept";
import { readTyped, type Typed } from "./read";
import type { Shape } from "./shape";
import { type Sent, useKeeping } from "./useKeeping";
import { useReading } from "./useReading";
import { type Places, type Theirs, useSending } from "./useSending";

type Options<B, R> = Places & {
  start: Typed;
  send: (body: B, sent: Sent) => Promise<R>;
  done?: (reply: R) => unknown;
  /** Kept on this device under this name until it is sent. */
  keepAs?: string;
  id?: string;
  version?: number;
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
  const { busy, trouble, theirs, setTheirs, run, place } = useSending(
    shape,
    hook,
    last,
    units,
    options,
  );
  const settled = useCallback(
    (reply: unknown) => {
      adopt(sent, reply);
      drop();
      setTaken(false);
    },
    [drop],
  );
  const submit = useSubmit(hook, run, options, sent, settled);
  const reset = (to: Sent, values: Typed) => {
    sent.current = to;
    blank.current = values;
    drop();
    setTaken(false);
    setTheirs(null);
    hook.reset(values);
  };
  const over = (version: number): Sent => ({ ...sent.current, version });
  const fresh = (): Sent => ({ id: options.id ?? newId(), version: options.version ?? 0 });
  const keepMine = () => {
    if (theirs) sent.current = over(theirs.version);
    setTheirs(null);
    return submit();
  };
  const takeTheirs = () => theirs && reset(over(theirs.version), theirs.values);
  const act = (send: () => Promise<unknown>) => run(async () => settled(await send()));
  const peek = <T>(typed: Typed) => {
    const read = readTyped(shape, typed, units);
    return read.faults.size > 0 ? null : (read.body as T);
  };
  const startAfresh = () => reset(fresh(), options.start);
  const told = { shape, units, hook, id: sent.current.id, busy, trouble, taken, theirs };
  return { ...told, submit, place, act, peek, keepMine, takeTheirs, startAfresh };
}

/** Send what was typed, once it can be read; with what was told at the last drawing. */
function useSubmit<B, R>(
  hook: UseFormReturn<FieldValues>,
  run: (send: () => Promise<unknown>) => Promise<void>,
  options: Options<B, R>,
  sent: React.RefObject<Sent>,
  settled: (reply: unknown) => void,
): Form["submit"] {
  const now = useRef(options);
  now.current = options;
  return useCallback(
    async (event) => {
      event?.preventDefault();
      const send = async (body: unknown) => {
        const reply = await now.current.send(body as B, sent.current);
        settled(reply);
        return now.current.done?.(reply);
      };
      await hook.handleSubmit((body) => run(() => send(body)))();
    },
    [hook, run, sent, settled],
  );
}

/** What was sent stands at a new version now, where the reply tells one. */
function adopt(sent: React.RefObject<Sent>, reply: unknown): void {
  const version = (reply as { version?: unknown } | null | undefined)?.version;
  if (typeof version === "number") sent.current = { ...sent.current, version };
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
