import { DRAWS_AIR, GAUGE_ONLY, type Line, LOSES_OIL, NOT_TURNED, TOO_HIGH } from './line'
import type { Observation } from './vocabulary'

/** What is seen, heard, smelt or felt of an engine as it stands. */
export const SEEN = {
  code: [
    { of: ['lamp-only'], chances: [0.6], why: 'A switch or wire at fault sets the code by itself.' },
    { of: ['sender-low'], chances: [0.5], why: 'The code is set by the sender’s signal.' },
    { brings: false, chances: [0.5], why: 'No pressure sets the code where there is one.' },
    { chances: [0.3], why: 'Low pressure sets it now and then.' },
  ],
  'gauge-kind': [
    { of: GAUGE_ONLY, chances: [0.1, 0.9], why: 'A mechanical gauge has neither switch nor wire.' },
    { chances: [0.5, 0.5], why: 'Which gauge is fitted says nothing of the engine.' },
  ],
  'oil-level': [
    { of: ['no-oil'], chances: [0.06, 0.94], why: 'The dipstick shows it, unless it is the wrong one.' },
    {
      of: ['uncovered'],
      chances: [0.45, 0.55],
      why: 'Oil that is low uncovers the pickup; a full sump does too, on a slope.',
    },
    { of: ['oil-thin'], chances: [0.9, 0.1], why: 'Fuel in the oil raises its level if anything.' },
    { chances: [0.93, 0.07], why: 'Levels are low now and then by themselves.' },
  ],
  attitude: [
    {
      of: ['uncovered'],
      chances: [0.45, 0.55],
      why: 'With its tail up, or on a stand that leans, the oil runs away from the pickup.',
    },
    { of: ['no-oil'], chances: [0.85, 0.15], why: 'An engine that leans shows more on its dipstick than it holds.' },
    { chances: [0.92, 0.08], why: 'Engines on a stand lean a little now and then, and are fed all the same.' },
  ],
  'oil-at-pad': [
    {
      of: NOT_TURNED,
      chances: [0.95, 0.03, 0.02],
      why: 'A pump that does not turn, or turns backwards, brings nothing.',
    },
    { of: DRAWS_AIR, brings: false, chances: [0.45, 0.5, 0.05], why: 'Air that is drawn in comes out at the pad.' },
    {
      of: ['air-lock'],
      brings: false,
      chances: [0.72, 0.25, 0.03],
      why: 'The full filter holds the air in front of it.',
    },
    { brings: false, chances: [0.72, 0.2, 0.08], why: 'A pump that does not draw brings nothing, or air.' },
    { of: DRAWS_AIR, chances: [0.05, 0.5, 0.45], why: 'Oil comes with air in it.' },
    { of: ['screen-blocked'], chances: [0.15, 0.25, 0.6], why: 'Little oil comes, and slowly.' },
    { chances: [0.03, 0.04, 0.93], why: 'A pump that draws brings oil to the pad.' },
  ],
  'oil-at-gauge-port': [
    { brings: false, chances: [0.93, 0.06, 0.01], why: 'Nothing comes to the pad, so nothing to the port.' },
    {
      of: ['gallery-blocked', 'filter-wrong'],
      chances: [0.4, 0.45, 0.15],
      why: 'What stands before the port holds the oil up.',
    },
    {
      of: ['plug-out', 'relief-open', 'bypass-wrong'],
      chances: [0.08, 0.5, 0.42],
      why: 'Much of the oil goes another way.',
    },
    { of: DRAWS_AIR, chances: [0.05, 0.5, 0.45], why: 'It spits.' },
    { chances: [0.02, 0.1, 0.88], why: 'With pressure there is oil.' },
  ],
  'oil-at-turbo': [
    { brings: false, chances: [0.95, 0.04, 0.01], why: 'No oil anywhere.' },
    { of: ['gallery-blocked'], chances: [0.5, 0.3, 0.2], why: 'A feed behind what is blocked stays dry.' },
    { of: LOSES_OIL, chances: [0.1, 0.5, 0.4], why: 'Low pressure feeds it poorly.' },
    { chances: [0.04, 0.12, 0.84], why: 'With pressure it is fed.' },
  ],
  'oil-at-rockers': [
    { brings: false, chances: [0.95, 0.04, 0.01], why: 'No oil anywhere.' },
    { of: ['gallery-blocked'], chances: [0.45, 0.4, 0.15], why: 'What lies behind the blocked place stays dry.' },
    {
      of: ['shell-hole'],
      chances: [0.1, 0.35, 0.55],
      why: 'Where a head is fed through a main, its shell can shut it off.',
    },
    {
      of: ['plug-out', 'relief-open', 'lifter-open', 'clearance'],
      chances: [0.3, 0.45, 0.25],
      why: 'They stand highest and last, and want pressure.',
    },
    { chances: [0.05, 0.2, 0.75], why: 'They are fed, one after the other.' },
  ],
  drill: [
    { brings: false, chances: [0.94, 0.06], why: 'A pump without oil turns freely.' },
    {
      of: ['plug-out', 'relief-open', 'lifter-open'],
      chances: [0.55, 0.45],
      why: 'What runs off without resistance loads the drill little.',
    },
    { of: DRAWS_AIR, chances: [0.6, 0.4], why: 'Air in the oil loads it little.' },
    {
      of: ['clearance', 'pump-worn', 'relief-weak', 'relief-sticks', 'bypass-wrong'],
      chances: [0.3, 0.7],
      why: 'It goes stiff, but less.',
    },
    { chances: [0.08, 0.92], why: 'It goes stiff when pressure stands.' },
  ],
  drive: [
    { of: ['undriven'], chances: [0.05, 0.93, 0.02], why: 'Whoever looks sees that it does not turn.' },
    { of: ['wrong-way'], chances: [0.06, 0.02, 0.92], why: 'Whoever looks sees which way it turns.' },
    { chances: [0.96, 0.025, 0.015], why: 'The drive turns as it should.' },
  ],
  'air-at-pump': [
    { of: ['pickup-air', 'cover-leak'], chances: [0.85, 0.15], why: 'The camera sees where air goes in.' },
    { of: ['no-oil', 'uncovered'], chances: [0.6, 0.4], why: 'A pickup out of the oil draws air.' },
    { of: ['dry-pump', 'air-lock'], chances: [0.3, 0.7], why: 'Air stands in a pump that has not drawn.' },
    { chances: [0.05, 0.95], why: 'Oil without air.' },
  ],
  'oil-at-cover': [
    { of: ['cover-leak'], chances: [0.85, 0.15], why: 'Pressure drives it out where the gasket is missing.' },
    { of: ['relief-open'], chances: [0.25, 0.75], why: 'What the valve lets go runs down there too.' },
    { chances: [0.06, 0.94], why: 'A sound cover is dry.' },
  ],
  fountain: [
    { of: ['lifter-open'], chances: [0.85, 0.15], why: 'Oil stands up out of a lifter that does not meter.' },
    {
      of: ['plug-out', 'restrictor-out'],
      chances: [0.2, 0.8],
      why: 'An open bore can be seen from above on some engines.',
    },
    { chances: [0.03, 0.97], why: 'Nothing else throws it up.' },
  ],
  'leak-outside': [
    { of: ['filter-wrong'], chances: [0.75, 0.05, 0.2], why: 'A wrong filter’s seal weeps.' },
    { of: TOO_HIGH, chances: [0.75, 0.07, 0.18], why: 'Pressure that is too high finds the seals.' },
    { of: ['plug-out'], chances: [0.88, 0.1, 0.02], why: 'The plug that is missing is inside; nothing shows.' },
    { chances: [0.93, 0.04, 0.03], why: 'Dry outside.' },
  ],
  noise: [
    {
      of: ['shell-hole', 'clearance'],
      chances: [0.5, 0.13, 0.34, 0.03],
      why: 'A bearing that is loose or dry knocks.',
    },
    {
      of: [...DRAWS_AIR, 'screen-blocked'],
      chances: [0.42, 0.28, 0.03, 0.27],
      why: 'A pump with air or vacuum in it whines, lifters tick.',
    },
    {
      of: ['lifter-open', 'restrictor-out', 'gallery-blocked'],
      chances: [0.5, 0.42, 0.05, 0.03],
      why: 'Lifters without pressure tick.',
    },
    { brings: false, chances: [0.6, 0.28, 0.08, 0.04], why: 'Without oil lifters tick, where it ran long enough.' },
    { of: GAUGE_ONLY, chances: [0.94, 0.04, 0.01, 0.01], why: 'An engine with oil is quiet.' },
    { chances: [0.8, 0.13, 0.04, 0.03], why: 'Low pressure is heard late.' },
  ],
  needle: [
    { of: DRAWS_AIR, chances: [0.3, 0.7], why: 'Air makes it swing.' },
    {
      of: ['relief-sticks', 'screen-blocked'],
      chances: [0.5, 0.5],
      why: 'A plunger that hangs and lets go, a pump that starves and fills.',
    },
    { of: ['lamp-only', 'sender-low'], chances: [0.85, 0.15], why: 'A loose wire can make it swing.' },
    { chances: [0.93, 0.07], why: 'Without air it stands still.' },
  ],
  foam: [
    { of: DRAWS_AIR, chances: [0.55, 0.45], why: 'Air drawn in is beaten to foam.' },
    { chances: [0.06, 0.94], why: 'Oil without air.' },
  ],
  'fuel-smell': [
    { of: ['oil-thin'], chances: [0.5, 0.5], why: 'Half of thin oil is fuel.' },
    { chances: [0.06, 0.94], why: 'A little fuel is in any oil that ran cold.' },
  ],
  metal: [
    { of: ['clearance'], chances: [0.45, 0.3, 0.25], why: 'What makes bearings loose leaves its metal.' },
    { of: ['shell-hole'], chances: [0.4, 0.25, 0.35], why: 'A dry shell wipes.' },
    { of: ['pump-worn'], chances: [0.6, 0.33, 0.07], why: 'A pump wears by what goes through it.' },
    { of: ['relief-sticks', 'relief-open'], chances: [0.68, 0.24, 0.08], why: 'Grit holds the plunger.' },
    { chances: [0.83, 0.13, 0.04], why: 'A new engine sheds a little.' },
  ],
  filter: [
    { of: ['air-lock'], chances: [0.85, 0.1, 0.05], why: 'It stands full, and holds the air.' },
    {
      of: ['dry-pump'],
      chances: [0.35, 0.5, 0.15],
      why: 'A pump that has not drawn leaves it dry, unless it was filled by hand.',
    },
    { brings: false, chances: [0.25, 0.6, 0.15], why: 'Nothing has come to it.' },
    { chances: [0.8, 0.08, 0.12], why: 'Oil came to it.' },
  ],
} as const satisfies Partial<Record<Observation, readonly Line[]>>
