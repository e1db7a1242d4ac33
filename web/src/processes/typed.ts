import type { PlanIn } from "../api/plans";
import type { MeasuredForm } from "../ui/MeasuredLines";

/** What is typed of one area; numbers stay text until they are sent, so that nothing is lost. */
export type AreaForm = {
  key: string;
  name: string;
  parts: string;
  open: string;
  /** What is wanted, by the process's own columns. */
  wish: Record<string, string>;
};

export type PlanForm = {
  id: string;
  version: number;
  bath: string;
  strip: string;
  method: PlanIn["method"];
  areas: AreaForm[];
  measured: MeasuredForm[];
};
