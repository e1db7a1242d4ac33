import type { Labels } from "./labels";

/** What becomes of an area before a bite, as the server names it. */
export const STATE = { covered: 0, crayon: 64, now: 128, crayoned: 192, open: 255 } as const;

type Rgb = readonly [number, number, number];
export type Look = { open: Rgb; covered: Rgb; now: Rgb; crayon: Rgb };

/** The colours of a map by day and by night are those of the look's tokens. */
export const LOOKS: Record<string, [open: string, covered: string, now: string]> = {
  copper: ["--color-copper", "--color-asphalt", "--color-asphalt"],
  zinc: ["--color-zinc", "--color-asphalt", "--color-asphalt"],
  night: ["--color-copper", "--color-night", "--color-night-ferric"],
  card: ["--color-white", "--color-pen-grey", "--color-ink"],
};

const STRIPE_PX = 22;
const SPECKLE_PX = 5;
const RIM_PX = 3;

/** Paint the pixels of a map; turned as it lies on the plate, or as it prints. */
export function paintMap(
  labels: Labels,
  states: readonly number[],
  look: Look,
  rim: Rgb | null,
  mirrored: boolean,
  striped: Rgb,
): ImageData {
  const { width, height, of } = labels;
  const image = new ImageData(width, height);
  const pixels = new Uint32Array(image.data.buffer);
  const [open, covered, now, under] = [look.open, look.covered, look.now, striped].map(packed) as [
    number,
    number,
    number,
    number,
  ];
  const edge = rim ? packed(rim) : null;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = y * width + x;
      const state = states[of[at] as number] ?? STATE.open;
      let colour = open;
      if (state === STATE.covered) colour = covered;
      else if (state === STATE.now) colour = (x + y) % STRIPE_PX < STRIPE_PX / 2 ? now : under;
      else if (state === STATE.crayon) colour = speckled(x, y, 2) ? now : open;
      else if (state === STATE.crayoned) colour = speckled(x, y, 3) ? covered : open;
      if (edge !== null && state === STATE.now && onRim(labels, states, x, y)) colour = edge;
      pixels[mirrored ? at - x + (width - 1 - x) : at] = colour;
    }
  }
  return image;
}

/** Little-endian, as the pixels of a picture lie in memory. */
const packed = ([r, g, b]: Rgb) => ((255 << 24) | (b << 16) | (g << 8) | r) >>> 0;

function speckled(x: number, y: number, one_in: number): boolean {
  const [a, b] = [Math.floor(x / SPECKLE_PX), Math.floor(y / SPECKLE_PX)];
  return ((Math.imul(a, 73_856_093) ^ Math.imul(b, 19_349_663)) >>> 4) % one_in === 0;
}

function onRim({ width, height, of }: Labels, states: readonly number[], x: number, y: number) {
  for (const [dx, dy] of [
    [RIM_PX, 0],
    [-RIM_PX, 0],
    [0, RIM_PX],
    [0, -RIM_PX],
  ] as const) {
    const [nx, ny] = [x + dx, y + dy];
    if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
    if ((states[of[ny * width + nx] as number] ?? STATE.open) !== STATE.now) return true;
  }
  return false;
}

/** A colour of the look as it is painted. */
export function rgbOf(token: string): Rgb {
  const text = getComputedStyle(document.documentElement).getPropertyValue(token).trim();
  const short = /^#([0-9a-f])([0-9a-f])([0-9a-f])$/i.exec(text)?.slice(1);
  const hex = short?.map((digit) => digit + digit).join("") ?? /^#([0-9a-f]{6})$/i.exec(text)?.[1];
  if (hex === undefined) return [128, 128, 128];
  return [0, 2, 4].map((i) => Number.parseInt(hex.slice(i, i + 2), 16)) as unknown as Rgb;
}
