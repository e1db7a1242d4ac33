import type { EventIn } from "../api/runs";

/** What events happen to: one queue for all of them. */
export type Subject = {
  kind: "run" | "strip" | "exposure" | "marks" | "pull" | "work";
  id: string;
};

/** An event that waits to be sent; kept per user, room and subject until the server has it. */
export type Waiting = {
  id: string;
  user: string;
  room: string;
  subject: Subject;
  at: number;
  event: EventIn;
  refused?: string;
};
