import { describe, expect, it } from 'vitest'
import { crankpinForce, mainForce, onRod, type RodGear, rodSwing } from './load'
import { type CylinderCycle, cylinderPressure, cylinderVolume, meanPressure, ATMOSPHERE } from './pressure'

const gear: RodGear = {
  cylinderBore: 0.088,
  stroke: 0.0985,
  rodLength: 0.158,
  reciprocatingMass: 0.75,
  rotatingMass: 0.5,
}
const cycle: CylinderCycle = { ...gear, compressionRatio: 9, meanEffectivePressure: 1e6, intakePressure: 95e3 }

describe('cylinder pressure', () => {
  it('volume runs from 1/(r − 1) to r/(r − 1) of the stroke', () => {
    expect(cylinderVolume(cycle, 0).volume).toBeCloseTo(1 / 8, 12)
    expect(cylinderVolume(cycle, Math.PI).volume).toBeCloseTo(9 / 8, 12)
    const h = 1e-5
    expect(cylinderVolume(cycle, 1).slope).toBeCloseTo(
      (cylinderVolume(cycle, 1 + h).volume - cylinderVolume(cycle, 1 - h).volume) / (2 * h),
      8,
    )
  })
  it('does the work that was wanted, with its peak after the top', () => {
    const gas = cylinderPressure(cycle)
    expect(
      meanPressure(
        cycle,
        gas.map((pressure) => pressure + ATMOSPHERE),
      ) / 1e6,
    ).toBeCloseTo(1, 6)
    const peak = gas.indexOf(Math.max(...gas))
    expect(peak).toBeGreaterThan(8)
    expect(peak).toBeLessThan(35)
    expect(gas[peak]).toBeGreaterThan(35e5)
    expect(gas[peak]).toBeLessThan(75e5)
  })
  it('compresses along p Vⁿ', () => {
    const gas = cylinderPressure(cycle)
    const at = (degree: number) =>
      (gas[degree] + ATMOSPHERE) * cylinderVolume(cycle, (degree * Math.PI) / 180).volume ** 1.32
    expect(at(690) / at(600)).toBeCloseTo(1, 9)
  })
  it.each([
    ['rodLength', { rodLength: 0.04 }],
    ['compressionRatio', { compressionRatio: 1 }],
    ['intakePressure', { intakePressure: 0 }],
  ])('refuses %s', (field, wrong) => {
    expect(() => cylinderPressure({ ...cycle, ...wrong })).toThrow(new RegExp(field))
  })
})

describe('loads', () => {
  const omega = 2 * Math.PI * 50
  const still = new Float64Array(720)
  it('inertia at the top is m r ω² (1 + r/l) and m r ω² of the big end, both up', () => {
    const { x, y } = crankpinForce(gear, still, 50)
    const r = 0.5 * gear.stroke
    expect(y[0]).toBeCloseTo(
      gear.reciprocatingMass * r * omega ** 2 * (1 + r / gear.rodLength) + gear.rotatingMass * r * omega ** 2,
      6,
    )
    expect(x[0]).toBeCloseTo(0, 9)
    expect(y[180]).toBeCloseTo(
      -gear.reciprocatingMass * r * omega ** 2 * (1 - r / gear.rodLength) - gear.rotatingMass * r * omega ** 2,
      6,
    )
  })
  it('turns the crank with the gas’s work: ∮ F · dr over a cycle is that of the piston', () => {
    const gas = cylinderPressure(cycle)
    const { x, y } = crankpinForce(gear, gas, 50)
    const r = 0.5 * gear.stroke
    let turned = 0
    for (let degree = 0; degree < 720; degree++) {
      const angle = (degree * Math.PI) / 180
      turned += (x[degree] * r * Math.cos(angle) - y[degree] * r * Math.sin(angle)) * (Math.PI / 180)
    }
    const swept = 0.25 * Math.PI * gear.cylinderBore ** 2 * gear.stroke
    expect(turned / (1e6 * swept)).toBeCloseTo(1, 2)
  })
  it('is the same force in the rod’s frame, and firing presses the pin into the upper shell', () => {
    const gas = cylinderPressure(cycle)
    const pin = crankpinForce(gear, gas, 20)
    const { angle, rate } = rodSwing(gear, 20)
    const rod = onRod(pin, angle)
    for (const degree of [0, 40, 90, 400])
      expect(Math.hypot(rod.x[degree], rod.y[degree])).toBeCloseTo(Math.hypot(pin.x[degree], pin.y[degree]), 6)
    expect(rod.y[20]).toBeGreaterThan(5000)
    expect(rate[0]).toBeCloseTo(-(angle[1] - angle[719]) / (2 / 360 / 20), 1)
  })
  it('two throws opposite one another leave a main between them half of each', () => {
    const pin = crankpinForce(gear, still, 50)
    const alone = mainForce(pin, gear, 50, [{ fires: 0, bank: 0 }], 0)
    const both = mainForce(
      pin,
      gear,
      50,
      [
        { fires: 0, bank: 0 },
        { fires: 360, bank: 0 },
      ],
      0,
    )
    expect(alone.y[30]).toBeCloseTo(0.5 * pin.y[30], 9)
    expect(both.y[30]).toBeCloseTo(0.5 * (pin.y[30] + pin.y[390]), 9)
    // A cylinder that leans a quarter turn pushes sideways what an upright one pushes up.
    expect(mainForce(pin, gear, 50, [{ fires: 90, bank: 90 }], 0).x[90]).toBeCloseTo(0.5 * pin.y[0], 9)
  })
})
