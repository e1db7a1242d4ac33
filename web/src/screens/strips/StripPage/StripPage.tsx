import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { type Strip, stripQuery } from "../../../api/strips";
import { ToneCurve } from "../../../figures/ToneCurve";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { TakeAway } from "../../../scan/TakeAway";
import { Care } from "../../../ui/Care";
import { Beside, PageHead } from "../../../ui/Section";
import { Asking } from "../../../ui/Asking";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { AskBar } from "./AskBar";
import { LeansOn } from "./LeansOn";
import { Lines } from "./Lines";
import { Patches } from "./Patches";
import { PrintedWith } from "./PrintedWith";
import { ReadIt } from "./ReadIt";
import { Slip } from "./Slip";
import { useAsking } from "./useAsking";
import { useLeaveOut } from "./useLeaveOut";

/** A strip: its curve with the band, its patches, and questions both ways. */
export function StripPage() {
  const { room } = useHere();
  const { strip: id = "" } = useParams();
  const { data, error } = useQuery(stripQuery(room, id));
  if (data) return <Page key={id} strip={data} />;
  return (
    <Asking error={error}>
      <h1>Strip</h1>
    </Asking>
  );
}

function Page({ strip }: { strip: Strip }) {
  const [chosen, setChosen] = useState<number | null>(null);
  const [typing, setTyping] = useState(false);
  const asked = useAsking(strip);
  const toggle = useLeaveOut(strip);
  const last = strip.readings.length - 1;
  useKeys({
    ArrowUp: () => asked.step(1),
    ArrowDown: () => asked.step(-1),
    ArrowRight: () => setChosen((c) => Math.min(last, (c ?? -1) + 1)),
    ArrowLeft: () => setChosen((c) => Math.max(0, (c ?? 1) - 1)),
    x: () => chosen !== null && toggle.mutate(chosen),
    e: () => chosen !== null && setTyping(true),
  });
  return (
    <>
      <Head strip={strip} />
      {waits(strip) ? (
        <ReadIt strip={strip} />
      ) : strip.fault ? (
        <Care
          role="alert"
          more={`Allowed: ${strip.fault.allowed} ${strip.fault.unit}. What you typed is kept below.`}
        >
          {strip.fault.text}
        </Care>
      ) : (
        <AskBar strip={strip} asked={asked} />
      )}
      {waits(strip) ? null : (
        <Beside className="mt-4">
          <div className="grid min-w-0 gap-3">
            {strip.picture ? <Slip strip={strip} chosen={chosen} choose={setChosen} /> : null}
            <ToneCurve strip={strip} chosen={chosen} asked={asked.point} />
          </div>
          <Patches
            strip={strip}
            chosen={chosen}
            choose={(i) => {
              setChosen(i);
              setTyping(false);
            }}
            toggle={(i) => toggle.mutate(i)}
            busy={toggle.isPending}
            typing={typing}
            setTyping={setTyping}
          />
        </Beside>
      )}
      <LeansOn strip={strip} />
      <PrintedWith strip={strip} />
      <Lines strip={strip} />
      <Trouble error={toggle.error} />
      {strip.note ? <p className="note">{strip.note}</p> : null}
    </>
  );
}

/** It was to be bitten here, and its patches are not read yet. */
const waits = (strip: Strip) => strip.planned.length > 0 && strip.readings.length === 0;

function Head({ strip }: { strip: Strip }) {
  const { room, me } = useHere();
  const { temperature_c, load_g_per_l } = strip.conditions;
  return (
    <PageHead
      title={strip.name}
      note={
        <>
          {strip.metal}, {strip.ground}, {strip.mordant_label.toLowerCase()} at{" "}
          <span className="num">{shownTemperature(temperature_c ?? 20, me)}</span>{" "}
          {temperatureUnit(me)}, <span className="num">{load_g_per_l ?? 0}</span> g/L.
          {strip.read_on ? ` Read ${strip.read_on}.` : ""}
        </>
      }
    >
      {strip.readings.length > 0 ? (
        <TakeAway
          title={strip.name}
          readings={strip.readings.map((patch, i) => ({
            name: String(i + 1),
            seconds: patch.seconds,
            lstar: patch.lstar,
            spread: patch.spread,
          }))}
        />
      ) : null}
      <ButtonLink look="quiet" to={`/r/${room}/strips`}>
        All strips
      </ButtonLink>
    </PageHead>
  );
}
