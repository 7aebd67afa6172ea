import type { CircuitState } from '#core/outlook/circuitState'

/** Where everything of a circuit is drawn, in the drawing's own units. */
export interface CircuitLayout {
  width: number
  height: number
  nodes: Map<string, { x: number; y: number }>
  /** Path of each element, and where its flow is written. */
  elements: Map<
    string,
    {
      d: string
      label?: { x: number; y: number; anchor: 'start' | 'middle' | 'end' }
      name?: { x: number; y: number; words: string; anchor: 'start' | 'middle' | 'end' }
    }
  >
  /** Where each pressure is written. */
  pressures: { node: string; x: number; y: number; anchor: 'start' | 'middle' | 'end' }[]
}

const ROW = { top: 44, cam: 108, gallery: 168, main: 236, rod: 312, sump: 382 }
const STAGE = 88
/** Width of an outlet's column, of a rod's, of a cam bearing's. */
const OUTLET = 76
const ROD = 44
const CAM = 42

/**
 * Lays a circuit out as an engine is drawn: the supply from the left, the gallery as one line, under it each main with its rods, over it the cam
 * bearings, what hangs on the gallery's ends beside it. Columns are as wide as what stands in them, so that nothing is written over anything.
 */
export function layCircuit(state: CircuitState): CircuitLayout {
  const of = (id: string) => state.elements.find((element) => element.id === id)
  const nodes: CircuitLayout['nodes'] = new Map()
  const elements: CircuitLayout['elements'] = new Map()
  const pressures: CircuitLayout['pressures'] = []
  const put = (id: string, x: number, y: number) => nodes.set(id, { x, y })
  const at = (id: string) => nodes.get(id)!
  const write = (node: string, x: number, y: number, anchor: 'start' | 'middle' | 'end' = 'middle') =>
    pressures.push({ node, x, y, anchor })
  const line = (
    id: string,
    points: [number, number][],
    more: Omit<NonNullable<ReturnType<CircuitLayout['elements']['get']>>, 'd'> = {},
  ) => elements.set(id, { d: points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'} ${x} ${y}`).join(' '), ...more })

  // The supply: sump, pickup, pump with its relief, cooler, filter.
  const supply = ROW.main
  put('pump inlet', 44, supply)
  put('pump outlet', 138, supply)
  line(
    'pickup',
    [
      [44, ROW.sump],
      [44, supply],
    ],
    {
      label: { x: 52, y: ROW.sump - 40, anchor: 'start' },
      name: { x: 52, y: ROW.sump - 56, words: 'pickup', anchor: 'start' },
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
      name: { x: 91, y: supply + 36, words: 'pump', anchor: 'middle' },
    },
  )
  line(
    'relief',
    [
      [138, supply],
      [138, ROW.sump],
    ],
    {
      label: { x: 146, y: ROW.sump - 40, anchor: 'start' },
      name: { x: 146, y: ROW.sump - 56, words: 'relief', anchor: 'start' },
    },
  )
  write('pump outlet', 138, supply - 14)
  let x = 138
  for (const stage of ['cooler', 'filter']) {
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
        name: { x: x + STAGE / 2, y: supply + 36, words: stage, anchor: 'middle' },
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

  const mains = state.nodes.filter(({ id }) => /^gallery \d+$/.test(id)).length
  const crowd = Array.from({ length: mains }, (_, i) => ({
    rods: drillingsOf(state, `main ${i + 1}`, 'crank drilling'),
    cams: drillingsOf(state, `main ${i + 1}`, 'cam drilling'),
  }))
  crowd.forEach(({ rods, cams }, i) => {
    const gallery = `gallery ${i + 1}`
    const jets = of(`piston jets ${i + 1}`)
    const half = (rods.length * ROD) / 2
    const turbo = gallery === state.gauge && of('turbo restrictor')
    x += Math.max(half, 46, jets ? 62 : 0, turbo ? 112 : 0)
    const own = x
    put(gallery, own, ROW.gallery)
    put(`main ${i + 1}`, own, ROW.main)
    write(gallery, own - 9, ROW.gallery - 10, 'end')
    line(`drilling ${i + 1}`, [
      [own, ROW.gallery],
      [own, ROW.main],
    ])
    line(
      `main ${i + 1} film`,
      [
        [own, ROW.main],
        [own - 30, ROW.main],
      ],
      { label: { x: own - 14, y: ROW.main + 24, anchor: 'end' } },
    )
    if (jets)
      line(
        jets.id,
        [
          [own, ROW.gallery],
          [own - 20, ROW.gallery + 22],
        ],
        { label: { x: own - 16, y: ROW.gallery + 38, anchor: 'end' } },
      )
    if (turbo) {
      put('turbo', own - 52, ROW.gallery - 46)
      line('turbo restrictor', [
        [own, ROW.gallery - 2],
        [own - 52, ROW.gallery - 46],
      ])
      line(
        'turbo bearings',
        [
          [own - 52, ROW.gallery - 46],
          [own - 74, ROW.gallery - 46],
        ],
        {
          name: { x: own - 62, y: ROW.gallery - 72, words: 'turbo', anchor: 'middle' },
          label: { x: own - 62, y: ROW.gallery - 56, anchor: 'middle' },
        },
      )
    }
    rods.forEach((drilling, j) => {
      const rod = of(drilling)!.to
      const rodX = own - half + (j + 0.5) * ROD
      put(rod, rodX, ROW.rod)
      line(drilling, [
        [own, ROW.main],
        [rodX, ROW.rod],
      ])
      line(
        `${rod} film`,
        [
          [rodX, ROW.rod],
          [rodX, ROW.rod + 24],
        ],
        { label: { x: rodX, y: ROW.rod + 42, anchor: 'middle' } },
      )
    })
    // Beside the gauge's own feed a little further off.
    const aside = gallery === state.gauge ? 32 : 18
    cams.forEach((drilling, j) => {
      const cam = of(drilling)!.to
      const camX = own + aside + j * CAM
      put(cam, camX, ROW.cam)
      line(drilling, [
        [own, ROW.main],
        [camX, ROW.main - 18],
        [camX, ROW.cam],
      ])
      line(
        `${cam} film`,
        [
          [camX, ROW.cam],
          [camX, ROW.cam - 22],
        ],
        { label: { x: camX, y: ROW.cam - 28, anchor: 'middle' } },
      )
    })
    x += Math.max(half, cams.length > 0 ? aside + (cams.length - 1) * CAM + 18 : 20)
    if (i > 0)
      line(`gallery ${i} to ${i + 1}`, [
        [at(`gallery ${i}`).x, ROW.gallery],
        [own, ROW.gallery],
      ])
  })

  hang(front, frontX - columns(front) * OUTLET, at('gallery 1').x)
  x += 16
  hang(rear, x, at(state.galleryEnd).x)
  x += columns(rear) * OUTLET
  function hang(list: CircuitState['elements'], from: number, node: number) {
    let column = 0
    for (const { id, to, short } of list) {
      const middle = (place: number) => from + (place + 0.5) * OUTLET
      const [name, label] = [ROW.main + 34, ROW.main + 50]
      const written = (own: number, words = 'left out') => ({
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
        name: { x: (source.x + fed.x) / 2, y: ROW.top + 10, words: 'oil line', anchor: 'end' },
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
  put('sump', 20, ROW.sump)
  return { width: Math.max(732, x + 24), height: ROW.sump + 22, nodes, elements, pressures }
}

/** Drillings of a kind that draw on a node. */
function drillingsOf(state: CircuitState, node: string, kind: string): string[] {
  return state.elements.filter(({ from, id }) => from === node && id.startsWith(kind)).map(({ id }) => id)
}
