import type { Bath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { Choice, Segments } from "../../../ui/Field";
import { clock, parseTime } from "../../../ui/times";

export type Asking = { way: "tone" | "time"; lstar: number; seconds: number; bath: string };
type Point = Shapes["CurvePoint"];
type Props = {
  asking: Asking;
  setAsking: (asking: Asking) => void;
  own: Point | null;
  there: Point | null;
  baths: Bath[];
};

/** Ask the strip both ways, and see the same in one of today's baths. */
export function AskBar({ asking, setAsking, own, there, baths }: Props) {
  return (
    <div className="pm head" aria-live="polite">
      <div
        className="flex flex-wrap items-center gap-3"
        style={{ fontFamily: "var(--slab)", fontSize: 25, fontWeight: 620 }}
      >
        <Segments
          label="Ask for"
          value={asking.way}
          options={[
            ["tone", "A tone"],
            ["time", "A time"],
          ]}
          onChange={(way) => setAsking({ ...asking, way })}
        />
        {asking.way === "tone" ? (
          <>
            To reach
            <Ask
              key="tone"
              label="Tone wanted"
              unit="L*"
              value={String(asking.lstar)}
              step={1}
              read={(t) => (t.trim() && Number(t) >= 0 && Number(t) <= 100 ? Number(t) : null)}
              onChange={(lstar) => setAsking({ ...asking, lstar })}
            />
            {own ? (
              <span>
                bite <b className="n">{clock(own.seconds)}</b>{" "}
                <small
                  style={{ fontFamily: "var(--text)", fontSize: 17, fontWeight: 450 }}
                  className="n"
                >
                  ({clock(own.seconds_low)} to {clock(own.seconds_high)})
                </small>
              </span>
            ) : null}
          </>
        ) : (
          <>
            After
            <Ask
              key="time"
              label="Time in the bath"
              unit="min:s"
              value={clock(asking.seconds)}
              step={5}
              read={(t) => parseTime(t)}
              onChange={(seconds) => setAsking({ ...asking, seconds })}
            />
            {own ? (
              <span>
                it prints L* <b className="n">{own.lstar.toFixed(0)}</b>{" "}
                <small
                  style={{ fontFamily: "var(--text)", fontSize: 17, fontWeight: 450 }}
                  className="n"
                >
                  ({own.lstar_low.toFixed(0)} to {own.lstar_high.toFixed(0)})
                </small>
              </span>
            ) : null}
          </>
        )}
        {own && !own.reachable ? (
          <span className="care" style={{ fontFamily: "var(--text)" }}>
            Beyond this strip. Nearest: L* {own.lstar.toFixed(0)}.
          </span>
        ) : null}
      </div>
      <div style={{ minWidth: 190 }}>
        <Choice
          label="In which bath"
          value={asking.bath}
          options={[
            ["", "the strip's own"],
            ...baths.map((b) => [b.id, b.name] as [string, string]),
          ]}
          onChange={(bath) => setAsking({ ...asking, bath })}
        />
        {asking.bath && there ? (
          <p className="n" style={{ margin: "5px 0 0", fontWeight: 650 }}>
            {asking.way === "tone"
              ? `${clock(there.seconds)} (${clock(there.seconds_low)} to ${clock(there.seconds_high)})`
              : `L* ${there.lstar.toFixed(0)} (${there.lstar_low.toFixed(0)} to ${there.lstar_high.toFixed(0)})`}
          </p>
        ) : null}
      </div>
    </div>
  );
}

type AskProps = {
  label: string;
  unit: string;
  value: string;
  step: number;
  read: (text: string) => number | null;
  onChange: (value: number) => void;
};

function Ask({ label, unit, value, step, read, onChange }: AskProps) {
  return (
    <span className="field num">
      <input
        aria-label={label}
        defaultValue={value}
        onChange={(event) => {
          const next = read(event.target.value);
          if (next !== null) onChange(next);
        }}
        onKeyDown={(event) => {
          const way = event.key === "ArrowUp" ? 1 : event.key === "ArrowDown" ? -1 : 0;
          const now = read(event.currentTarget.value);
          if (way === 0 || now === null) return;
          event.preventDefault();
          const next = Math.max(0, now + way * step * (event.shiftKey ? 10 : 1));
          event.currentTarget.value = unit === "min:s" ? clock(next) : String(next);
          onChange(next);
        }}
        style={{ color: "var(--copper-deep)" }}
      />
      <span className="unit">{unit}</span>
    </span>
  );
}
