import { t } from '~/words/of/outlook'
import { type CircuitPen, ROW, STAGE } from './circuitPen'

/** Draws the supply from the left: sump, pickup, pump with its relief, cooler, filter. How far right it comes. */
export function drawSupply({ of, put, line, write }: CircuitPen): number {
  const supply = ROW.main
  put('pump inlet', 44, supply)
  put('pump outlet', 138, supply)
  // A dry sump's line comes from its tank, which stands over the sump and open to the air.
  const dry = of('pickup')!.from === 'tank'
  const from = dry ? ROW.sump - 24 : ROW.sump
  if (dry) put('tank', 44, from)
  line(
    'pickup',
    [
      [44, from],
      [44, supply],
    ],
    {
      label: { x: 52, y: ROW.sump - 40, anchor: 'start' },
      name: {
        x: 52,
        y: ROW.sump - 56,
        words: t(dry ? 'circuitNames.fromTank' : 'circuitNames.pickup'),
        anchor: 'start',
      },
    },
  )
  line(
    'pump',
    [
      [44, supply],
      [138, supply],
    ],
    {
      label: { x: 91, y: supply - 26, anchor: 'middle' },
      name: { x: 91, y: supply + 36, words: t('circuitNames.pump'), anchor: 'middle' },
    },
  )
  const behind = ROW.sump - 74
  put('relief return', 138, behind)
  line('relief', [
    [138, supply],
    [138, behind],
  ])
  line(
    'relief return passage',
    of('relief return passage')?.to === 'pump inlet'
      ? [
          [138, behind],
          [70, behind],
          [44, supply],
        ]
      : [
          [138, behind],
          [138, ROW.sump],
        ],
    {
      label: { x: 146, y: ROW.sump - 40, anchor: 'start' },
      name: { x: 146, y: ROW.sump - 56, words: t('circuitNames.relief'), anchor: 'start' },
    },
  )
  write('pump outlet', 138, supply - 14)
  let x = 138
  for (const stage of ['cooler', 'filter'] as const) {
    const element = of(stage)
    if (!element) continue
    const next = x + STAGE
    put(element.to, next, supply)
    line(
      stage,
      [
        [x, supply],
        [next, supply],
      ],
      {
        name: {
          x: x + STAGE / 2,
          y: supply + 36,
          words: t(stage === 'cooler' ? 'circuitNames.cooler' : 'circuitNames.filter'),
          anchor: 'middle',
        },
        label: { x: x + STAGE / 2, y: supply + 52, anchor: 'middle' },
      },
    )
    const bypass = of(`${stage} bypass`)
    if (bypass) {
      if (bypass.to === 'sump')
        line(
          bypass.id,
          [
            [x + 12, supply],
            [x + 12, ROW.sump],
          ],
          { label: { x: x + 20, y: ROW.sump - 12, anchor: 'start' } },
        )
      else
        line(
          bypass.id,
          [
            [x + 10, supply],
            [x + 20, supply - 36],
            [next - 20, supply - 36],
            [next - 10, supply],
          ],
          { label: { x: x + STAGE / 2, y: supply - 44, anchor: 'middle' } },
        )
    }
    write(element.to, next, supply + 22)
    x = next
  }
  return x
}
