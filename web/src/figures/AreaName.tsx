import { ToneSign } from "./ToneSign";

/** An area: its sign, its name, and what lies in it. */
export function AreaName({ name, parts, place }: { name: string; parts: string; place: number }) {
  return (
    <span className="flex gap-2.5">
      <ToneSign tone={place} />
      <span>
        <b>{name}</b>
        <br />
        <span className="note">{parts}</span>
      </span>
    </span>
  );
}
