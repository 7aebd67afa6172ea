import type { Part } from '#core/practice/costs'
import type { Hardness } from '#core/practice/task'
import { t } from './of/practice'
import { said } from './speak'

export const HARDNESS_WORDS = said(t, {
  plain: 'practice.plain',
  middle: 'practice.middle',
  hard: 'practice.hard',
}) satisfies Record<Hardness, string>

export const PART_WORDS = said(t, {
  'sump-gasket': 'part.sumpGasket',
  'cover-gasket': 'part.coverGasket',
  'pickup-seal': 'part.pickupSeal',
  filter: 'part.filter',
  oil: 'part.oil',
  sender: 'part.sender',
  spring: 'part.spring',
  valve: 'part.valve',
  plug: 'part.plug',
  restrictor: 'part.restrictor',
  lifter: 'part.lifter',
  pump: 'part.pump',
  shells: 'part.shells',
}) satisfies Record<Part, string>
