/**
 * Makes core/orbit/finiteWidth.json: by how much a bearing of finite width yields more or less readily to a load than the short bearing does, from the grid solver with
 * nothing but squeeze. `npx tsx bin/mobility.ts`; two minutes.
 */
import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { falsePosition } from '../core/root/falsePosition'
import { mobilityOnGrid, shortMobility } from '../core/orbit/mobility'
import { ANGLES, ECCENTRICITIES, RATIOS } from '../core/orbit/mobilityTable'

/** A film that is thinner somewhere wants a finer grid round. */
const finenessAt = (eccentricity: number) => ({ around: eccentricity > 0.9 ? 480 : 240, across: 8 })
/** In line with the load what is across it is nothing over nothing: its ratio is that of so many degrees beside. */
const BESIDE = 3
const DEGREE = Math.PI / 180

const fourDigits = (value: number) => Number(value.toPrecision(4))

/** Mobilities over the short bearing's, which are smooth where the mobilities themselves go through decades, and the peak pressure. */
function at(ratio: number, eccentricity: number, angle: number): number[] {
  const solve = mobilityOnGrid(ratio, finenessAt(eccentricity))
  const wanted = Math.min(180 - BESIDE, Math.max(BESIDE, angle)) * DEGREE
  const direction = falsePosition(
    (of) => solve(eccentricity, of).angle - wanted,
    0,
    Math.PI,
    -wanted,
    Math.PI - wanted,
    {
      close: 1e-4,
      rounds: 40,
    },
  )
  const beside = solve(eccentricity, direction)
  const inLine = angle === 0 || angle === 180 ? solve(eccentricity, angle * DEGREE) : beside
  const short = (each: typeof beside) =>
    shortMobility(eccentricity * Math.cos(each.angle), eccentricity * Math.sin(each.angle), ratio)
  return [inLine.along / short(inLine).along, beside.across / short(beside).across, inLine.peak].map(fourDigits)
}

const table = RATIOS.map((ratio) =>
  ECCENTRICITIES.map((eccentricity) => ANGLES.map((angle) => at(ratio, eccentricity, angle))),
)
writeFileSync(
  fileURLToPath(new URL('../core/orbit/finiteWidth.json', import.meta.url)),
  `[\n${table.map((each) => `[\n${each.map((row) => JSON.stringify(row)).join(',\n')}\n]`).join(',\n')}\n]\n`,
)
