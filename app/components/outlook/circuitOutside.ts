import { t } from '~/words/of/outlook'
import type { CircuitPen } from './circuitPen'
import { ROW } from './circuitPen'

/** Draws what is laid over the rest: an external line, pins under their rods, and what was left out at its own node. */
export function drawOutside({ state, nodes, elements, of, put, at, line }: CircuitPen): void {
  // An external line runs over everything to what it feeds.
  const fittings = of('oil line fittings')
  const outside = of('oil line')
  if (fittings && outside && nodes.has(outside.to)) {
    const [source, fed] = [at(fittings.from), at(outside.to)]
    put(fittings.to, source.x + 14, ROW.top + 16)
    line(fittings.id, [
      [source.x, source.y],
      [source.x + 14, source.y],
      [source.x + 14, ROW.top + 16],
    ])
    line(
      outside.id,
      [
        [source.x + 14, ROW.top + 16],
        [fed.x + 10, ROW.top + 16],
        [fed.x + 10, fed.y],
        [fed.x, fed.y],
      ],
      {
        name: { x: (source.x + fed.x) / 2, y: ROW.top + 10, words: t('circuitNames.oilLine'), anchor: 'end' },
        label: { x: (source.x + fed.x) / 2 + 8, y: ROW.top + 10, anchor: 'start' },
      },
    )
  }
  // Pins hang under their rods.
  for (const bush of state.elements.filter(({ id }) => /^pin \d+ bush$/.test(id))) {
    const drilling = state.elements.find(({ to }) => to === bush.from)!
    const rod = at(drilling.from)
    put(bush.from, rod.x + 12, rod.y + 12)
    line(drilling.id, [
      [rod.x, rod.y],
      [rod.x + 12, rod.y + 12],
    ])
    line(bush.id, [
      [rod.x + 12, rod.y + 12],
      [rod.x + 12, rod.y + 24],
    ])
  }

  // What was left out stands at its own node, wherever that is.
  for (const element of state.elements) {
    if (elements.has(element.id) || !nodes.has(element.from)) continue
    const node = at(element.from)
    line(
      element.id,
      [
        [node.x, node.y],
        [node.x + 16, node.y + 16],
      ],
      { label: { x: node.x + 18, y: node.y + 26, anchor: 'start' } },
    )
  }
}
