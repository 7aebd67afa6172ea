import type { OldShell } from '#core/bearing/shell'
import { SHELL_ZONES, type ShellLook, type ShellPicture, type ShellZone } from '#core/record/schema'
import type { Point } from '#core/sight/types'

/** Where the zones' marks lie until a hand has put them where they are. */
const AT_FIRST: Record<ShellZone, [number, number]> = {
  crown: [0.5, 0.5],
  front: [0.18, 0.5],
  rear: [0.82, 0.5],
  left: [0.5, 0.14],
  right: [0.5, 0.86],
}
/** What is moved is written once the finger has rested so long, ms. */
const RESTS = 600

/** What is seen and marked of an old shell: as the record has it, with what the hand moves now. Written when the hand rests, or when this is left. */
export function useShellLook(key: () => string, label: () => string) {
  const build = useBuild()
  const kept = computed<ShellLook>(() => build.sheet?.inspections[key()]?.shell ?? { zones: {}, pictures: {} })
  const draft = shallowRef<ShellLook>()
  const look = computed(() => draft.value ?? kept.value)
  let timer: ReturnType<typeof setTimeout> | undefined
  let of = ''

  function change(next: ShellLook, rests = 0) {
    if (draft.value && of !== key()) write()
    of = key()
    draft.value = next
    clearTimeout(timer)
    timer = setTimeout(write, rests)
  }
  function write() {
    clearTimeout(timer)
    const next = draft.value
    draft.value = undefined
    if (!next || !(of in (build.sheet?.inspections ?? {}))) return
    const value = JSON.parse(JSON.stringify(next)) as ShellLook
    void build.change([{ op: 'add', path: `/inspections/${of}/shell`, value }], label())
  }
  onBeforeUnmount(write)

  function see(zone: ShellZone, seen: OldShell | '', felt?: 'catches' | 'smooth' | '') {
    const zones = { ...look.value.zones }
    if (seen === '') delete zones[zone]
    else zones[zone] = { seen, ...(felt ? { felt } : {}) }
    change({ ...look.value, zones })
  }
  const pictureOf = (photo: string, size: [number, number]): ShellPicture =>
    look.value.pictures[photo] ?? { size, zones: {}, scores: [] }
  const mark = (photo: string, picture: ShellPicture, rests = 0) =>
    change({ ...look.value, pictures: { ...look.value.pictures, [photo]: picture } }, rests)

  /** Moves a mark, which is a zone, or an end of the ruler or of a score: `score 2 to`. */
  function move(photo: string, size: [number, number], name: string, { x, y }: Point) {
    const bounded = (part: number) => Math.min(1, Math.max(0, part))
    const to: [number, number] = [bounded(x / size[0]), bounded(y / size[1])]
    const picture = pictureOf(photo, size)
    const [what, number, end] = name.split(' ') as [string, string, 'from' | 'to']
    if (what === 'ruler') mark(photo, { ...picture, ruler: { ...picture.ruler!, [end]: to } }, RESTS)
    else if (what === 'score') {
      const scores = picture.scores.map((each, i) => (i === Number(number) ? { ...each, [end]: to } : each))
      mark(photo, { ...picture, scores }, RESTS)
    } else mark(photo, { ...picture, zones: { ...picture.zones, [what]: to } }, RESTS)
  }
  const zonesAt = (picture: ShellPicture) =>
    SHELL_ZONES.map((zone) => ({ zone, at: picture.zones[zone] ?? AT_FIRST[zone] }))
  return { look, see, pictureOf, mark, move, zonesAt }
}
