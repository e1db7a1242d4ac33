import { Link } from "react-router";
import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { clock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";

type Bath = Shapes["BenchBath"];
type Due = Shapes["Due"];

const LIQUID: Record<string, string> = {
  "copper-ferric": "#C98A1B",
  "copper-ferric-citric": "#C98A1B",
  "copper-nitric": "#C9D6C4",
  "zinc-nitric-10": "#C9D6DC",
  "zinc-nitric-16": "#C9D6DC",
  "zinc-copper-sulphate": "#7FB0BE",
};

/** The trays and tanks as they stand side by side, with the plate that lies in one. */
export function Trays({ baths, due, now }: { baths: Bath[]; due: Due[]; now: number }) {
  const { room, me } = useHere();
  if (baths.length === 0) {
    return (
      <div className="empty">
        <h2>No bath yet</h2>
        <p>Plans follow today's bath: its mordant, temperature and load. It takes two minutes.</p>
        <Link className="btn strong" to={`/r/${room}/baths`}>
          Make up a bath
        </Link>
      </div>
    );
  }
  return (
    <div
      className="cols"
      style={{ gridTemplateColumns: "repeat(auto-fit,minmax(230px,1fr))", gap: 20 }}
    >
      {baths.map((bath) => {
        const mine = due.find((item) => item.plate === bath.plate);
        return (
          <Link key={bath.id} to={`/r/${room}/baths/${bath.id}`} style={{ textDecoration: "none" }}>
            <Vessel bath={bath} />
            <span
              style={{
                display: "flex",
                justifyContent: "space-between",
                alignItems: "baseline",
                gap: 10,
              }}
            >
              <b style={{ fontFamily: "var(--slab)", fontSize: 17 }}>{bath.name}</b>
              <span className="n" style={{ fontWeight: 650, fontSize: 19 }}>
                {shownTemperature(bath.temperature_c, me)}{" "}
                <small className="note">{temperatureUnit(me)}</small>
              </span>
            </span>
            {bath.plate_name ? (
              <span style={{ color: "var(--verdigris)", fontWeight: 620 }}>
                {bath.plate_name}
                {mine ? (
                  <>
                    {" "}
                    <b className="n" style={{ fontSize: 26 }}>
                      {mine.at_seconds >= now
                        ? clock(mine.at_seconds - now)
                        : `+${clock(now - mine.at_seconds)}`}
                    </b>{" "}
                    {mine.at_seconds >= now ? "to go" : "over"}
                  </>
                ) : null}
              </span>
            ) : (
              <span className="note">
                {bath.mordant_label}, for {bath.metal}. Free.
              </span>
            )}
          </Link>
        );
      })}
    </div>
  );
}

/** How each vessel is drawn: its wall, its liquid, where the surface runs, where a plate lies. */
const VESSELS = {
  tray: {
    wall: "M14 56L28 126H212L226 56",
    body: "M22 84H218L210 124H30Z",
    surface: { x: 22, y: 84, waves: 14 },
    plate: { x: 62, y: 100, width: 116, height: 14 },
  },
  tank: {
    wall: "M40 12V126H200V12",
    body: "M42 32H198V124H42Z",
    surface: { x: 42, y: 32, waves: 11 },
    plate: { x: 66, y: 44, width: 108, height: 74 },
  },
  bottle: {
    wall: "M106 22V48Q80 56 80 76V126H160V76Q160 56 134 48V22Z M102 14H138V22H102Z",
    body: "M82 82H158V124H82Z",
    surface: { x: 82, y: 82, waves: 5 },
    plate: { x: 176, y: 116, width: 60, height: 8 },
  },
} as const;

const isVessel = (name: string): name is keyof typeof VESSELS => name in VESSELS;

function Vessel({ bath }: { bath: Bath }) {
  const { wall, body, surface, plate } = VESSELS[isVessel(bath.vessel) ? bath.vessel : "tray"];
  return (
    <svg
      viewBox="0 0 240 140"
      width="100%"
      style={{ maxHeight: 118, display: "block" }}
      aria-hidden="true"
    >
      <path d={body} fill={LIQUID[bath.mordant] ?? "#C9D6DC"} />
      {bath.plate ? (
        <g>
          <rect {...plate} fill="#B4673A" stroke="#1B1714" strokeWidth="1.6" />
        </g>
      ) : null}
      <path
        d={`M${surface.x} ${surface.y}q7 -6 14 0${"t14 0".repeat(surface.waves - 1)}`}
        fill="none"
        stroke={bath.plate ? "#1D6B5B" : "#62574B"}
        strokeWidth="2.6"
      />
      <path d={wall} fill="none" stroke="#1B1714" strokeWidth="3" />
      <path d="M0 128H240" stroke="#1B1714" strokeWidth="3" />
      <path d="M0 131H240V139H0Z" fill="#D6CAB4" />
    </svg>
  );
}
