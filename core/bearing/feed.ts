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
  const steps = 3600
  let fed = 0
  for (let k = 0; k < steps; k++) {
    const turn = ((k + 0.5) * 360) / steps
    if (mouths.some((mouth) => arcs.some(({ centre, arc }) => Math.abs(wrap(mouth + turn - centre)) <= 0.5 * arc)))
      fed++
  }
  return fed / steps
}

/**
 * Share of air in what a rod's film lets go. While its drilling faces neither groove nor hole the passage gets nothing from the main: what its own spin still throws outward
 * leaves it, and air comes in at the mouth for it,
 *
 *   a = (1 − δ) G h / (δ (G (p + h) + Q_c) + (1 − δ) G h)
 *
 * δ the feed duty, p the main's pressure, h the head that the drilling gains outward, G and Q_c the film's conductance and what turning carries out of it. A closure of Uldo's own: the film
 * is taken to live on its own oil but for that head, and what the main's film gives a mouth that passes under load is left out. For comparing one groove with another, no more.
 */
export function airShare(duty: number, pressure: number, head: number, conductance: number, carried: number): number {
  const drained = (1 - duty) * conductance * Math.max(0, head)
  const fed = duty * (conductance * Math.max(0, pressure + head) + carried)
  return drained > 0 ? drained / (drained + fed) : 0
}

function wrap(degrees: number): number {
  return degrees - 360 * Math.round(degrees / 360)
}
