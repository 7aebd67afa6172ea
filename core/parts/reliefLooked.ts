import { check, type CheckItem, type Finding, type InspectionItem } from '../record/looked'
import type { ValveName } from './reliefReadings'

/** What is looked at of a valve's plug and of how it is held. */
export function reliefInspections(name: ValveName): InspectionItem[] {
  const of = (key: string, label: string, findings: Finding[]): InspectionItem => ({
    key: `${name}.${key}`,
    station: 'relief',
    label: name === 'relief' ? label : `Gallery valve: ${label.charAt(0).toLowerCase()}${label.slice(1)}`,
    findings,
    wanted: false,
  })
  return [
    of('bleed', 'Bleed hole in the plug', [
      { value: 'none', words: 'none', verdict: 'pass', action: '' },
      { value: 'belongs', words: 'where it belongs', verdict: 'pass', action: '' },
      {
        value: 'astray',
        words: 'where none belongs',
        verdict: 'stop',
        action: 'It lets the spring’s side drain where it must not, and oil with it. Fit a plug without one.',
      },
    ]),
    of('held', 'Valve held by', [
      { value: 'plug', words: 'a plug', verdict: 'pass', action: '' },
      {
        value: 'clip',
        words: 'a clip',
        verdict: 'watch',
        action: 'A valve behind a clip gums up: take it out, clean it, and try that it moves freely.',
      },
    ]),
  ]
}

/** What is ticked of it. */
export function reliefChecks(name: ValveName): CheckItem[] {
  const at = (key: string, label: string, fault: string, wanted = true) =>
    check('relief', `${name}.${key}`, label, fault, { wanted })
  if (name === 'relief2')
    return [
      at(
        'falls',
        'Gallery valve: plunger falls by its own weight',
        'A plunger that hangs can stay open: no pressure, or shut.',
      ),
      at('seals', 'Gallery valve: seals new', 'An old seal weeps, or lets the valve stand off its seat.'),
    ]
  return [
    at(
      'falls',
      'Plunger falls through an oiled bore by its own weight',
      'A plunger that hangs can stay open: no pressure, or shut: a burst filter.',
    ),
    at(
      'seals',
      'Seals and washers new',
      'Seals are renewed each time: an old one weeps, or lets the valve stand off its seat.',
    ),
    at(
      'byHand',
      'Turns all the way in by hand',
      'What binds by hand is cross-threaded, or its housing stands askew: align it by the maker’s tool.',
    ),
    at(
      'torque',
      'Plug at the maker’s torque',
      'A loose plug weeps and backs out; an overtightened one strips its housing.',
      false,
    ),
    at('marked', 'Plug marked with what is behind it', 'The next person cannot know what is behind it.', false),
  ]
}
