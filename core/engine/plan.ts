import { ARC_PIECES } from '../bearing/leakage'
import type {
  BearingSpec,
  CheckSpec,
  ElementSpec,
  LinearSpec,
  Network,
  OrificeSpec,
  PipeSpec,
  PumpSpec,
  ReliefSpec,
} from '../circuit/types'
import { passagesOf } from '../parts/passage'
import type { Layout } from '../record/schema'

/** The elements of an engine's circuit by what they are, and the graph that they make. */
export interface CircuitPlan {
  network: Network
  suction: PipeSpec
  pump: PumpSpec
  relief: ReliefSpec
  galleryRelief?: ReliefSpec
  cooler?: { core: LinearSpec; bypass: CheckSpec }
  filter: LinearSpec
  filterBypass?: CheckSpec
  mains: BearingSpec[]
  rods: { drilling: PipeSpec; film: BearingSpec; main: number }[]
  cams: BearingSpec[]
  lifters?: LinearSpec
  rockers?: { restrictor: OrificeSpec; bushes: LinearSpec }
  timingJet?: OrificeSpec
  turbo?: { restrictor: OrificeSpec; bearings: LinearSpec }
  pistonJets: CheckSpec[]
  tensioner?: OrificeSpec
  /** What runs out where something was left out. */
  leaks: OrificeSpec[]
  /** From the filter to the gallery. */
  feed: PipeSpec
  /** Node on which the gauge stands: where filtered oil enters the gallery. */
  gauge: string
  galleryEnd: string
}

/** Loss of a sharp turn, entry or exit in creeping flow, K₁ of the two-K method (Hooper 1981). */
const CREEPING = 300
/** Bores of a bypass valve's seat and of the way from pump to gallery, m. */
export const BYPASS_BORE = 0.01
export const FEED_BORE = 0.012

/**
 * The oil circuit of a layout: sump, pickup and tube, pump with its relief valve, cooler and filter with their bypass valves,
 * gallery, each main by its drilling, each rod from the main that feeds it, cam bearings, lifters, rockers, jets, turbo,
 * tensioner, a second relief valve at the gallery's end. Passage sizes that nobody records are typical ones, written here.
 *
 * @param leftOut passages that were left out, by key: oil runs out of their bores
 */
export function planCircuit(layout: Layout, leftOut: string[] = []): CircuitPlan {
  const nodes: Network['nodes'] = [{ id: 'sump', pressure: 0 }, { id: 'pump inlet' }, { id: 'pump outlet' }]
  const elements: ElementSpec[] = []
  const add = <T extends ElementSpec>(element: T): T => {
    elements.push(element)
    return element
  }
  const node = (id: string) => {
    nodes.push({ id })
    return id
  }
  const pipe = (id: string, from: string, to: string, length: number, diameter: number, k = 0): PipeSpec =>
    add({ id, kind: 'pipe', from, to, length, diameter, roughness: 0, k, k1: CREEPING, head: 0 })
  const film = (id: string, from: string): BearingSpec =>
    add({ id, kind: 'bearing', from, to: 'sump', conductance: 0, carried: 0 })
  const hole = (id: string, from: string, to = 'sump'): OrificeSpec =>
    add({ id, kind: 'orifice', from, to, diameter: 1e-3, dischargeCoefficient: 0.65 })

  const suction = pipe('pickup', 'sump', 'pump inlet', 0.2, 0.014, 1)
  const pump: PumpSpec = add({
    id: 'pump',
    kind: 'pump',
    from: 'pump inlet',
    to: 'pump outlet',
    displacement: 0,
    speed: 0,
    slipConductance: 0,
  })
  const relief: ReliefSpec = add({
    id: 'relief',
    kind: 'relief',
    from: 'pump outlet',
    to: 'sump',
    openingPressure: 4e5,
  })
  let at = 'pump outlet'
  /** Something that holds oil back, with a valve round it. */
  const withBypass = (id: string, toSump = false) => {
    const next = node(`${id} outlet`)
    const core: LinearSpec = add({ id, kind: 'linear', from: at, to: next, conductance: 1e-6 })
    const bypass: CheckSpec = add({
      id: `${id} bypass`,
      kind: 'check',
      from: at,
      to: toSump ? 'sump' : next,
      diameter: BYPASS_BORE,
      openingPressure: 1e5,
    })
    at = next
    return { core, bypass }
  }
  const cooler =
    layout.cooler || layout.coolerPlugged ? withBypass('cooler', layout.coolerBypass === 'sump') : undefined
  const filtered = layout.filter ? withBypass('filter') : undefined
  const filter =
    filtered?.core ??
    add<LinearSpec>({ id: 'filter', kind: 'linear', from: at, to: (at = node('filter outlet')), conductance: 1e-6 })

  const gallery = (i: number) => `gallery ${i}`
  for (let i = 1; i <= layout.mains; i++) {
    node(gallery(i))
    if (i > 1) pipe(`gallery ${i - 1} to ${i}`, gallery(i - 1), gallery(i), 0.1, 0.012)
    pipe(`drilling ${i}`, gallery(i), node(`main ${i}`), 0.05, 0.007, 1.5)
  }
  const gauge = gallery(Math.ceil(layout.mains / 2))
  const feed = pipe('feed', at, gauge, 0.15, FEED_BORE, 1.5)
  const galleryEnd = gallery(layout.mains)

  const mains = Array.from({ length: layout.mains }, (_, i) => {
    const main = film(`main ${i + 1} film`, `main ${i + 1}`)
    main.groove = { fed: new Float64Array(ARC_PIECES), wedge: new Float64Array(ARC_PIECES), carried: 0 }
    return main
  })
  const rods = layout.feed.map((main, i) => {
    const rod = node(`rod ${i + 1}`)
    return {
      drilling: pipe(`crank drilling ${i + 1}`, `main ${main}`, rod, 0.08, 0.005, 1.5),
      film: film(`rod ${i + 1} film`, rod),
      main: main - 1,
    }
  })
  const cams = Array.from({ length: layout.camBearings }, (_, i) => {
    const main = Math.min(layout.mains, 1 + Math.floor((i * layout.mains) / layout.camBearings))
    const cam = node(`cam ${i + 1}`)
    pipe(`cam drilling ${i + 1}`, `main ${main}`, cam, 0.08, 0.005, 1.5)
    return film(`cam ${i + 1} film`, cam)
  })
  const lifters: LinearSpec | undefined =
    layout.lifterCount > 0 && layout.lifters === 'hydraulic'
      ? add({ id: 'lifters', kind: 'linear', from: galleryEnd, to: 'sump', conductance: 0 })
      : undefined
  const rockers = layout.rockerFeed
    ? {
        restrictor: hole('rocker restrictor', galleryEnd, node('rockers')),
        bushes: add<LinearSpec>({ id: 'rocker bushes', kind: 'linear', from: 'rockers', to: 'sump', conductance: 0 }),
      }
    : undefined
  const turbo = layout.turbo
    ? {
        restrictor: hole('turbo restrictor', gauge, node('turbo')),
        bearings: add<LinearSpec>({ id: 'turbo bearings', kind: 'linear', from: 'turbo', to: 'sump', conductance: 0 }),
      }
    : undefined
  const pistonJets =
    layout.pistonJets > 0
      ? spread(layout).map(({ main, count }) =>
          add<CheckSpec>({
            id: `piston jets ${main}`,
            kind: 'check',
            from: gallery(main),
            to: 'sump',
            diameter: 1.5e-3,
            count,
            dischargeCoefficient: 0.65,
            openingPressure: 1.8e5,
          }),
        )
      : []

  const leaks = passagesOf(layout).flatMap(({ key, absent }) =>
    absent.kind === 'leak' && leftOut.includes(key)
      ? [Object.assign(hole(`${key} left out`, absent.node), { diameter: absent.bore })]
      : [],
  )

  return {
    leaks,
    feed,
    network: { nodes, elements },
    suction,
    pump,
    relief,
    cooler,
    filter,
    filterBypass: filtered?.bypass,
    mains,
    rods,
    cams,
    lifters,
    rockers,
    turbo,
    pistonJets,
    gauge,
    galleryEnd,
    timingJet: layout.timingJet ? hole('timing jet', gallery(1)) : undefined,
    tensioner: layout.tensioner ? hole('tensioner', gallery(1)) : undefined,
    galleryRelief: layout.galleryRelief
      ? add<ReliefSpec>({ id: 'gallery relief', kind: 'relief', from: galleryEnd, to: 'sump', openingPressure: 4e5 })
      : undefined,
  }
}

/** Piston jets by the main whose gallery place feeds them: each cylinder's at the main that feeds its rod. */
function spread(layout: Layout): { main: number; count: number }[] {
  const counts = new Map<number, number>()
  for (let i = 0; i < layout.pistonJets; i++) {
    const main = layout.feed[i % layout.feed.length]
    counts.set(main, (counts.get(main) ?? 0) + 1)
  }
  return [...counts].map(([main, count]) => ({ main, count }))
}
