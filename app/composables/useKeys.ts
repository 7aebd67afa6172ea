import { t } from '~/words/of/frame'
import { catalogueOf } from '#core/engine/catalogue'
import { quantityAt } from '#core/engine/values'
import type { Router } from 'vue-router'
import { PAGES, stationPath } from './stations'
import { firstOpen } from './useArrival'

const UNTOUCHED = 'input[data-reading]:not([data-typing])'

/** The keys of a build's pages: find, go, next missing, units, undo, list. Not while something is being typed. */
export function useKeys(open: { find: () => void; list: () => void; words: () => void }) {
  const build = useBuild()
  const units = useUnits()
  const router = useRouter()
  let going = false
  const KEYS: Record<string, (() => unknown) | undefined> = {
    '/': open.find,
    '?': open.list,
    w: open.words,
    u: units.nextUnits,
    z: () => build.undo(),
    Z: () => build.redo(),
    n: () => nextMissing(router),
  }

  function press(event: KeyboardEvent) {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
      event.preventDefault()
      return open.find()
    }
    const target = event.target as HTMLElement
    if (event.ctrlKey || event.metaKey || event.altKey) return
    // No reading begins with a letter: in a field in which nothing is typed yet the keys are the page's.
    if (target.matches('input, textarea, select, [role=combobox], [role=listbox]') && !target.matches(UNTOUCHED)) return
    // The tenth is the nought, and the eleventh its letter.
    const page = !going
      ? undefined
      : event.key === 'l'
        ? PAGES.find((each) => each.page === 'logbook')
        : /^\d$/.test(event.key)
          ? PAGES[(Number(event.key) + 9) % 10]
          : undefined
    going = event.key === 'g'
    const does = page && build.id ? () => router.push(stationPath(build.id!, page.page)) : KEYS[event.key]
    if (!does && !going) return
    event.preventDefault()
    void does?.()
  }
  onMounted(() => addEventListener('keydown', press))
  onBeforeUnmount(() => removeEventListener('keydown', press))
}

/**
 * Puts the hand on the missing reading that would narrow the Outlook band most, at whatever station it is; when nothing assumed moves the
 * band, on the first empty reading of this station, else of any; it never lands on nothing without a word.
 */
export async function nextMissing(router: Router) {
  const build = useBuild()
  const sheet = build.sheet
  const best =
    sheet &&
    useOutlook()
      .now?.assumed.map(({ key }) => quantityAt(sheet, key))
      .find((quantity) => quantity && !(quantity.key in sheet.readings))
  if (best && build.id) return goToReading(router, build.id, best)
  const here = firstOpen(document.querySelector('main') ?? document)
  if (here) return here.focus()
  // The next one in the order of the stations; where all is taken, that is said.
  const next =
    sheet &&
    [...catalogueOf(sheet.layout).quantities.values()].find(
      ({ key, bearing }) => !bearing?.place && !(key in sheet.readings),
    )
  if (next && build.id) return goToReading(router, build.id, next)
  build.stepNews = { words: t('useKeys.everyReadingOfThisEngineIs'), page: '' }
}
