import { t } from '~/words/of/frame'
import { said } from '~/words/speak'
import { askOrSeen, keepSeen, SEEN_AGAIN } from '~/sync/lastSeen'
import { v4 as uuid } from 'uuid'
import { FIRST_HOUSE } from '#core/house/first'
import type { House } from '#core/house/schema'
import { patchOf, type Kept, type ShopChange } from '~/sync/kept'
import { appliedOver, housePatch } from '~/sync/patches'
import { IDENTITY, useSync } from '~/sync/useSync'
import { useNews } from './news'

/** What the shop keeps for all builds: instruments, strips, layouts, its own units, limits, people, cautions. */
export const useShop = defineStore('shop', () => {
  const sync = useSync()
  const revision = ref(0)
  const confirmed = shallowRef<House>(FIRST_HOUSE)
  const waiting = computed(() => sync.of('shop').filter(({ state }) => state === 'waiting'))
  /** As the server has it, with what is still on its way on top. */
  const house = computed(() => appliedOver(confirmed.value, waiting.value.map(patchOf)))
  const problem = computed(() => sync.of('shop').find(({ state }) => state === 'refused')?.refusal?.message)
  let loading: Promise<void> | undefined

  /** Fetches it once; again when asked to. */
  function load(again = false): Promise<void> {
    if (again) loading = undefined
    loading ??= askOrSeen('GET /api/house')
      .then(({ answer, fresh }) => {
        take(answer)
        if (!fresh) setTimeout(() => void load(true), SEEN_AGAIN)
      })
      .catch(() => {
        loading = undefined
      })
    return loading
  }
  function take(found: { revision: number; house: House }) {
    if (found.revision < revision.value) return
    revision.value = found.revision
    confirmed.value = found.house
    void keepSeen('GET /api/house', undefined, found)
  }
  sync.onAnswer((item, answer) => item.kind === 'shop' && take(answer as { revision: number; house: House }))
  useNews().onNews((news) => news.kind === 'house' && news.revision > revision.value && void load(true))

  /** Shows what somebody outside the shop was told of it, in place of what the shop itself is asked for. */
  function stand(told: Pick<House, 'units' | 'rules' | 'school' | 'instruments'>) {
    loading = Promise.resolve()
    confirmed.value = { ...FIRST_HOUSE, ...told }
  }

  /** Writes a change: shown at once, kept, sent in order. True unless it changes nothing. */
  async function save(change: (house: House) => void): Promise<boolean> {
    const next = structuredClone(toRaw(house.value))
    change(next)
    const patch = housePatch(house.value, next)
    if (patch.length === 0) return true
    const key = uuid()
    const knows = waiting.value
      .filter(({ identity }) => identity !== IDENTITY)
      .map((item) => item.key)
      .slice(0, 200)
    const body: ShopChange = {
      clientKey: key,
      device: IDENTITY,
      base: revision.value,
      who: usePerson().who || 'Someone',
      patch: JSON.parse(JSON.stringify(patch)) as ShopChange['patch'],
      reason: '',
      ...(knows.length > 0 ? { knows } : {}),
    }
    await sync.enter({
      key,
      kind: 'shop',
      document: 'shop',
      label: labelOf(patch[0].path),
      url: '/api/house/changes',
      body,
    })
    return true
  }
  /** Settles a conflict: keep what is there, or put ours over it. */
  async function settle(conflict: Kept, ours: boolean) {
    if (ours) {
      await load(true)
      const key = uuid()
      await sync.enter({
        ...conflict,
        key,
        body: { ...(conflict.body as ShopChange), clientKey: key, device: IDENTITY, base: revision.value },
      })
    }
    await sync.forget(conflict.key)
    void load(true)
  }
  return { revision, house, problem, load, stand, save, settle }
})

const LABELS: Record<string, string> = said(t, {
  units: 'shop.unitsOfTheShop',
  instruments: 'shop.instruments',
  strips: 'shop.stripScales',
  layouts: 'shop.layoutsOfTheShop',
  school: 'shop.targetRule',
  rules: 'shop.houseRules',
  signOff: 'shop.signOff',
  cautions: 'shop.cautionsOfTheHouse',
  plan: 'shop.plan',
})
const labelOf = (path: string) => LABELS[path.split('/')[1]] ?? t('shop.house')
