import { t } from '~/words/of/outlook'
import type { CircuitState } from '#core/outlook/circuitState'
import { drawMains } from './circuitMains'
import { drawOutside } from './circuitOutside'
import { type CircuitLayout, circuitPen, OUTLET, ROW } from './circuitPen'
import { drawSupply } from './circuitSupply'

/**
 * Lays a circuit out as an engine is drawn: the supply from the left, the gallery as one line, under it each main with its rods, over it the cam
 * bearings, what hangs on the gallery's ends beside it. Columns are as wide as what stands in them, so that nothing is written over anything.
 */
export function layCircuit(state: CircuitState): CircuitLayout {
  const pen = circuitPen(state)
  const { nodes, elements, pressures, of, put, at, line } = pen
  let x = drawSupply(pen)

  // What hangs on the gallery's ends, by the node it draws on; what branches behind it takes a column for each branch.
  const outlets = (node: string) =>
    state.elements.filter(
      ({ from, id }) => from === node && !/^(gallery \d|drilling|piston jets|turbo|oil line)/.test(id),
    )
  const [front, rear] = [outlets('gallery 1'), state.galleryEnd === 'gallery 1' ? [] : outlets(state.galleryEnd)]
  const behind = (node: string) => state.elements.filter(({ from }) => from === node)
  const columns = (list: CircuitState['elements']) =>
    list.reduce((sum, { to }) => sum + (to === 'sump' ? 1 : Math.max(1, behind(to).length)), 0)
  x += 26 + columns(front) * OUTLET
  const frontX = x

  x = drawMains(pen, x)
  hang(front, frontX - columns(front) * OUTLET, at('gallery 1').x)
  x += 16
  hang(rear, x, at(state.galleryEnd).x)
  x += columns(rear) * OUTLET
  function hang(list: CircuitState['elements'], from: number, node: number) {
    let column = 0
    for (const { id, to, short } of list) {
      const middle = (place: number) => from + (place + 0.5) * OUTLET
      const [name, label] = [ROW.main + 34, ROW.main + 50]
      const written = (own: number, words = t('circuitNames.leftOut')) => ({
        name: { x: own, y: name, words, anchor: 'middle' as const },
        label: { x: own, y: label, anchor: 'middle' as const },
      })
      const own = middle(column)
      const down: [number, number] = [own, to === 'sump' ? ROW.main + 16 : ROW.main - 20]
      const points: [number, number][] = [[node, ROW.gallery], [own, ROW.gallery], down]
      if (to === 'sump') {
        line(id, points, written(own, short))
        column++
        continue
      }
      put(to, own, ROW.main - 20)
      line(id, points)
      for (const after of behind(to)) {
        const at = middle(column++)
        line(
          after.id,
          [
            [own, ROW.main - 20],
            [at, ROW.main - 20],
            [at, ROW.main + 16],
          ],
          written(at, after.short),
        )
      }
    }
  }
  const filterOutlet = at(of('feed')!.from)
  const gauge = at(state.gauge)
  line('feed', [
    [filterOutlet.x, filterOutlet.y],
    [filterOutlet.x, ROW.top],
    [gauge.x, ROW.top],
    [gauge.x, ROW.gallery],
  ])

  drawOutside(pen)
  put('sump', 20, ROW.sump)
  return { width: Math.max(732, x + 24), height: ROW.sump + 22, nodes, elements, pressures }
}
