import { GAUGE_ONLY, type Line } from './line'
import type { Observation } from './vocabulary'

/** What is found where one part is looked at, measured or tried by itself. */
export const LOOKED = {
  pickup: [
    { of: ['pickup-air'], chances: [0.06, 0.36, 0.2, 0.36, 0.02], why: 'Loose, cracked, or its seal.' },
    { of: ['screen-blocked'], chances: [0.06, 0.02, 0.01, 0.01, 0.9], why: 'It lies in the screen.' },
    { chances: [0.94, 0.02, 0.01, 0.015, 0.015], why: 'Sound.' },
  ],
  relief: [
    { of: ['relief-open'], chances: [0.06, 0.66, 0.01, 0.22, 0.05], why: 'It hangs open, or dirt holds it.' },
    {
      of: ['relief-sticks'],
      chances: [0.12, 0.26, 0.03, 0.55, 0.04],
      why: 'Dirt or a burr, and now and then it comes free by itself.',
    },
    {
      of: ['relief-weak'],
      chances: [0.12, 0.04, 0.01, 0.03, 0.8],
      why: 'The spring that is measured is not the one that belongs.',
    },
    {
      of: ['relief-shut'],
      chances: [0.06, 0.01, 0.68, 0.12, 0.13],
      why: 'It does not come out by itself, or its spring is the wrong one.',
    },
    { chances: [0.91, 0.01, 0.01, 0.05, 0.02], why: 'It falls by its own weight.' },
  ],
  cover: [
    { of: ['cover-leak'], chances: [0.07, 0.4, 0.53], why: 'The gasket is missing, or it leaks.' },
    { chances: [0.96, 0.02, 0.02], why: 'Sound.' },
  ],
  pump: [
    { of: ['pump-worn'], chances: [0.07, 0.93], why: 'Feelers and straightedge show it.' },
    { of: ['dry-pump'], chances: [0.6, 0.4], why: 'A worn pump draws worst.' },
    { of: ['cover-leak'], chances: [0.75, 0.25], why: 'The end clearance is wrong with its cover.' },
    { chances: [0.92, 0.08], why: 'In its limit.' },
  ],
  plugs: [
    { of: ['plug-out'], chances: [0.04, 0.96], why: 'Whoever looks sees the bore.' },
    { of: ['lifter-open', 'restrictor-out'], chances: [0.9, 0.1], why: 'What else is missing is taken for one.' },
    { chances: [0.985, 0.015], why: 'All of them in.' },
  ],
  bypass: [
    { of: ['bypass-wrong'], chances: [0.06, 0.74, 0.2], why: 'It is not the one that belongs, or it hangs.' },
    { of: ['filter-wrong'], chances: [0.7, 0.22, 0.08], why: 'A wrong filter brings a wrong valve.' },
    { chances: [0.94, 0.03, 0.03], why: 'As it belongs.' },
  ],
  sender: [
    { of: ['sender-low'], chances: [0.06, 0.94], why: 'Held against a good gauge it reads low.' },
    { of: ['lamp-only'], chances: [0.6, 0.4], why: 'A switch that is wrong is found with it.' },
    { chances: [0.96, 0.04], why: 'It reads right.' },
  ],
  shells: [
    { of: ['shell-hole'], chances: [0.05, 0.85, 0.1], why: 'The hole is not over its drilling.' },
    { of: ['clearance'], chances: [0.08, 0.02, 0.9], why: 'They measure loose.' },
    { chances: [0.93, 0.015, 0.055], why: 'As they should be.' },
  ],
  'mechanical-gauge': [
    { of: ['sender-low'], chances: [0.04, 0.96], why: 'It has no sender in it.' },
    { of: ['lamp-only'], chances: [0.25, 0.75], why: 'It shows the pressure that the lamp denies.' },
    { chances: [0.95, 0.05], why: 'It shows what the engine’s own gauge shows.' },
  ],
  'oil-grade': [
    { of: ['oil-thin'], chances: [0.35, 0.63, 0.02], why: 'The can tells, unless fuel or heat thinned it.' },
    { of: ['oil-thick'], chances: [0.25, 0.01, 0.74], why: 'The can tells, unless it is only cold.' },
    { chances: [0.93, 0.04, 0.03], why: 'As the brief says.' },
  ],
  'second-attempt': [
    { of: ['dry-pump', 'air-lock'], brings: false, chances: [0.7, 0.3], why: 'What is a little wetter now may draw.' },
    { of: ['relief-sticks', 'relief-open'], chances: [0.75, 0.25], why: 'Dirt is washed off its seat now and then.' },
    { of: GAUGE_ONLY, chances: [0.93, 0.07], why: 'A wire makes contact now and then.' },
    { brings: false, chances: [0.92, 0.08], why: 'What is missing stays missing.' },
    { chances: [0.95, 0.05], why: 'As before.' },
  ],
  'pump-bench': [
    { of: ['pump-worn', 'cover-leak'], chances: [0.12, 0.88], why: 'The fixture shows what the pump can.' },
    {
      of: ['relief-open', 'relief-weak', 'relief-sticks'],
      chances: [0.35, 0.65],
      why: 'Its valve is tried with it, where it sits in the pump.',
    },
    { of: ['dry-pump', 'wrong-way'], chances: [0.8, 0.2], why: 'Wetted and turned right it pumps.' },
    { chances: [0.96, 0.04], why: 'The fault is not in the pump.' },
  ],
  'lamp-cycle': [
    { of: ['lamp-only'], chances: [0.05], why: 'A switch that works is not at fault.' },
    { brings: false, chances: [0.03], why: 'No pressure came that could have put it out.' },
    { chances: [0.5], why: 'Pressure came and went: the switch is proved.' },
  ],
} as const satisfies Partial<Record<Observation, readonly Line[]>>
