/** What a scan said: the task, its picture, and each area's tone with its doubt. */
export type ReadOff = {
  task: string;
  picture: string;
  doubts: Record<string, { lstar: number; spread: number }>;
};
