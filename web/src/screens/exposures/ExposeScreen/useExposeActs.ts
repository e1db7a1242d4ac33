import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { endExposure, type StagePlan } from "../../../api/exposures";
import kinds from "../../../api/kinds.gen.json";
import { underWay } from "../../../device/exposureFollow";
import { lastToTakeBack } from "../../../device/happened";
import type { useExposure } from "../../../device/useExposure";
import { useHere } from "../../../frame/useHere";
import { useSay } from "../../../ui/Toast";
import { isRest, nextPlan, unanswered } from "./stages";

type Found = ReturnType<typeof useExposure>;
export type Seen = Found & {
  exposure: NonNullable<Found["exposure"]>;
  lit: NonNullable<Found["lit"]>;
};
export type Asked = null | "water" | "anyway" | "set-aside";
export type Acts = ReturnType<typeof useExposeActs>;
type Check = StagePlan["checks"][number]["check"];

/** What hands do at the lamp and the basin. Each is an event; Space asks once for what was not looked at. */
export function useExposeActs(seen: Seen) {
  const { exposure, lit, log, waiting } = seen;
  const { room } = useHere();
  const [asked, ask] = useState<Asked>(null);
  const say = useSay();
  const navigate = useNavigate();
  const end = useEndExposure(seen);
  const pressed = useRef(Number.NEGATIVE_INFINITY); // a press that bounces is one press
  const now = underWay(lit.state);
  const next = nextPlan(exposure, lit);
  const open = exposure.ended_at === null;

  const begin = () => {
    if (!next) return;
    if (unanswered(exposure, lit).length > 0 && asked !== "anyway") return ask("anyway");
    ask(null);
    log({ kind: "began", data: { stage: next.stage, step: next.step } });
  };
  const check = (key: Check, fine: boolean) => log({ kind: "checked", data: { check: key, fine } });
  return {
    asked,
    ask,
    main: () => {
      const at = performance.now();
      if (at - pressed.current < kinds.same_press_seconds * 1000) return;
      pressed.current = at;
      if (now) log({ kind: "ended", data: { began: now.event, remembered: false } });
      else if (!open) return;
      else if (next) begin();
      else end.mutate("");
    },
    check,
    /** All that is to be looked at is right. */
    allRight: () => {
      if (now) return;
      ask(null);
      for (const each of unanswered(exposure, lit)) check(each.check, true);
    },
    mayPass: !now && next !== null && (next.may_pass || isRest(exposure, lit)),
    pass: () => {
      if (now || !next || !(next.may_pass || isRest(exposure, lit))) return;
      log({ kind: "passed", data: { stage: next.stage, step: next.step } });
    },
    undo: () => {
      const last = lastToTakeBack(
        exposure.events,
        waiting.map((each) => each.event),
      );
      if (!last) return;
      log({ kind: "undo", data: { event: last.id } });
      say({ text: `Took back: ${kinds.kinds[last.kind].short}.` });
    },
    setAside: () => !now && open && ask("set-aside"),
    end: (reason: string) => end.mutate(reason),
    ending: end.isPending,
    endError: end.error,
    leave: () => navigate(homeOf(room, exposure)),
  };
}

/** The page of what lies under the lamp. */
export const homeOf = (room: string, { plate, test }: Pick<Seen["exposure"], "plate" | "test">) =>
  plate ? `/r/${room}/plates/${plate}/expose` : `/r/${room}/exposure/${test}`;

/** End it: a plate leads to its proof, a test to its patches; set aside, back to its page. */
function useEndExposure({ exposure, flush }: Seen) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const say = useSay();
  return useMutation({
    mutationFn: async (reason: string) => {
      await flush(); // an end that still waits here would leave its stage open
      return endExposure(room, exposure.id, reason);
    },
    onSuccess: async (ended) => {
      await client.invalidateQueries({ queryKey: [room] });
      if (ended.outcome === "finished" && ended.plate)
        return navigate(`/r/${room}/plates/${ended.plate}/proofs/new`);
      if (ended.outcome === "set aside")
        say({ text: ended.reason ? `Set aside: ${ended.reason}.` : "Set aside." });
      if (ended.outcome === "never begun") say({ text: "Not exposed." });
      navigate(homeOf(room, ended));
    },
  });
}
