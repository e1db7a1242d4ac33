import copper from "../../assets/copper.png";
import zinc from "../../assets/zinc.png";
import { Tile } from "../Patterns";

/** Materials whose face is one colour. */
const FACE: Record<string, string> = {
  plastic: "var(--color-plastic)",
  polymer: "var(--color-polymer)",
};

const TILE: Record<string, string> = { copper, zinc };

/** What fills a face or a cut of this material, with the patterns it needs under ids of its own. */
export function metalFill(metal: string, id: string) {
  const tile = TILE[metal];
  const face = tile ? `url(#${id}-face)` : (FACE[metal] ?? "var(--color-plastic)");
  const defs = (
    <defs>
      {tile ? <Tile id={`${id}-face`} href={tile} /> : null}
      <pattern
        id={`${id}-cut`}
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0V7" stroke="var(--color-ink)" strokeOpacity=".28" strokeWidth="1.2" />
      </pattern>
    </defs>
  );
  return { face, cut: `url(#${id}-cut)`, defs };
}
