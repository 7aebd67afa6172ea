import type { Method } from '../parts/primingWords'
import { oilFill } from '../parts/pickupRecord'
import type { Sheet } from '../record/schema'
import type { PrimeSetUp } from './setUp'

/** How a method goes at the engine: what is needed, what is done in which order, what can hurt. */
export interface MethodGuide {
  title: string
  /** When it is the one to take. */
  suits: string
  kit: string[]
  steps: string[]
  caution: { name: string; words: string }
}

/** How much oil the pan needs for priming: enough over the pickup, and less than a full fill will do. */
function oilIn(sheet: Sheet): string {
  const fill = oilFill(sheet)
  if (sheet.layout.drySump) return 'Oil in the tank to its mark.'
  return fill
    ? `Oil in: ${(700 * fill.whole).toFixed(1)} L of the ${(1000 * fill.whole).toFixed(1)} are enough to prime with; the rest before it is started.`
    : 'Oil in: two thirds of a full fill are enough to prime with; the rest before it is started.'
}

/** A method's guide for a build, with its own speeds, ports and filter. */
export function guideOf(sheet: Sheet, setUp: PrimeSetUp): MethodGuide {
  const port =
    setUp.port === 'pump'
      ? 'the pump’s own port'
      : sheet.layout.filter
        ? 'the gauge port, behind the filter'
        : 'the gauge port'
  const filter = !sheet.layout.filter
    ? []
    : setUp.filter === 'off'
      ? ['Leave the filter off, a tray under its pad.']
      : setUp.filter === 'filled'
        ? ['Fit the filter, filled.']
        : ['Fit the filter dry, its seal oiled.']
  const padStep =
    sheet.layout.filter && setUp.filter === 'off'
      ? ['When oil runs at the pad, stop and fit the filter with its seal oiled.']
      : []
  const turn = 'Turn the crank a little at a time while the pressure is on.'
  const GUIDES: Record<Method, MethodGuide> = {
    drill: {
      title: 'Drill on the pump',
      suits: 'Where a shaft drives the pump and can be reached: nothing dry moves.',
      kit: [
        'drill with a two-handed grip',
        'priming shaft that fits the pump',
        'mechanical gauge',
        ...(setUp.filter === 'off' ? ['tray'] : []),
      ],
      steps: [
        oilIn(sheet),
        'Lift the drive out; mark how it stood.',
        ...filter,
        'Set the drill to the pump’s direction of turning: the maker’s drawing, or the slant of its drive’s teeth.',
        'Run it up gently until it goes stiff, then hold its speed.',
        ...padStep,
        turn,
        'Hold a minute longer once every outlet runs, then put the drive back as it stood.',
      ],
      caution: {
        name: 'drill',
        words: 'Rotating drill and shaft: no loose gloves or sleeves. Hold against the kick when the pump goes stiff.',
      },
    },
    tank: {
      title: 'Pressure tank',
      suits:
        'Where the pump sits on the crank or cannot be reached. It fills what lies behind its port; the pump itself stays as it was packed.',
      kit: ['priming tank with relief and gauge', 'hose and fitting for the port', 'oil of the grade that goes in'],
      steps: [
        oilIn(sheet),
        `Screw the hose into ${port}.`,
        ...(sheet.layout.filter ? ['Fit the filter: oil must not run back out of its pad.'] : []),
        'Fill the tank, shut it, and bring it to its pressure, never above its plate.',
        'Open the cock slowly.',
        turn,
        'Shut the cock, let the pressure off, then take the hose off with a rag round it.',
      ],
      caution: {
        name: 'tank',
        words:
          'Pressure tank: never above its plate, relief valve in order, face away from the fitting. Compressed air on oil sprays and can ignite: no flame, no sparks.',
      },
    },
    starter: {
      title: 'Starter in bursts',
      suits: 'Where nothing else reaches. Plugs out, so that the bearings carry nothing.',
      kit: ['charged battery', 'plug spanner', 'mechanical gauge'],
      steps: [
        oilIn(sheet),
        'Disable ignition and fuel: pull their fuses, then try that it does not fire.',
        'Take the plugs out; a little oil down each bore.',
        ...filter,
        'Crank in bursts and let the starter rest between them.',
        ...padStep,
        'Go on until the gauge stands, then look at every outlet.',
        'Put plugs, ignition and fuel back.',
      ],
      caution: {
        name: 'cranking',
        words:
          'Ignition and fuel disabled before the first burst. Clear of belts, fan and plug holes: oil comes out of them in jets.',
      },
    },
    hand: {
      title: 'Filled by hand',
      suits: 'Where there is a port and no tool. Oil poured behind the pump does not cure an air gap before it.',
      kit: ['funnel and hose', 'measuring can', 'mechanical gauge'],
      steps: [
        oilIn(sheet),
        ...(setUp.port === 'pad'
          ? ['By a tube into the pump’s side of the filter pad: fill slowly until it drips.']
          : [`Pour through ${port}, turning the crank so that air comes out.`, 'Close the port.']),
        ...filter,
        'Disable ignition and fuel, plugs out, and crank in bursts.',
        ...padStep,
        'Go on until the gauge stands.',
      ],
      caution: {
        name: 'cranking',
        words:
          'Ignition and fuel disabled before the first burst. Clear of belts, fan and plug holes: oil comes out of them in jets.',
      },
    },
  }
  return GUIDES[setUp.method]
}

/** What is looked at before the intake goes on, and at the last prime, with which the clock begins. */
export const STAGES = {
  check: {
    title: 'Check prime',
    words:
      'Before the intake goes on: look at lifters, restrictors and plugs while they can be seen. A fountain is a lifter without its metering.',
  },
  last: {
    title: 'Last prime',
    words:
      'As the last act before it is started: gauge, filter, sender, every outside plug, oil seen at every outlet. From then on the clock runs.',
  },
} as const
export type Stage = keyof typeof STAGES

/** An early word on a prime, in a builder's words. */
export const WORD_TITLES = {
  'going-well': 'Going on',
  primed: 'Primed',
  'late-pad': 'Stop: no oil at the pad',
  'late-gauge': 'Stop: no pressure',
  low: 'Stop: too low',
  flickers: 'Stop: the gauge flickers',
  'gauges-differ': 'Sender and gauge differ',
  'over-band': 'Higher than it should: not primed',
  'over-limit': 'Stop: over the limit',
  'not-watching': 'Not watching',
} as const
