import { t } from '~/words/of/frame'
import { cssText } from '~/words/cssText'
import { useViewWords } from './usePageTitle'
import { fullDateOf } from '~/words/dates'

/** What stands in the margin of each printed page: engine, station, date, who, page of how many. */
export function usePrintHead(place: () => string, of: () => string): void {
  const view = useViewWords()
  const person = usePerson()
  const today = () => fullDateOf(new Date())
  const look = 'font: 9pt "Archivo Variable", sans-serif; color: #55606a'
  useHead({
    style: [
      {
        key: 'print-head',
        innerHTML: () =>
          [
            '@page { margin: 18mm 14mm 16mm;',
            t('usePrintHead.topLeftContent', {
              cssText: cssText([of(), place(), view.value].filter(Boolean).join(' · ')),
              look,
            }),
            t('usePrintHead.topRightContent', { cssText: cssText(today()), look }),
            t('usePrintHead.bottomLeftContent', {
              cssText: cssText(
                person.who ? t('usePrintHead.printedByUldo', { who: person.who }) : t('usePrintHead.uldo'),
              ),
              look,
            }),
            t('usePrintHead.bottomRightContentPageCounter', { look }),
            '}',
          ].join(' '),
      },
    ],
  })
}
