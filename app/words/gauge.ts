import type { GaugeUnseen } from '#core/sight/gauge'
import { said } from './speak'
import { t } from './of/sight'

/** Why a gauge is not read by the camera, and what to do. */
export const GAUGE_UNSEEN = said(t, {
  'no-needle': 'gauge.noNeedle',
  covered: 'gauge.covered',
  ambiguous: 'gauge.ambiguous',
  'not-there': 'gauge.notThere',
  dark: 'gauge.dark',
  'off-scale': 'gauge.offScale',
  'no-picture': 'gauge.noPicture',
}) satisfies Record<GaugeUnseen | 'no-picture', string>
