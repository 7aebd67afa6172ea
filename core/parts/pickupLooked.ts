import { check, type InspectionItem } from '../record/looked'

/** What is ticked and tried of a pickup. */

export const CHECKS = [
  check(
    'pickup',
    'pickup.seal',
    'Seal new, in place, not pinched',
    'The pump draws air before oil. Fit a new seal before anything else.',
  ),
  check(
    'pickup',
    'pickup.tight',
    'Tube tight in the pump, bracket fitted',
    'A tube that moves draws air. Refit it and stake or tack it as the maker says.',
  ),
  check(
    'pickup',
    'pickup.screen',
    'Screen clean, tube free of cracks',
    'A crack draws air, a dirty screen starves the pump.',
  ),
]

export const AIR_TEST: InspectionItem = {
  key: 'pickup.airTest',
  station: 'pickup',
  label: 'Air test of the pickup',
  wanted: true,
  findings: [
    { value: 'holds', words: 'holds', verdict: 'pass', action: 'No air gets in between mouth and pump.' },
    {
      value: 'joint',
      words: 'leaks at the joint',
      verdict: 'stop',
      action: 'Seal pinched, torn or missing, or the tube loose: fit a new seal and try again.',
    },
    {
      value: 'tube',
      words: 'leaks along the tube',
      verdict: 'stop',
      action: 'A crack or a bad weld: replace the pickup.',
    },
  ],
}
