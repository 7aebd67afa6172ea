/** The words in which an engine with wrong or missing pressure is described: they stand in its record, in files and headless. */

/** What the engine had behind it when the pressure was wrong. */
export const CONTEXTS = ['fresh', 'stood', 'ran', 'oil-change'] as const
export type Context = (typeof CONTEXTS)[number]

/** When it was wrong: while it was primed, cranked, first fired; idling hot, working hot, or cold. */
export const MOMENTS = ['prime', 'crank', 'first-run', 'idle-hot', 'working-hot', 'cold'] as const
export type Moment = (typeof MOMENTS)[number]

/** Everything that can be seen, tried or looked at, with what it can come to. */
export const OBSERVATIONS = {
  lamp: ['on', 'off', 'flickers'],
  code: ['yes'],
  'gauge-kind': ['mechanical', 'sender'],
  'oil-level': ['full', 'low'],
  attitude: ['level', 'tilted'],
  'oil-at-pad': ['none', 'air', 'oil'],
  'oil-at-gauge-port': ['none', 'some', 'all'],
  'oil-at-turbo': ['none', 'some', 'all'],
  'oil-at-rockers': ['none', 'some', 'all'],
  drill: ['free', 'stiff'],
  drive: ['turns', 'not-engaged', 'wrong-way'],
  'air-at-pump': ['seen', 'not-seen'],
  'oil-at-cover': ['spews', 'dry'],
  fountain: ['seen', 'none'],
  'leak-outside': ['none', 'plug', 'filter'],
  noise: ['none', 'tick', 'knock', 'whine'],
  needle: ['steady', 'swings'],
  foam: ['yes', 'no'],
  'fuel-smell': ['yes', 'no'],
  metal: ['none', 'fine', 'flakes'],
  filter: ['full', 'dry', 'off'],
  pickup: ['sound', 'loose', 'cracked', 'seal-bad', 'blocked'],
  relief: ['free', 'stuck-open', 'stuck-shut', 'dirty', 'wrong-spring'],
  cover: ['sound', 'no-gasket', 'leaks'],
  pump: ['in-limit', 'worn'],
  plugs: ['all', 'one-missing'],
  bypass: ['right', 'wrong', 'stuck'],
  sender: ['reads-right', 'reads-low'],
  shells: ['right', 'hole-off', 'loose'],
  'mechanical-gauge': ['agrees', 'reads-more'],
  'oil-grade': ['right', 'thin', 'thick'],
  'second-attempt': ['same', 'came-up'],
  'pump-bench': ['good', 'bad'],
  'lamp-cycle': ['out-then-on'],
} as const satisfies Record<string, readonly string[]>
export type Observation = keyof typeof OBSERVATIONS
export const OBSERVATION_KEYS = Object.keys(OBSERVATIONS) as Observation[]
export type Observed = { [Key in Observation]?: (typeof OBSERVATIONS)[Key][number] }
