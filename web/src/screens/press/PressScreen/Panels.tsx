import { useState } from "react";
import type { Press, Pull } from "../../../api/editions";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { parseNumber } from "../../../ui/numbers";
import { Panel } from "./Frame";

const SPOILED = ["creased", "paper slipped", "edges dirty", "ink too thin", "over-wiped", "torn"];
const FIELD =
  "min-h-14 min-w-40 flex-1 rounded-cut border-[1.5px] border-ink bg-white px-3 text-lead aria-invalid:border-[2.5px] aria-invalid:border-ferric-deep";

type WhyProps = {
  title: string;
  usual: string[];
  word: string;
  done: (reason: string) => void;
  close: () => void;
};

/** Why: one tap for the usual reasons, or typed. */
export function Why({ title, usual, word, done, close }: WhyProps) {
  const [typed, type] = useState("");
  return (
    <Panel title={title} close={close}>
      {usual.map((each) => (
        <Button key={each} className="min-h-14! px-5! text-lead!" onClick={() => done(each)}>
          {each}
        </Button>
      ))}
      <form
        className="flex min-w-60 flex-1 gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim()) done(typed.trim());
        }}
      >
        <input
          aria-label="Another reason"
          placeholder="Another reason"
          maxLength={120}
          className={FIELD}
          value={typed}
          onChange={(event) => type(event.target.value)}
        />
        <Button type="submit" look="strong" disabled={!typed.trim()}>
          {word}
        </Button>
      </form>
      <Button look="quiet" onClick={close}>
        Not so
      </Button>
    </Panel>
  );
}

export function WhySpoiled(props: Pick<WhyProps, "done" | "close">) {
  return <Why title="Why is it spoiled?" usual={SPOILED} word="Spoiled" {...props} />;
}

export function WhyBeforeOk(props: Pick<WhyProps, "done" | "close">) {
  return (
    <Why
      title="Nothing is OK to print yet. Why is this one signed?"
      usual={["the artist is away", "a gift", "it will be the OK"]}
      word="Sign it"
      {...props}
    />
  );
}

/** A note typed with a dry finger. */
export function TypeNote({ done, close }: { done: (text: string) => void; close: () => void }) {
  const [typed, type] = useState("");
  return (
    <Panel title="A note of this pull" close={close}>
      <form
        className="flex flex-1 gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim()) done(typed.trim());
        }}
      >
        <input
          // biome-ignore lint/a11y/noAutofocus: it was asked for by the control below it
          autoFocus
          aria-label="Note"
          maxLength={1000}
          className={FIELD}
          value={typed}
          onChange={(event) => type(event.target.value)}
        />
        <Button type="submit" look="strong" disabled={!typed.trim()}>
          Keep the note
        </Button>
      </form>
      <Button look="quiet" onClick={close}>
        Not now
      </Button>
    </Panel>
  );
}

type ReadProps = {
  press: Press;
  pull: Pull;
  done: (areas: Pull["areas"], seen: Pull["seen"]) => void;
  close: () => void;
};
const SEEN: [Pull["seen"][number], string][] = [
  ["first-pull", "first pull"],
  ["edges-dirty", "dirty edges"],
  ["shiny-paper", "paper shone"],
  ["stiff-paper", "paper stiff"],
  ["over-wiped", "over-wiped"],
  ["film-all-over", "film all over"],
  ["creased", "creased"],
];
const TOP = 105;

/** The tones of an impression, and what is seen on it. */
export function ReadTones({ press, pull, done, close }: ReadProps) {
  const names = press.areas.length > 0 ? press.areas : ["Darkest"];
  const before = new Map(pull.areas.map((each) => [each.name, String(each.lstar)]));
  const [typed, type] = useState<Record<string, string>>(Object.fromEntries(before));
  const [seen, see] = useState<Pull["seen"]>(pull.seen);
  const [wrong, setWrong] = useState("");
  const read = names.map((name) => ({
    name,
    text: (typed[name] ?? "").trim(),
    lstar: parseNumber(typed[name] ?? ""),
  }));
  const bad = read.find(
    ({ text, lstar }) => text && (lstar === undefined || lstar < 0 || lstar > TOP),
  );
  return (
    <Panel title="How it reads" close={close}>
      <form
        noValidate
        className="flex flex-1 flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (bad) return setWrong(bad.name);
          const areas = read.flatMap(({ name, lstar }) =>
            lstar === undefined ? [] : [{ name, lstar, spread: 0.8 }],
          );
          done(areas, seen);
        }}
      >
        {names.map((name, i) => (
          <label key={name} className="grid gap-1">
            <span className="font-semibold">{name}, L*</span>
            <input
              // biome-ignore lint/a11y/noAutofocus: it was asked for by the control below it
              autoFocus={i === 0}
              inputMode="decimal"
              autoComplete="off"
              aria-invalid={wrong === name || undefined}
              className="num min-h-14 w-26 rounded-cut border-[1.5px] border-ink bg-white px-3 text-right text-far font-bold aria-invalid:border-[2.5px] aria-invalid:border-ferric-deep"
              value={typed[name] ?? ""}
              onChange={(event) => type({ ...typed, [name]: event.target.value })}
            />
          </label>
        ))}
        <fieldset className="flex basis-full flex-wrap gap-2">
          <legend className="mb-1 font-semibold">Seen on the sheet</legend>
          {SEEN.map(([key, word]) => (
            <Button
              key={key}
              aria-pressed={seen.includes(key)}
              className="aria-pressed:bg-ink! aria-pressed:text-paper-lift!"
              onClick={() =>
                see(seen.includes(key) ? seen.filter((each) => each !== key) : [...seen, key])
              }
            >
              {word}
            </Button>
          ))}
        </fieldset>
        <Button type="submit" look="strong">
          Keep the reading
        </Button>
        <Button look="quiet" onClick={close}>
          Not now
        </Button>
        {wrong ? (
          <Care role="alert" className="basis-full">
            {wrong}: L* from 0 to {TOP}; paper is 100, black 0.
          </Care>
        ) : null}
      </form>
    </Panel>
  );
}
