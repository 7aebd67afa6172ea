import type { InspectionItem } from '../record/looked'
import type { Layout, Sheet } from '../record/schema'
import type { Verdict } from '../quantity/verdict'

/** What each lifter or lash adjuster shows while the engine is primed. */
export const LIFTER_FINDINGS: InspectionItem['findings'] = [
  { value: 'oil', words: 'oil, plunger up', verdict: 'pass', action: '' },
  {
    value: 'fountain',
    words: 'fountain',
    verdict: 'stop',
    action: 'It lets oil go unmetered: its metering disc or valve is missing. Change it; hot idle will not stand.',
  },
  {
    value: 'dry',
    words: 'dry',
    verdict: 'watch',
    action: 'No oil comes: turn the crank on and look again, then at its feed hole and its gallery plug.',
  },
  {
    value: 'down',
    words: 'plunger not up',
    verdict: 'watch',
    action: 'Its plunger stays off its clip: it bleeds down, or no oil has come to it yet.',
  },
]

/** Lifters and lash adjusters of a layout: the check that they are all in order, and a key for each of them. */
export function liftersOf({
  lifterCount,
  lifters,
  headCams,
  lashAdjusters,
}: Layout): { check: string; label: string; keys: string[] }[] {
  const keys = (count: number, name: string) => Array.from({ length: count }, (_, i) => `prime.${name}.${i + 1}`)
  return [
    ...(lifterCount > 0 && lifters === 'hydraulic'
      ? [{ check: 'prime.lifters', label: 'Lifter', keys: keys(lifterCount, 'lifter') }]
      : []),
    ...(headCams > 0 && lashAdjusters > 0
      ? [{ check: 'prime.adjusters', label: 'Lash adjuster', keys: keys(lashAdjusters, 'adjuster') }]
      : []),
  ]
}

/** What a row of them comes to: in order once each shows oil, at fault by the worst of them; undefined while some were not looked at and none is bad. */
export function rowOutcome(
  { inspections }: Pick<Sheet, 'inspections'>,
  keys: string[],
): { state: 'done' | 'fault'; verdict: Verdict } | undefined {
  const found = keys.map((key) => LIFTER_FINDINGS.find(({ value }) => value === inspections[key]?.finding)?.verdict)
  if (found.includes('stop')) return { state: 'fault', verdict: 'stop' }
  if (found.includes('watch')) return { state: 'fault', verdict: 'watch' }
  return found.every((each) => each === 'pass') ? { state: 'done', verdict: 'pass' } : undefined
}

/** Those of a row that are not in order, by what they show: “fountain at 3, 7”. */
export function rowWords({ inspections }: Pick<Sheet, 'inspections'>, keys: string[]): string {
  return LIFTER_FINDINGS.filter(({ verdict }) => verdict !== 'pass')
    .map(({ value, words }) => ({
      words,
      at: keys.flatMap((key, i) => (inspections[key]?.finding === value ? [i + 1] : [])),
    }))
    .filter(({ at }) => at.length > 0)
    .map(({ words, at }) => `${words} at ${at.join(', ')}`)
    .join('; ')
}

/** The words that each of them can be answered by. */
export const lifterWords = (layout: Layout, check: string): [string, readonly string[]][] =>
  liftersOf(layout)
    .filter((row) => row.check === check)
    .flatMap(({ keys }) =>
      keys.map((key): [string, readonly string[]] => [key, LIFTER_FINDINGS.map(({ value }) => value)]),
    )

/** What is judged of a row: its worst, by name. */
export function judgedRow(sheet: Sheet, check: string) {
  return liftersOf(sheet.layout)
    .filter((row) => row.check === check)
    .flatMap(({ label, keys }) => {
      const outcome = rowOutcome(sheet, keys)
      return outcome?.state === 'fault'
        ? [
            {
              station: 'prime' as const,
              verdict: outcome.verdict,
              about: `${label.toLowerCase()}s: ${rowWords(sheet, keys)}`,
            },
          ]
        : []
    })
}
