import { type PlugLabel, plugLabel } from '#core/outlook/plugLabel'
import { halfBand } from '#core/quantity/uncertain'
import type { Sheet } from '#core/record/schema'
import { choiceTitle, chosenWords } from '~/words/logbook'
import { t } from '~/words/of/papers'
import type { Block } from './paper'
import { each, handAndDay, type Units } from './saying'

/** What is fitted and how it was decided: what stands behind each relief plug, and every choice. */
export function fittedParts(sheet: Sheet, units: Units): Block[] {
  const plugs = (sheet.layout.galleryRelief ? (['relief', 'relief2'] as const) : (['relief'] as const)).map(
    (name): [string, string] => plugWords(plugLabel(sheet, name), units),
  )
  const choices = Object.entries(sheet.choices).flatMap(([key, value]): [string, string][] => {
    const title = choiceTitle(key, sheet.layout)
    return title === undefined ? [] : [[title, chosenWords(key, value)]]
  })
  return [
    { kind: 'heading', words: t('sheet.parts') },
    { kind: 'facts', facts: [...plugs, ...choices] },
  ]
}

function plugWords(label: PlugLabel, units: Units): [string, string] {
  const SOURCES: Record<PlugLabel['source'], string> = {
    'bench-air': t('sheet.benchAir'),
    'bench-dead-head': t('sheet.benchDeadHead'),
    'measured-parts': t('sheet.measuredParts'),
    assumed: t('sheet.opensAssumed'),
  }
  const height = units.say(label.shims, 'length')
  return [
    t(label.place === undefined ? 'sheet.plug' : label.place === 'pump' ? 'sheet.plugPump' : 'sheet.plugGallery'),
    each(
      t('sheet.opens', {
        opens: units.say(label.opening.value, 'pressure', units.fine),
        give: units.say(halfBand(label.opening), 'pressure', units.fine),
        source: SOURCES[label.source],
        spring: units.say(label.springRate, 'springRate'),
        free: units.say(label.freeLength, 'length'),
        shims:
          label.shims === 0
            ? t('sheet.noShims')
            : label.stack
              ? t('sheet.shimsOf', { height, stack: label.stack })
              : t('sheet.shims', { height }),
      }),
      handAndDay(label),
    ),
  ]
}
