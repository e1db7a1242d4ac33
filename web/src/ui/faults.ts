import { ApiError, type Fault } from "../api/client";

/** The fault that belongs to a field of a form, by the end of its path. */
export function faultAt(error: unknown, field: string): Fault | null {
  if (!(error instanceof ApiError)) return null;
  const path = error.fault.field;
  return path === field || path.endsWith(`.${field}`) ? error.fault : null;
}

/** The error itself, where no field of the form shows it. */
export function elsewhere(error: unknown, fields: string[]): unknown {
  return fields.some((field) => faultAt(error, field)) ? null : error;
}
