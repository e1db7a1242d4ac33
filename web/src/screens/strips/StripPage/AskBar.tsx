import { useQuery } from "@tanstack/react-query";
import { bathsQuery } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import type { Strip } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { Chooser } from "../../../ui/form/Picker";
import { parseNumber, plain } from "../../../ui/numbers";
import { Segments } from "../../../ui/Segments";
import { clock, parseTime } from "../../../ui/times";
import { Ask } from "./Ask";
import type { Asked } from "./useAsking";

type Point = Shapes["CurvePoint"];
type Way = Asked["asking"]["way"];
const WAYS = [
  ["tone", "A tone"],
  ["time", "A time"],
] as const;
const LIGHTEST = 100;

const readTone = (text: string): number | null => {
  const tone = parseNumber(text, "L*");
  return tone !== undefined && tone >= 0 && tone <= LIGHTEST ? tone : null;
};
const timeOf = (p: Point) => clock(p.seconds);
const timesOf = (p: Point) => `(${clock(p.seconds_low)} to ${clock(p.seconds_high)})`;
const toneOf = (p: Point) => p.lstar.toFixed(0);
const tonesOf = (p: Point) => `(${p.lstar_low.toFixed(0)} to ${p.lstar_high.toFixed(0)})`;

/** Ask the strip both ways, and see the same in one of today's baths. */
export function AskBar({ strip, asked }: { strip: Strip; asked: Asked }) {
  const { asking, setAsking, own } = asked;
  return (
    <div aria-live="polite" className="plate-mark flex flex-wrap items-stretch gap-x-4 px-5 py-2.5">
      <div className="flex min-w-0 flex-1 flex-wrap items-center gap-3 font-slab text-h2 font-semibold">
        <span className="font-text text-body font-normal">
          <Segments
            label="Ask for"
            value={asking.way}
            options={WAYS}
            onChange={(way: Way) => setAsking({ ...asking, way })}
          />
        </span>
        {asking.way === "tone" ? <ForTone asked={asked} /> : <ForTime asked={asked} />}
        {own && !own.reachable ? (
          <Care>Beyond this strip. Nearest: L* {own.lstar.toFixed(0)}.</Care>
        ) : null}
      </div>
      <InBath strip={strip} asked={asked} />
    </div>
  );
}

function ForTone({ asked: { asking, setAsking, own } }: { asked: Asked }) {
  return (
    <>
      To reach
      <Ask
        key="tone"
        label="Tone wanted"
        unit="L*"
        value={asking.lstar}
        read={readTone}
        say={plain}
        onChange={(lstar) => setAsking({ ...asking, lstar })}
      />
      {own ? <Answer before="bite" value={timeOf(own)} band={timesOf(own)} /> : null}
    </>
  );
}

function ForTime({ asked: { asking, setAsking, own } }: { asked: Asked }) {
  return (
    <>
      After
      <Ask
        key="time"
        label="Time in the bath"
        unit="min:s"
        value={asking.seconds}
        read={parseTime}
        say={clock}
        onChange={(seconds) => setAsking({ ...asking, seconds })}
      />
      {own ? <Answer before="it prints L*" value={toneOf(own)} band={tonesOf(own)} /> : null}
    </>
  );
}

function Answer({ before, value, band }: { before: string; value: string; band: string }) {
  return (
    <span>
      {before} <b className="num">{value}</b>{" "}
      <small className="num text-lead font-normal">{band}</small>
    </span>
  );
}

function InBath({ strip, asked }: { strip: Strip; asked: Asked }) {
  const { room } = useHere();
  const { asking, setAsking, there } = asked;
  const baths = (useQuery(bathsQuery(room)).data?.items ?? []).filter(
    (bath) => bath.metal === strip.metal,
  );
  return (
    <div className="min-w-48 max-phone:mt-2 max-phone:basis-full">
      <Chooser
        label="In which bath"
        value={asking.bath}
        options={[["", "the strip's own"], ...baths.map((b) => [b.id, b.name] as const)]}
        onChange={(bath) => setAsking({ ...asking, bath })}
      />
      {asking.bath && there ? (
        <p className="num mt-1 font-bold">
          {asking.way === "tone"
            ? `${timeOf(there)} ${timesOf(there)}`
            : `L* ${toneOf(there)} ${tonesOf(there)}`}
        </p>
      ) : null}
    </div>
  );
}
