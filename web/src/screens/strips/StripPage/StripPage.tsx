import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { bathsQuery } from "../../../api/baths";
import { askQuery, changeStrip, type Strip, stripQuery } from "../../../api/strips";
import { isOut, ToneCurve } from "../../../figures/ToneCurve";
import { useHere } from "../../../frame/useHere";
import { Mark } from "../../../ui/Mark";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { type Asking, AskBar } from "./AskBar";
import { Lines } from "./Lines";
import { Patches } from "./Patches";

/** A strip: its curve with the band, its patches, and questions both ways. */
export function StripPage() {
  const { room } = useHere();
  const { strip: id = "" } = useParams();
  const { data, error } = useQuery(stripQuery(room, id));
  if (error) return <Trouble error={error} />;
  return data ? <Page strip={data} /> : <h1>Strip</h1>;
}

function Page({ strip }: { strip: Strip }) {
  const { room, me } = useHere();
  const [asking, setAsking] = useState<Asking>({ way: "tone", lstar: 42, seconds: 240, bath: "" });
  const [chosen, setChosen] = useState<number | null>(null);
  const toggle = useLeaveOut(strip);
  const baths = (useQuery(bathsQuery(room)).data?.items ?? []).filter(
    (b) => b.metal === strip.metal,
  );
  const question = {
    bath: asking.bath || null,
    lstar: asking.way === "tone" ? [asking.lstar] : [],
    seconds: asking.way === "time" ? [asking.seconds] : [],
  };
  const { data: own } = useQuery({
    ...askQuery(room, strip.id, strip.version, { ...question, bath: null }),
    enabled: strip.usable,
  });
  const { data: there } = useQuery({
    ...askQuery(room, strip.id, strip.version, question),
    enabled: strip.usable,
  });
  const point = own?.points[0];
  useKeys({
    ArrowUp: () => setAsking((a) => ({ ...a, lstar: Math.min(100, a.lstar + 1) })),
    ArrowDown: () => setAsking((a) => ({ ...a, lstar: Math.max(0, a.lstar - 1) })),
    ArrowRight: () => setChosen((c) => Math.min(strip.readings.length - 1, (c ?? -1) + 1)),
    ArrowLeft: () => setChosen((c) => Math.max(0, (c ?? 1) - 1)),
    x: () => chosen !== null && toggle.mutate(chosen),
  });
  const c = strip.conditions;
  return (
    <>
      <header className="flex flex-wrap items-center gap-4" style={{ minHeight: 56 }}>
        <h1>{strip.name}</h1>
        <span className="note">
          {strip.metal}, {strip.ground}, {strip.mordant_label.toLowerCase()} at{" "}
          <span className="n">{shownTemperature(c.temperature_c ?? 20, me)}</span>{" "}
          {temperatureUnit(me)}, <span className="n">{c.load_g_per_l ?? 0}</span> g/L.
          {strip.read_on ? ` Read ${strip.read_on}.` : ""}
        </span>
        <Link className="btn quiet ml-auto" to={`/r/${room}/strips`}>
          All strips
        </Link>
      </header>
      {strip.fault ? (
        <p className="care" role="alert">
          <Mark name="care" />
          <span>
            {strip.fault.text}
            <small>
              Allowed: {strip.fault.allowed} {strip.fault.unit}. What you typed is kept below.
            </small>
          </span>
        </p>
      ) : (
        <AskBar
          asking={asking}
          setAsking={setAsking}
          own={point ?? null}
          there={there?.points[0] ?? null}
          baths={baths}
        />
      )}
      <div className="two" style={{ marginTop: 16 }}>
        <ToneCurve
          strip={strip}
          chosen={chosen}
          asked={
            point
              ? {
                  lstar: point.lstar,
                  seconds: point.seconds,
                  low: point.seconds_low,
                  high: point.seconds_high,
                }
              : null
          }
        />
        <Patches
          strip={strip}
          chosen={chosen}
          choose={setChosen}
          toggle={(i) => toggle.mutate(i)}
          busy={toggle.isPending}
        />
      </div>
      <Lines key={strip.version} strip={strip} />
      <Trouble error={toggle.error} />
      {strip.note ? <p className="note">{strip.note}</p> : null}
    </>
  );
}

function useLeaveOut(strip: Strip) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  return useMutation({
    mutationFn: (place: number) =>
      changeStrip(room, strip.id, {
        version: strip.version,
        patches: strip.readings.map((p, i) =>
          i === place ? { ...p, left_out: !isOut(strip, i) } : p,
        ),
      }),
    onSuccess: (next, place) => {
      client.setQueryData(stripQuery(room, strip.id).queryKey, next);
      client.invalidateQueries({ queryKey: [room, "strips"] });
      say({
        text: `Patch ${place + 1} ${next.readings[place]?.left_out ? "left out" : "put back"}. Fitted again.`,
      });
    },
  });
}
