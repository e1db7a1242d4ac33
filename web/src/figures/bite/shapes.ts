/** Paths of the bite section. */

export function wave(x0: number, x1: number, y: number, height = 3, length = 14): string {
  let path = `M${x0.toFixed(1)} ${y.toFixed(1)}`;
  let way = -1;
  for (let x = x0; x < x1 - 0.1; x += length / 2) {
    const next = Math.min(x + length / 2, x1);
    path += `Q${((x + next) / 2).toFixed(1)} ${(y + way * height).toFixed(1)} ${next.toFixed(1)} ${y.toFixed(1)}`;
    way = -way;
  }
  return path;
}

/** Stop-out lies in the recess with a brushed, uneven top. */
export function varnish(x0: number, x1: number, floor: number, height: number): string {
  const top = floor - height;
  const parts = Math.max(2, Math.round((x1 - x0) / 26));
  const step = (x1 - x0) / parts;
  let path = `M${x0.toFixed(1)} ${floor.toFixed(1)}V${(top - 1.5).toFixed(1)}`;
  for (let i = 0; i < parts; i++) {
    const x = x0 + step * (i + 1);
    const y = top + ((i * 37) % 5) * 0.55 - 1.2;
    path += `Q${(x - step / 2).toFixed(1)} ${(y + 1.8).toFixed(1)} ${x.toFixed(1)} ${y.toFixed(1)}`;
  }
  return `${path}V${floor.toFixed(1)}Z`;
}
