import { type ReactNode, useId } from "react";
import copper from "../../assets/copper.png";
import { grainTile } from "../grain";
import { Tile } from "../Patterns";

export type Thing = "bath" | "strip" | "plate" | "window";

const WIDE = 240;
const HIGH = 180;
/** Of a strip's patches, as they would print. */
const PATCHES = [90, 82, 70, 56, 40, 28, 18];

function Bath() {
  return (
    <>
      <path d={`M33 92${"q4 -6 8 0t8 0".repeat(11)}L193 177H47Z`} className="fill-ferric" />
      <path
        d="M36 108h168M38 122h164M41 136h158M43 150h154M45 164h150"
        className="stroke-ferric-deep"
        strokeOpacity=".38"
        strokeDasharray="9 7"
      />
      <path d="M20 60L44 178H196L220 60" className="fill-none stroke-ink" strokeWidth="3" />
      <path d="M148 22h10v104h-10z" className="fill-white stroke-ink" strokeWidth="2" />
      <path d="M153 40v84" className="stroke-vermilion" strokeWidth="3" />
      <circle cx="153" cy="132" r="9" className="fill-white stroke-ink" strokeWidth="2.4" />
      <circle cx="153" cy="132" r="5" className="fill-ink" />
    </>
  );
}

function Strip({ id }: { id: string }) {
  return (
    <g transform="rotate(-3 120 130)">
      <defs>
        {PATCHES.map((lstar) => {
          const tile = grainTile(lstar);
          return (
            <pattern
              key={lstar}
              id={`${id}-${lstar}`}
              width="192"
              height="192"
              patternUnits="userSpaceOnUse"
            >
              <image
                href={tile.href}
                width="192"
                height="192"
                className="[image-rendering:pixelated]"
              />
            </pattern>
          );
        })}
      </defs>
      <path d="M4 82h232v98H4z" className="fill-paper-lift stroke-ink-3" />
      <path d="M17 94h206v50H17z" className="fill-none stroke-line" />
      {PATCHES.map((lstar, n) => (
        <g key={lstar}>
          <rect x={20 + n * 28.6} y="97" width="28.6" height="44" fill={`url(#${id}-${lstar})`} />
          <text
            x={34 + n * 28.6}
            y="164"
            textAnchor="middle"
            className="fill-ink font-slab text-note italic"
          >
            {["½", "1", "2", "3", "5", "8", "15"][n]}′
          </text>
        </g>
      ))}
    </g>
  );
}

function PlateLeaning({ id }: { id: string }) {
  return (
    <>
      <defs>
        <Tile id={`${id}-copper`} href={copper} />
      </defs>
      <path d="M12 164h208v16H12z" className="fill-paper-edge stroke-ink" strokeWidth="1.6" />
      <path
        d="M14 164L28 8H230L218 164Z"
        fill={`url(#${id}-copper)`}
        className="stroke-ink"
        strokeWidth="2.4"
      />
      <path
        d="M20 158L33 14H224L212 158Z"
        className="fill-none stroke-copper-cut"
        strokeDasharray="5 4"
      />
    </>
  );
}

const LAMPS = [
  [44, 42, 9],
  [92, 56, 11],
  [138, 38, 9],
  [184, 52, 10],
] as const;

/** The made-up print room through its window, by night. */
function Window() {
  return (
    <>
      <path d="M6 168h228v12H6z" className="fill-ferric stroke-ink" strokeWidth="1.6" />
      <path d="M16 14h208v154H16z" className="fill-paper-edge stroke-ink" strokeWidth="2.4" />
      <path d="M26 24h188v134H26z" className="fill-asphalt" />
      <path d="M26 34q48 30 94 6t94 4" className="fill-none stroke-ferric" strokeWidth="1.4" />
      {LAMPS.map(([x, y, r]) => (
        <g key={x}>
          <circle cx={x} cy={y} r={r * 1.9} className="fill-ferric" fillOpacity=".32" />
          <circle cx={x} cy={y} r={r} className="fill-ferric-pale stroke-ferric" strokeWidth="2" />
        </g>
      ))}
      <path d="M26 92l12-18h66l10 18zM128 98l10-18h66l10 18z" className="fill-copper" />
      <path
        d="M44 92l6-18h12l-4 18zM72 92l2-18h12l1 18zM148 98l4-18h12l-3 18zM178 98l1-18h12l3 18z"
        className="fill-paper-lift"
      />
      <path
        d="M30 92v66M112 92v66M130 98v60M212 98v60M26 128h88M130 132h84"
        className="stroke-ferric-deep"
        strokeWidth="3"
      />
      <path
        d="M58 158v-22a8 8 0 0 1 16 0v22ZM160 158v-18a8 8 0 0 1 16 0v18Z"
        className="fill-ink stroke-ferric"
      />
      <path d="M120 24v134" className="stroke-paper-edge" strokeWidth="7" />
    </>
  );
}

/** A thing as it stands on the bench. */
export function OnTheBench({ thing }: { thing: Thing }) {
  const id = useId().replaceAll(":", "");
  const drawn: Record<Thing, ReactNode> = {
    bath: <Bath />,
    strip: <Strip id={id} />,
    plate: <PlateLeaning id={id} />,
    window: <Window />,
  };
  return (
    <svg
      className="block h-auto max-w-full overflow-visible"
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      width={WIDE}
      height={HIGH}
      aria-hidden="true"
    >
      {drawn[thing]}
    </svg>
  );
}
