/** Half of a dial's drawing, mm, and drawn pixels for a mm. */
export const HALF = 34
export const FINE = 16
export const RADIUS = 24

/** How a dial is printed: light of its parts, 0 to 1, and its scale, rad. */
export interface DialLooks {
  face: number
  ink: number
  bezel: number
  sweep: number
  begin: number
  majors: number
  minors: number
  needle: number
}

/** The dial without its needle, drawn once: light at each place of it. */
export function drawnDial(looks: DialLooks, random: () => number): Float32Array {
  const size = 2 * HALF * FINE
  const dial = new Float32Array(size * size)
  const major = looks.sweep / looks.majors
  const minor = major / looks.minors
  const blots = Array.from({ length: 5 }, () => ({ x: 8 * (random() - 0.5), y: 9 + 6 * random(), w: 1 + 3 * random() }))
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++) {
      const [x, y] = [column / FINE - HALF, row / FINE - HALF]
      const r = Math.hypot(x, y)
      let light = 0.12 + 0.03 * Math.sin(0.9 * x) * Math.sin(1.3 * y)
      if (r < 31) light = looks.bezel
      if (r < 28) light = looks.face
      if (r < 25.5 && r > 14) {
        let turn = Math.atan2(y, x) - looks.begin
        turn = ((turn % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)
        if (turn > 2 * Math.PI - 0.1) turn -= 2 * Math.PI
        if (turn > -0.05 && turn < looks.sweep + 0.05) {
          const to = (step: number) => Math.abs(turn - step * Math.round(turn / step)) * r
          if (r > 21.5 && to(major) < 0.4) light = looks.ink
          if (r > 23.2 && to(minor) < 0.18) light = looks.ink
          // Numbers: some strokes beside each long line.
          const at = major * Math.round(turn / major)
          const [u, v] = [r * Math.cos(turn - at) - 18.4, r * Math.sin(turn - at)]
          if (
            Math.abs(u) < 1.7 &&
            Math.abs(v) < 1.4 &&
            (Math.abs(u) > 1.25 || Math.abs(v + 0.4 * Math.round(at * 3)) < 0.35)
          )
            light = looks.ink
        }
      }
      if (r < 20 && blots.some((blot) => Math.abs(x - blot.x) < blot.w && Math.abs(y - blot.y) < 0.5)) light = looks.ink
      dial[row * size + column] = light
    }
  return dial
}
