import { getPress, type Press, sendPullEvents } from "../api/editions";
import { type Exposure, getExposure, sendExposureEvents } from "../api/exposures";
import { getMarks, type Marks, sendMarksEvents } from "../api/marks";
import {
  type EventIn,
  getRun,
  getStripRun,
  type Run,
  sendRunEvents,
  sendStripEvents,
} from "../api/runs";
import { getWork, sendWorkEvents, type Work } from "../api/works";
import { keepPressSeen, keptPress } from "./pressStore";
import { keepExposure, keepMarksSeen, keepRun, keptExposure, keptMarks, keptRun } from "./store";
import type { Subject } from "./waiting";
import { keepWorkSeen, keptWork } from "./workStore";

/** What events happen to: how each is asked for, told, and kept for when there is no line. */
type Door<Shown> = {
  /** Under which the query cache has it. */
  key: string;
  get: (room: string, id: string) => Promise<Shown>;
  send: (room: string, id: string, events: EventIn[]) => Promise<Shown>;
  keep: (user: string, room: string, shown: Shown) => Promise<void>;
  kept: (user: string, room: string, id: string) => Promise<Shown | undefined>;
};

/** As it is shown, by its kind. */
export type Shown = {
  run: Run;
  strip: Run;
  exposure: Exposure;
  marks: Marks;
  pull: Press;
  work: Work;
};

const asRun = { key: "run", keep: keepRun, kept: keptRun };

export const SUBJECTS: { [Kind in Subject["kind"]]: Door<Shown[Kind]> } = {
  run: { ...asRun, get: getRun, send: sendRunEvents },
  strip: { ...asRun, get: getStripRun, send: sendStripEvents },
  exposure: {
    key: "exposure",
    get: getExposure,
    send: sendExposureEvents,
    keep: keepExposure,
    kept: keptExposure,
  },
  marks: {
    key: "marks",
    get: getMarks,
    send: sendMarksEvents,
    keep: keepMarksSeen,
    kept: keptMarks,
  },
  pull: { key: "press", get: getPress, send: sendPullEvents, keep: keepPressSeen, kept: keptPress },
  work: { key: "work", get: getWork, send: sendWorkEvents, keep: keepWorkSeen, kept: keptWork },
};

/** Send a subject's events; what the server then shows of it is kept here. */
export async function sendTo<Kind extends Subject["kind"]>(
  kind: Kind,
  user: string,
  room: string,
  id: string,
  events: EventIn[],
): Promise<Shown[Kind]> {
  const door = SUBJECTS[kind] as Door<Shown[Kind]>;
  const shown = await door.send(room, id, events);
  await door.keep(user, room, shown);
  return shown;
}
