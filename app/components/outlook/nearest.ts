/** Distance of a point from a path of straight pieces, as in “M 0 0 L 10 0”. */
export function distanceToPath(path: string, x: number, y: number): number {
  const numbers = (path.match(/-?\d+(\.\d+)?(e-?\d+)?/g) ?? []).map(Number)
  let least = Infinity
  for (let i = 0; i + 3 < numbers.length; i += 2) {
    const [x0, y0, x1, y1] = numbers.slice(i, i + 4)
    const along = (x1 - x0) ** 2 + (y1 - y0) ** 2
    const share = along > 0 ? Math.max(0, Math.min(1, ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / along)) : 0
    least = Math.min(least, Math.hypot(x - x0 - share * (x1 - x0), y - y0 - share * (y1 - y0)))
  }
  return least
}

/** The path nearest to a point, if any is within reach of a finger: where many stand close, each keeps what is nearest to it. */
export function nearest<T extends { d: string }>(
  paths: readonly T[],
  x: number,
  y: number,
  reach: number,
): T | undefined {
  let found: T | undefined
  let least = reach
  for (const path of paths) {
    const distance = distanceToPath(path.d, x, y)
    if (distance <= least) [found, least] = [path, distance]
  }
  return found
}
