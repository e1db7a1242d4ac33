import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { type Bath, bathQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Beside, Fact, MarkHead, Section } from "../../../ui/Section";
import { Asking } from "../../../ui/Asking";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { Life } from "./Life";
import { Measured } from "./Measured";
import { Readings } from "./Readings";
import { ReadIt } from "./ReadIt";

/** A bath: temperature, load, speed with its doubt, cautions, readings. */
export function BathPage() {
  const { room, keeper } = useHere();
  const { bath: id = "" } = useParams();
  const { data: bath, error } = useQuery(bathQuery(room, id));
  if (!bath)
    return (
      <Asking error={error}>
        <h1>Bath</h1>
      </Asking>
    );
  return (
    <>
      <Head bath={bath} />
      <Life bath={bath} />
      <Beside>
        <div>
          <ReadIt bath={bath} />
          {keeper ? <Measured bath={bath} /> : null}
          <Readings bath={bath} />
        </div>
        <Section>
          <h2>Take care</h2>
          {bath.cautions.map((text) => (
            <Care key={text} className="my-2.5 font-normal!">
              {text}
            </Care>
          ))}
          <p className="note mb-3">
            A spent bath holds {bath.metal}: a labelled container, never the drain. Ask the local
            authority.
          </p>
          {bath.vessel === "bottle" || bath.retired ? null : (
            <ButtonLink to={`/r/${room}/strips/bite?bath=${bath.id}`}>Bite a test strip</ButtonLink>
          )}
          <ButtonLink look="quiet" to={`/r/${room}/baths`}>
            All baths
          </ButtonLink>
        </Section>
      </Beside>
    </>
  );
}

function Head({ bath }: { bath: Bath }) {
  const { me } = useHere();
  return (
    <MarkHead
      title={bath.name}
      about={
        <span>
          {bath.mordant_label}, for {bath.metal} · {bath.vessel},{" "}
          <span className="num">{bath.volume_l}</span> L
          {bath.baume ? (
            <>
              {" "}
              · <span className="num">{bath.baume}</span> °Bé
            </>
          ) : null}
        </span>
      }
    >
      <Fact name="Temperature">
        <span className="num">{shownTemperature(bath.temperature_c, me)}</span>{" "}
        {temperatureUnit(me)}
      </Fact>
      <Fact name={`Dissolved ${bath.metal}`}>
        <span className="num">{bath.load_g_per_l.toFixed(1)}</span> g/L
      </Fact>
      <Fact name="Bites, against fresh at 20 °C">
        ×<span className="num">{bath.speed.toFixed(2)}</span>{" "}
        <small className="note font-normal">
          ({bath.speed_low.toFixed(2)} to {bath.speed_high.toFixed(2)}, {bath.speed_from})
        </small>
      </Fact>
    </MarkHead>
  );
}
