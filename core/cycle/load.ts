/** A cylinder's moving parts, SI. */
export interface RodGear {
  cylinderBore: number
  stroke: number
  rodLength: number
  /** Piston, pin, rings and the rod's small end, kg. */
  reciprocatingMass: number
  /** The rod's big end, kg. */
  rotatingMass: number
}

/** Force on a journal over the cycle, N: one value for each degree, in a frame named by who made it. */
export interface CycleLoad {
  x: Float64Array
  y: Float64Array
}

/**
 * Force of a rod on its crankpin for each degree of the cycle, N, in the engine's frame: y toward the cylinder head along the
 * cylinder's axis, x so that the crank turns from y to x (clockwise seen from the front); 0 is top dead centre, firing.
 *
 * Gas and reciprocating inertia act along the cylinder, F = p A + m_r a with a the piston's acceleration toward the crank;
 * the rod passes on F / cos β along itself, and its big end adds m_o r ω² outward.
 * Source: Taylor, The Internal-Combustion Engine in Theory and Practice, vol. 2, ch. 8.
 *
 * @param gas cylinder pressure, Pa gauge, 720 values  @param speed rev/s
 */
export function crankpinForce(gear: RodGear, gas: ArrayLike<number>, speed: number): CycleLoad {
  const r = 0.5 * gear.stroke
  const l = gear.rodLength
  const omega = 2 * Math.PI * speed
  const piston = 0.25 * Math.PI * gear.cylinderBore ** 2
  const x = new Float64Array(720)
  const y = new Float64Array(720)
  for (let degree = 0; degree < 720; degree++) {
    const angle = (degree * Math.PI) / 180
    const sine = Math.sin(angle)
    const cosine = Math.cos(angle)
    const swing = (r * sine) / l
    const upright = Math.sqrt(1 - swing * swing)
    // Height of the piston over the crank's axis is r cos θ + l cos β; its second derivative, per ω².
    const lift =
      -r * cosine -
      (r * r * (cosine * cosine - sine * sine)) / (l * upright) -
      (r ** 4 * sine * sine * cosine * cosine) / (l ** 3 * upright ** 3)
    // Piston's balance along the cylinder: rod's push up on the piston = gas down + mass × upward acceleration.
    const along = gas[degree] * piston + gear.reciprocatingMass * lift * omega * omega
    // The pin stands at x = r sin θ; the rod leans so that it pushes the pin down and outward to its side.
    const centrifugal = gear.rotatingMass * r * omega * omega
    x[degree] = (along * swing) / upright + centrifugal * sine
    y[degree] = -along + centrifugal * cosine
  }
  return { x, y }
}

/** Lean β of the rod from the cylinder's axis, rad, β = asin(r sin θ / l), and how fast its frame turns clockwise, −β̇, rad/s, for each degree. */
export function rodSwing(
  { stroke, rodLength }: Pick<RodGear, 'stroke' | 'rodLength'>,
  speed: number,
): { angle: Float64Array; rate: Float64Array } {
  const ratio = (0.5 * stroke) / rodLength
  const omega = 2 * Math.PI * speed
  const angle = Float64Array.from({ length: 720 }, (_, degree) => Math.asin(ratio * Math.sin((degree * Math.PI) / 180)))
  const rate = Float64Array.from(
    { length: 720 },
    (_, degree) => (-omega * ratio * Math.cos((degree * Math.PI) / 180)) / Math.cos(angle[degree]),
  )
  return { angle, rate }
}

/**
 * What the crankpin puts on the rod's big end, N, in the rod's own frame, in which the shell stands still: y along the rod from pin to
 * piston, x to the side the crank turns to at the top. It is what the journal's orbit goes by: firing presses the pin into the upper shell.
 */
export function onRod(pin: CycleLoad, lean: Float64Array): CycleLoad {
  const x = new Float64Array(720)
  const y = new Float64Array(720)
  for (let degree = 0; degree < 720; degree++) {
    const cosine = Math.cos(lean[degree])
    const sine = Math.sin(lean[degree])
    x[degree] = -(pin.x[degree] * cosine + pin.y[degree] * sine)
    y[degree] = -(-pin.x[degree] * sine + pin.y[degree] * cosine)
  }
  return { x, y }
}

/** A cylinder as a main bearing feels it: how far its firing lags, its bank's lean, degrees. */
export interface Throw {
  /** Crank angle at which it fires, degrees from cylinder 1's. */
  fires: number
  /** Lean of its cylinder from upright, degrees, in the direction of turning. */
  bank: number
}

/**
 * Force on a main journal: half of each neighbouring throw, the share of rotating masses that counterweights do not balance
 * left in. Statically determinate: the crank is taken as hinged at every main.
 * Source: Taylor, vol. 2, ch. 8; the hinged crank is the usual first assumption.
 *
 * @param pin force of one cylinder's rod on its pin, in that cylinder's frame
 * @param balanced share of the big ends' centrifugal force that counterweights take, 0 to 1
 */
export function mainForce(
  pin: CycleLoad,
  gear: RodGear,
  speed: number,
  neighbours: Throw[],
  balanced = 0.8,
): CycleLoad {
  const x = new Float64Array(720)
  const y = new Float64Array(720)
  const omega = 2 * Math.PI * speed
  const centrifugal = balanced * gear.rotatingMass * 0.5 * gear.stroke * omega * omega
  for (const { fires, bank } of neighbours) {
    const lean = (bank * Math.PI) / 180
    for (let degree = 0; degree < 720; degree++) {
      const own = (((degree - Math.round(fires)) % 720) + 720) % 720
      const angle = (own * Math.PI) / 180
      const fx = pin.x[own] - centrifugal * Math.sin(angle)
      const fy = pin.y[own] - centrifugal * Math.cos(angle)
      x[degree] += 0.5 * (fx * Math.cos(lean) + fy * Math.sin(lean))
      y[degree] += 0.5 * (-fx * Math.sin(lean) + fy * Math.cos(lean))
    }
  }
  return { x, y }
}
