import type { Layout, Sheet } from './schema'

interface Preset {
  /** Word shown to the builder. */
  title: string
  layout: Omit<Layout, 'preset'>
}

const plain = {
  lifters: 'hydraulic',
  followers: 'sliding',
  pumpKind: 'gear',
  pumpDrive: 'shaft',
  filter: true,
  housing: 'iron',
  mainGroove: 180,
  galleryRelief: false,
  reliefReturn: 'sump',
  rockerFeed: true,
  timingJet: true,
  cooler: false,
  turbo: false,
  pistonJets: 0,
  tensioner: false,
  coolerPlugged: false,
  coolerBypass: 'around',
  drySump: false,
  headCams: 0,
  headCamJournals: 5,
  lashAdjusters: 0,
  oilLine: 'none',
  oilLineFrom: 'gallery',
  crankPlane: 'cross',
  drilledRods: false,
} as const

/** Two cams over each bank's valves, on lash adjusters, driven by a chain: nothing of it in the block. */
const overhead = (cams: number, journals: number, valves: number) =>
  ({
    camBearings: 0,
    lifterCount: 0,
    rockerFeed: false,
    timingJet: false,
    tensioner: true,
    followers: 'roller',
    pumpKind: 'gerotor',
    pumpDrive: 'crank',
    housing: 'aluminium',
    headCams: cams,
    headCamJournals: journals,
    lashAdjusters: valves,
  }) as const

/** Rods of a V share a pin, so two of them draw on one main. */
export const PRESETS: Record<string, Preset> = {
  inline3: {
    title: 'Inline three',
    layout: { ...plain, kind: 'inline', cylinders: 3, mains: 4, feed: [1, 2, 3], camBearings: 4, lifterCount: 6 },
  },
  inline4: {
    title: 'Inline four',
    layout: { ...plain, kind: 'inline', cylinders: 4, mains: 5, feed: [1, 2, 4, 5], camBearings: 3, lifterCount: 8 },
  },
  inline6: {
    title: 'Inline six',
    layout: {
      ...plain,
      kind: 'inline',
      cylinders: 6,
      mains: 7,
      feed: [1, 2, 3, 5, 6, 7],
      camBearings: 4,
      lifterCount: 12,
    },
  },
  v4: {
    title: 'V four',
    layout: { ...plain, kind: 'v', cylinders: 4, mains: 3, feed: [1, 1, 2, 3], camBearings: 3, lifterCount: 8 },
  },
  v6: {
    title: 'V six',
    layout: { ...plain, kind: 'v', cylinders: 6, mains: 4, feed: [1, 1, 2, 3, 4, 4], camBearings: 4, lifterCount: 12 },
  },
  v8: {
    title: 'V eight',
    layout: {
      ...plain,
      kind: 'v',
      cylinders: 8,
      mains: 5,
      feed: [1, 1, 2, 2, 3, 4, 5, 5],
      camBearings: 5,
      lifterCount: 16,
    },
  },
  v12: {
    title: 'V twelve',
    layout: {
      ...plain,
      kind: 'v',
      cylinders: 12,
      mains: 7,
      feed: [1, 1, 2, 2, 3, 3, 5, 5, 6, 6, 7, 7],
      camBearings: 7,
      lifterCount: 24,
    },
  },
  flat4: {
    title: 'Flat four',
    layout: {
      ...plain,
      kind: 'flat',
      cylinders: 4,
      mains: 3,
      feed: [1, 2, 2, 3],
      camBearings: 3,
      lifterCount: 8,
      housing: 'aluminium',
    },
  },
  opposed2: {
    title: 'Opposed twin',
    layout: {
      ...plain,
      kind: 'opposed',
      cylinders: 2,
      mains: 2,
      feed: [1, 2],
      camBearings: 2,
      lifterCount: 4,
      lifters: 'solid',
      housing: 'aluminium',
      timingJet: false,
    },
  },
  vtwin: {
    title: 'V twin',
    layout: {
      ...plain,
      kind: 'v',
      cylinders: 2,
      mains: 2,
      feed: [1, 2],
      camBearings: 2,
      lifterCount: 4,
      housing: 'aluminium',
      timingJet: false,
    },
  },
  inline5: {
    title: 'Inline five',
    layout: {
      ...plain,
      kind: 'inline',
      cylinders: 5,
      mains: 6,
      feed: [1, 2, 3, 4, 5],
      camBearings: 6,
      lifterCount: 10,
    },
  },
  inline4dohc: {
    title: 'Inline four, two overhead cams',
    layout: { ...plain, ...overhead(2, 5, 16), kind: 'inline', cylinders: 4, mains: 5, feed: [1, 2, 4, 5] },
  },
  v6dohc: {
    title: 'V six, two overhead cams a bank',
    layout: { ...plain, ...overhead(4, 4, 24), kind: 'v', cylinders: 6, mains: 4, feed: [1, 1, 2, 3, 4, 4] },
  },
  v8dohc: {
    title: 'V eight, two overhead cams a bank',
    layout: { ...plain, ...overhead(4, 5, 32), kind: 'v', cylinders: 8, mains: 5, feed: [1, 1, 2, 2, 3, 4, 5, 5] },
  },
  rotary2: {
    title: 'Rotary, two rotors',
    layout: {
      ...plain,
      kind: 'rotary',
      cylinders: 2,
      mains: 2,
      feed: [1, 2],
      camBearings: 0,
      lifterCount: 0,
      lifters: 'solid',
      rockerFeed: false,
      timingJet: false,
      galleryRelief: true,
      pistonJets: 2,
      pumpDrive: 'crank',
      pumpKind: 'gerotor',
      cooler: true,
      housing: 'aluminium',
    },
  },
  single: {
    title: 'Single',
    layout: {
      ...plain,
      kind: 'single',
      cylinders: 1,
      mains: 2,
      feed: [1],
      camBearings: 2,
      lifterCount: 2,
      housing: 'aluminium',
      timingJet: false,
    },
  },
}

/** A new sheet with nothing measured. Throws RangeError for a preset that does not exist. */
export function newSheet(preset: string, name: string, engine: string, work = ''): Sheet {
  const found = PRESETS[preset]
  if (!found)
    throw new RangeError(`layout: “${preset}” is not a layout; choose one of ${Object.keys(PRESETS).join(', ')}`)
  return {
    format: 'uldo-build',
    version: 1,
    name,
    engine,
    work,
    layout: { preset, ...structuredClone(found.layout) },
    use: 'road',
    oil: { grade: '10W-40' },
    school: 'auto',
    readings: {},
    checks: {},
    inspections: {},
    choices: {},
    shells: {},
    benches: {},
  }
}
