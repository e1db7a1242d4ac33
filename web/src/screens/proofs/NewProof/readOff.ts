/** What a scan said: the task, its picture, and each area's tone with its doubt. */
export type ReadOff = {
  task: string;
  picture: string;
  doubts: Record<string, { lstar: number; spread: number }>;
};

/** Under which name the scan that is read for a proof is kept on this device. */
export const scanKept = (room: string, plate: string) => `${room} proof ${plate} scan`;
