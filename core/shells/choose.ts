import type { IntegerSolver } from '../programme/solver'
import type { ShellChoice, ShellPlan, ShellProblem, ShellStock } from './types'

/** One micron, the unit of the programme's deviations. */
const MICRON = 1e-6
/** The largest deviation weighs so much more than the sum of all that the sum only decides between equals. */
const FIRST = 1000

interface Pair {
  name: string
  upper: ShellStock
  lower: ShellStock
  clearance: number
  deviation: number
}

/**
 * Chooses upper and lower shell for every station so that the largest deviation from the target is least, then the sum of them; at
 * most one grade between the halves of a pair; stock respected. An integer programme: x_ip is 1 where station i takes pair p,
 *
 *   min 1000 t + Σ d_ip x_ip / n,   Σ_p x_ip = 1,   Σ_p d_ip x_ip ≤ t,   Σ uses of a shell ≤ its count.
 *
 * Source: the assignment problem with a bottleneck, e.g. Burkard, Dell'Amico & Martello, Assignment Problems (2012), ch. 6.
 *
 * @throws RangeError naming the field when there is nothing to choose from
 */
export function chooseShells(problem: ShellProblem, solve: IntegerSolver): ShellPlan {
  const { stations, stock } = problem
  if (stations.length === 0) throw new RangeError('stations: none to choose for')
  for (const half of ['upper', 'lower'] as const)
    if (!stock.some((shell) => shell.half === half)) throw new RangeError(`stock: no ${half} shells of this bearing`)
  const found = solve(programme(problem, true))
  if (found) {
    const choices = readChoices(problem, found)
    return {
      kind: 'chosen',
      choices,
      worst: worstOf(problem, choices),
      outside: outsideOf(problem, choices),
      alternatives: nextBest(problem, solve, found),
    }
  }
  const unlimited = solve(programme(problem, false))
  const choices = unlimited ? readChoices(problem, unlimited) : []
  const order = shortages(problem, choices)
  const wanted = stations.length
  const short = (['upper', 'lower'] as const)
    .map((half) => ({
      half,
      held: stock.filter((shell) => shell.half === half).reduce((sum, shell) => sum + shell.count, 0),
    }))
    .filter(({ held }) => held < wanted)
  const reason =
    short.length > 0
      ? short.map(({ half, held }) => `${held} ${half} shells are in stock and ${wanted} are wanted`).join('; ')
      : 'the shells in stock cannot be paired within one grade for every station'
  return { kind: 'short', reason, order, choices }
}

/** How many other sets are offered beside the best. */
const ALTERNATIVES = 2

/**
 * The next best sets: each that was found is cut off, Σ of its pairs ≤ n − 1, and so is any that differs from one only in which half of a
 * pair carries which grade.
 */
function nextBest(
  problem: ShellProblem,
  solve: IntegerSolver,
  best: Record<string, number>,
): { choices: ShellChoice[]; worst: number }[] {
  const cuts: string[][] = [likeOf(problem, best)]
  const list: { choices: ShellChoice[]; worst: number }[] = []
  while (list.length < ALTERNATIVES) {
    const found = solve(programme(problem, true, cuts))
    if (!found) break
    cuts.push(likeOf(problem, found))
    const choices = readChoices(problem, found)
    list.push({ choices, worst: worstOf(problem, choices) })
  }
  return list
}

/** All pairs that leave each station the clearance that a solution leaves it. */
function likeOf(problem: ShellProblem, found: Record<string, number>): string[] {
  return problem.stations.flatMap((station, i) => {
    const pairs = pairsOf(problem, station, i)
    const taken = pairs.find(({ name }) => found[name] > 0.5)!
    return pairs.filter(({ clearance }) => Math.abs(clearance - taken.clearance) < 1e-9).map(({ name }) => name)
  })
}

function pairsOf({ stock, target }: ShellProblem, station: { clearance: number }, index: number): Pair[] {
  const walls = [...new Set(stock.map((shell) => shell.wall))].sort((a, b) => a - b)
  const grade = (shell: ShellStock) => walls.indexOf(shell.wall)
  return stock.flatMap((upper, u) =>
    stock.flatMap((lower, l) => {
      if (upper.half !== 'upper' || lower.half !== 'lower' || Math.abs(grade(upper) - grade(lower)) > 1) return []
      const clearance = station.clearance - upper.wall - lower.wall
      return [
        { name: `x_${index}_${u}_${l}`, upper, lower, clearance, deviation: Math.abs(clearance - target) / MICRON },
      ]
    }),
  )
}

function programme(problem: ShellProblem, limited: boolean, cuts: string[][] = []): string {
  const { stations, stock } = problem
  const pairs = stations.map((station, i) => pairsOf(problem, station, i))
  const sum = (terms: string[]) => (terms.length > 0 ? terms.join(' + ') : '0 t')
  const number = (value: number) => value.toFixed(6)
  const lines = [
    'Minimize',
    ` cost: ${FIRST} t + ${sum(pairs.flat().map(({ name, deviation }) => `${number(deviation / stations.length)} ${name}`))}`,
    'Subject To',
  ]
  pairs.forEach((own, i) => {
    lines.push(` one_${i}: ${sum(own.map(({ name }) => name))} = 1`)
    lines.push(` worst_${i}: ${sum(own.map(({ name, deviation }) => `${number(deviation)} ${name}`))} - t <= 0`)
  })
  if (limited) {
    stock.forEach((shell, s) => {
      const uses = pairs
        .flat()
        .filter(({ upper, lower }) => upper === shell || lower === shell)
        .map(({ name }) => name)
      if (uses.length > 0) lines.push(` stock_${s}: ${sum(uses)} <= ${shell.count}`)
    })
  }
  cuts.forEach((names, c) => lines.push(` cut_${c}: ${sum(names)} <= ${stations.length - 1}`))
  return [
    ...lines,
    'Bounds',
    ' t >= 0',
    'Binary',
    ` ${pairs
      .flat()
      .map(({ name }) => name)
      .join(' ')}`,
    'End',
  ].join('\n')
}

function readChoices(problem: ShellProblem, found: Record<string, number>): ShellChoice[] {
  return problem.stations.map((station, i) => {
    const pair = pairsOf(problem, station, i).find(({ name }) => found[name] > 0.5)!
    return { id: station.id, upper: pair.upper.id, lower: pair.lower.id, clearance: pair.clearance }
  })
}

function worstOf({ target }: ShellProblem, choices: ShellChoice[]): number {
  return Math.max(...choices.map(({ clearance }) => Math.abs(clearance - target)))
}

function outsideOf({ least, most }: ShellProblem, choices: ShellChoice[]): string[] {
  return choices.filter(({ clearance }) => clearance < least || clearance > most).map(({ id }) => id)
}

/** Shells of the unlimited choice that stock does not hold. */
function shortages(
  { stock }: ShellProblem,
  choices: ShellChoice[],
): { half: 'upper' | 'lower'; wall: number; count: number }[] {
  return stock.flatMap((shell) => {
    const wanted = choices.filter(({ upper, lower }) => upper === shell.id || lower === shell.id).length
    return wanted > shell.count ? [{ half: shell.half, wall: shell.wall, count: wanted - shell.count }] : []
  })
}
