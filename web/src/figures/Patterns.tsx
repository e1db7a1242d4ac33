import asphalt from "../assets/asphalt.png";
import copper from "../assets/copper.png";
import zinc from "../assets/zinc.png";
import { grainTile } from "./grain";

/** The surfaces of a figure, under ids of its own. */
export function Patterns({ id, tones }: { id: string; tones: number[] }) {
  const tiles = new Map(tones.map((tone) => [grainTile(tone).key, grainTile(tone).href]));
  const lines = new Map(tones.map((tone) => [Math.round(tone), tone]));
  return (
    <defs>
      {[...tiles].map(([key, href]) => (
        <pattern
          key={key}
          id={`${id}-g${key}`}
          width="192"
          height="192"
          patternUnits="userSpaceOnUse"
        >
          <image href={href} width="192" height="192" className="[image-rendering:pixelated]" />
        </pattern>
      ))}
      {[...lines].map(([key, tone]) => (
        <LinePattern key={`l${key}`} id={`${id}-l${key}`} lstar={tone} />
      ))}
      <Tile id={`${id}-copper`} href={copper} />
      <Tile id={`${id}-zinc`} href={zinc} />
      <Tile id={`${id}-asphalt`} href={asphalt} />
      <pattern
        id={`${id}-cut`}
        width="9"
        height="9"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0V9" stroke="var(--color-copper-cut)" strokeOpacity=".42" strokeWidth="1.4" />
        <path
          d="M4.5 0V5.5"
          stroke="var(--color-copper-cut)"
          strokeOpacity=".42"
          strokeWidth="1.1"
        />
      </pattern>
      <pattern
        id={`${id}-plan`}
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(-45)"
      >
        <path d="M0 0V7" stroke="var(--color-paper-lift)" strokeOpacity=".75" strokeWidth="3.2" />
      </pattern>
      <pattern
        id={`${id}-cover`}
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="6" height="6" fill="var(--color-paper)" />
        <path d="M1.5 0V6" stroke="var(--color-asphalt)" strokeWidth="3" />
      </pattern>
      <pattern id={`${id}-bath`} width="5" height="5" patternUnits="userSpaceOnUse">
        <path d="M0 1.5H5" stroke="var(--color-verdigris)" strokeWidth="1.4" />
      </pattern>
      <pattern id={`${id}-band`} width="4" height="4" patternUnits="userSpaceOnUse">
        <path d="M1 0V4" stroke="var(--color-ink)" strokeOpacity=".42" strokeWidth="1" />
      </pattern>
    </defs>
  );
}

/** A surface of a material, drawn 1:1. */
export function Tile({ id, href }: { id: string; href: string }) {
  return (
    <pattern id={id} width="256" height="256" patternUnits="userSpaceOnUse">
      <image href={href} width="256" height="256" />
    </pattern>
  );
}

const EMPTY_LSTAR = 94;
const GROOVE_PX = 9;

/** Bitten lines: grooves side by side, broader as they print darker. Grain is for aquatint alone. */
function LinePattern({ id, lstar }: { id: string; lstar: number }) {
  const broad = 0.8 + 5.2 * Math.min(1, Math.max(0, (EMPTY_LSTAR - lstar) / EMPTY_LSTAR));
  return (
    <pattern id={id} width={GROOVE_PX} height="12" patternUnits="userSpaceOnUse">
      <rect width={GROOVE_PX} height="12" fill="var(--color-paper-cut)" />
      <path d={`M${GROOVE_PX / 2} 0V12`} stroke="var(--color-ink)" strokeWidth={broad} />
    </pattern>
  );
}
