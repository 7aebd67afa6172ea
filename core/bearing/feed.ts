/**
 * Pressure an oil column gains when thrown outward in a turning drilling from radius r₁ to r₂: ½ ρ ω² (r₂² − r₁²), Pa.
 * Negative inward. Source: rigid-body rotation of a fluid, e.g. White, Fluid Mechanics, 8th ed., 2.9.
 *
 * @param density kg/m³  @param speed rev/s  @param from r₁, m  @param to r₂, m
 */
export function centrifugalHead(density: number, speed: number, from: number, to: number): number {
  const omega = 2 * Math.PI * speed
  return 0.5 * density * omega * omega * (to * to - from * from)
}

/**
 * Least gallery pressure that keeps the rods fed at a speed, Pa, gauge: oil must be pushed in from the main journal's
 * surface to the crank's axis, ½ ρ ω² r², and keep `margin` there. It is the physical form of "so much pressure per
 * thousand rpm", and grows with the square of speed and of journal diameter.
 */
export function leastGalleryPressure(density: number, speed: number, mainDiameter: number, margin = 50e3): number {
  return -centrifugalHead(density, speed, 0.5 * mainDiameter, 0) + margin
}

/** Where oil can enter a crank drilling as its main journal turns, degrees from the crown of the upper shell. */
export interface FeedArc {
  centre: number
  arc: number
}

/**
 * Feed duty: share of a turn in which a rod's drilling, at any of its mouths on the main journal, faces a groove or hole. What
 * it does not get from there it must live on, and how much air its oil carries grows with the gap.
 *
 * @param mouths angles of the drilling's mouths on the journal, degrees; two for one drilled right through
 * @example feedDuty([0], [{ centre: 0, arc: 180 }]) // 0.5
 */
export function feedDuty(mouths: number[], arcs: FeedArc[]): number {
  const spans = mouths
    .flatMap((mouth) => arcs.map(({ centre, arc }) => ({ from: centre - mouth - 0.5 * arc, arc })))
    .flatMap(({ from, arc }) => {
      if (arc >= 360) return [{ from: 0, to: 360 }]
      const start = from - 360 * Math.floor(from / 360)
      const to = start + arc
      return to > 360
        ? [
            { from: start, to: 360 },
            { from: 0, to: to - 360 },
          ]
        : [{ from: start, to }]
    })
    .sort((one, other) => one.from - other.from)
  let fed = 0
  let reached = 0
  for (const { from, to } of spans) {
    fed += Math.max(0, to - Math.max(from, reached))
    reached = Math.max(reached, to)
  }
  return fed / 360
}

/**
 * A film that is fed for a share δ of the turn, over the whole of it: while fed it takes what pressure and turning make; while not, what the drilling's
 * spin throws outward leaves it and is made up for when it is fed again,
 *
 *   Q = δ (G (p + h) + Q_c) + (1 − δ) G h
 *
 * p the pressure at the mouth, h the head gained outward to the pin. A closure of Uldo's own: what reaches a mouth through the plain shell's film is left out.
 *
 * @param film is set: its conductance G, m³/(s·Pa), and what turning carries out of it Q_c, m³/s
 */
export function feedForPart(film: { conductance: number; carried: number }, duty: number, head: number): void {
  film.carried = duty * film.carried + (1 - duty) * film.conductance * Math.max(0, head)
  film.conductance *= duty
}

/**
 * Share of air in what a rod's film lets go. While its drilling faces neither groove nor hole the passage gets nothing from the main: what its own spin still throws outward
 * leaves it, and air comes in at the mouth for it,
 *
 *   a = (1 − δ) G h / Q
 *
 * with Q as in `feedForPart`. A closure of Uldo's own: the film is taken to live on its own oil but for that head, and what the main's film gives a mouth that passes
 * under load is left out. For comparing one groove with another, no more.
 *
 * @param conductance δ G, m³/(s·Pa)  @param carried what leaves the film without pressure at its mouth, as `feedForPart` sets it, m³/s
 */
export function airShare(duty: number, pressure: number, head: number, conductance: number, carried: number): number {
  if (!(head > 0) || duty >= 1) return 0
  if (duty <= 0) return 1
  const drained = ((1 - duty) / duty) * conductance * head
  return Math.min(1, drained / (conductance * Math.max(0, pressure + head) + carried))
}
