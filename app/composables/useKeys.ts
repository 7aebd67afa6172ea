import { quantityAt } from '#core/engine/values'
import type { Router } from 'vue-router'
import { PAGES, stationPath } from './stations'

/** The keys of a build's pages: find, go, next missing, units, undo, list. Not while something is being typed. */
export function useKeys(open: { find: () => void; list: () => void }) {
  const build = useBuild()
  const units = useUnits()
  const router = useRouter()
  let going = false

  function press(event: KeyboardEvent) {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
      event.preventDefault()
      return open.find()
    }
    const target = event.target as HTMLElement
    if (event.ctrlKey || event.metaKey || event.altKey || target.matches('input, textarea, select')) return
    const page = going ? PAGES[Number(event.key) - 1] : undefined
    going = event.key === 'g'
    if (page && build.id) return void router.push(stationPath(build.id, page.page))
    if (event.key === '/') {
      event.preventDefault()
      open.find()
    } else if (event.key === '?') open.list()
    else if (event.key === 'u') units.nextUnits()
    else if (event.key === 'z') void build.undo()
    else if (event.key === 'Z') void build.redo()
    else if (event.key === 'n') {
      event.preventDefault()
      void nextMissing(router)
    }
  }
  onMounted(() => addEventListener('keydown', press))
  onBeforeUnmount(() => removeEventListener('keydown', press))
}

/**
 * Puts the hand on the missing reading that would narrow the Outlook band most, at whatever station it is; when nothing assumed moves the
 * band, on the first empty reading of this station.
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
  const empty = [...document.querySelectorAll<HTMLInputElement>('main input[data-reading]')].find(
    (input) => input.value === '',
  )
  empty?.focus()
}
