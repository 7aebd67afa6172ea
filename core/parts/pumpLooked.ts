import type { Verdict } from '../quantity/verdict'
import { check, type Finding, type InspectionItem } from '../record/looked'

/** What is ticked and looked at of a pump. */

export const TURNS = check(
  'pump',
  'pump.turns',
  'Turns by hand with the cover on',
  'Rotors that bind score their pocket at once. Look for too little end clearance, sealer inside, a burr.',
)
export const WASHED = check(
  'pump',
  'pump.washed',
  'Washed out, every chip gone',
  'Chips end in the bearings. Wash it again, brushes through every passage.',
)

const CLEAN: Finding = { value: 'clean', words: 'clean', verdict: 'pass', action: 'Fit as it is.' }
const NOT_FELT: Finding = {
  value: 'seen',
  words: 'not felt',
  verdict: 'pass',
  action: 'Marks that a fingernail does not catch are cosmetic.',
}

/** Surfaces of a pump by the fingernail rule, and what a catching one leads to. */
const surface = (key: string, label: string, verdict: Verdict, action: string): InspectionItem => ({
  key: `pump.${key}`,
  station: 'pump',
  label,
  findings: [CLEAN, NOT_FELT, { value: 'catches', words: 'catches', verdict, action }],
  wanted: true,
})
export const SURFACES = [
  surface(
    'cover',
    'Cover',
    'watch',
    'Resurface it flat across its whole face, never the track alone; then measure end clearance again.',
  ),
  surface(
    'bodyFace',
    'Body face',
    'watch',
    'Cut the face and the pocket together by the same amount; then measure end clearance again.',
  ),
  surface(
    'pocketFloor',
    'Pocket floor',
    'watch',
    'Lap it gently where it is shallow, or machine it with the face by the same amount; then measure end clearance again.',
  ),
  surface('pocket', 'Pocket bore', 'stop', 'The pocket cannot be mended: replace the body.'),
  surface('rotors', 'Rotors', 'stop', 'Rotors are never dressed: replace them as a set.'),
  surface(
    'shaft',
    'Shaft and bush',
    'stop',
    'A scored shaft lets the rotors lean on the pocket: replace it with its bush.',
  ),
]
