import { useState } from "react";
import { useParams } from "react-router";
import type { Press, Pull, PullState } from "../../../api/editions";
import { usePress } from "../../../device/usePress";
import type { Log } from "../../../device/useWaiting";
import type { Waiting } from "../../../device/waiting";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { useAwake } from "../../../ui/night/useAwake";
import { Before } from "./Before";
import { Bar, Frame } from "./Frame";
import { Judge } from "./Judge";
import { JudgeFoot, type Opened, StepFoot } from "./Feet";
import { OnTheBed } from "./OnTheBed";
import { ReadTones, TypeNote, WhyBeforeOk, WhySpoiled } from "./Panels";
import { CHECKS, type Hands, type Series, toJudge, useHands } from "./useHands";
import { usePainting } from "./usePainting";
import { usePressKeys } from "./usePressKeys";
import { useSpoken } from "./useSpoken";

/** At the press with inky hands: what to do next, one touch each, with or without a line. */
export function PressScreen() {
  const { me, room } = useHere();
  const { plate = "" } = useParams();
  const seen = usePress(me.id, room, plate);
  useAwake();
  if (!seen.press || !seen.state) return <Asking error={seen.error} />;
  return <AtThePress press={seen.press} state={seen.state} log={seen.log} waiting={seen.waiting} />;
}

type Props = { press: Press; state: PullState; log: Log; waiting: Waiting[] };

function AtThePress({ press, state, log, waiting }: Props) {
  const { me, room } = useHere();
  const out = `/r/${room}/plates/${press.id}/edition`;
  const hands = useHands(
    press,
    state,
    log,
    waiting.map((each) => each.event),
  );
  const size = { width: press.width_mm, height: press.height_mm };
  const painting = usePainting(state.patches, size, log);
  const [opened, open] = useState<Opened>(null);
  const [checked, check] = useChecked();
  const [passedOver, passOver] = usePassedOver(press.id);
  const [series, setSeries] = useState<Series>("edition");
  const judged = toJudge(state);
  const judge = judged && judged.event !== passedOver ? judged : null;
  const spoken = useSpoken(
    me.id, room, press.id,
    (sound, seconds) => log(said(judge?.event ?? state.under_way, { sound, seconds })),
    () => open("note"),
  ); // biome-ignore format: one call
  const sign = (reason = "") => {
    if (!judge) return;
    if (press.order === "dried") {
      hands.dry(judge.event);
      return passOver(judge.event);
    }
    if (!press.ok && !reason && series !== "trial") return open("before-ok");
    hands.sign(judge.event, series, reason);
    open(null);
  };
  const next = () => {
    if (judge) return sign();
    if (state.stage === "ink") hands.ink();
    else if (state.stage === "wipe") hands.wipe();
    else if (state.stage === "lay") hands.lay(checked);
    else hands.pull();
  };
  const again = () => judge && passOver(judge.event);
  usePressKeys({
    quiet: opened !== null || painting.on, painting, next, again, hands, out, open, judge, state,
    note: spoken.toggle, paint: painting.begin,
  }); // biome-ignore format: one call
  const waits = waiting.filter((each) => !each.refused).length;
  const bed = state.stage === "lay" || state.stage === "pull";
  return (
    <Frame>
      <Bar
        mark={judge ? "proof" : "press"}
        state={judge ? "Pulled" : "At the press"}
        name={press.name}
        number={numberOf(press, state, waits)}
        of={press.size === null ? "" : ` of ${press.size}`}
        out={out}
      />
      {judge ? (
        <Judge
          press={press}
          state={state}
          pull={judge}
          hands={hands}
          series={series}
          setSeries={setSeries}
          read={() => open("read")}
        />
      ) : bed ? (
        <OnTheBed press={press} state={state} hands={hands} checked={checked} check={check} />
      ) : (
        <Before press={press} state={state} hands={hands} painting={painting} />
      )}
      {judge ? (
        <JudgeFoot
          press={press}
          waits={waits}
          series={series}
          sign={() => sign()}
          spoil={() => open("spoiled")}
          again={again}
          undo={hands.undo}
        >
          <JudgePanels
            opened={opened}
            open={open}
            press={press}
            pull={judge}
            hands={hands}
            sign={sign}
            log={log}
          />
        </JudgeFoot>
      ) : (
        <StepFoot
          state={state}
          next={next}
          hands={hands}
          since={spoken.since}
          note={spoken.toggle}
          busy={painting.on}
          cancelled={press.cancelled}
        >
          {opened === "note" ? (
            <TypeNote
              close={() => open(null)}
              done={(text) => {
                log(said(state.under_way, { text }));
                open(null);
              }}
            />
          ) : null}
        </StepFoot>
      )}
    </Frame>
  );
}

/** A note of a pull, typed or spoken. */
const said = (pull: string | null, what: { text?: string; sound?: string; seconds?: number }) => ({
  kind: "pull-noted" as const,
  data: { pull, text: "", sound: null, seconds: 0, ...what },
});

type PanelsProps = {
  opened: Opened;
  open: (what: Opened) => void;
  press: Press;
  pull: Pull;
  hands: Hands;
  sign: (reason: string) => void;
  log: Log;
};

/** What is asked of a pull: why it is spoiled, why it is signed before the OK, how it reads. */
function JudgePanels({ opened, open, press, pull, hands, sign, log }: PanelsProps) {
  const close = () => open(null);
  if (opened === "spoiled")
    return (
      <WhySpoiled
        close={close}
        done={(reason) => {
          hands.spoil(pull.event, reason);
          close();
        }}
      />
    );
  if (opened === "before-ok") return <WhyBeforeOk close={close} done={sign} />;
  if (opened !== "read") return null;
  return (
    <ReadTones
      press={press}
      pull={pull}
      close={close}
      done={(areas, seen) => {
        log({ kind: "pull-read", data: { pull: pull.event, areas, seen } });
        close();
      }}
    />
  );
}

/** What is looked at before a sheet is laid; all of it until somebody says otherwise. */
function useChecked(): [string[], (what: string) => void] {
  const [checked, setChecked] = useState<string[]>([...CHECKS]);
  const check = (what: string) =>
    setChecked((now) =>
      now.includes(what) ? now.filter((each) => each !== what) : [...now, what],
    );
  return [checked, check];
}

/** The pull that was left to be judged later; it stays so when the page is opened again. */
function usePassedOver(plate: string): [string | null, (pull: string) => void] {
  const key = `keen-press-later ${plate}`;
  const [pull, setPull] = useState(() => sessionStorage.getItem(key));
  const leave = (next: string) => {
    sessionStorage.setItem(key, next);
    setPull(next);
  };
  return [pull, leave];
}

/** Which impression is being made; with signatures that wait for a line it cannot be told. */
function numberOf(press: Press, state: PullState, waits: number): string {
  const signedHere = state.pulls.filter((each) => each.series === "edition").length;
  const known = press.labels.filter((each) => each.series === "edition").length;
  if (waits > 0 && signedHere > known) return "number to come";
  if (press.size === null) return `pull ${state.pulls.filter((each) => each.place).length + 1}`;
  return press.next_number === null ? "all numbered" : `no. ${press.next_number}`;
}
