import { NO_PLAN, type PlannedEngine, type PlannedWait, type ShopPlan } from '#core/house/plan'
import type { ShopPlanned } from '#core/plan/shop'
import type { Answer } from '~/sync/routes'
import { v4 as uuid } from 'uuid'
import { oneAtATime } from '~/composables/oneAtATime'
import { useSlowWorker } from '~/composables/useEngineModel'
import { askOrSeen } from '~/sync/lastSeen'
import { serverNow } from '~/sync/serverClock'

/** Days that are planned: a fortnight. */
export const DAYS = 14
/** What engines want, and the time that has gone by, are looked at again so often, ms. */
const AGAIN = 20_000

/** The shop's plan: made on this device from what every engine still wants and what the shop keeps of hours, promises and waits. */
export const usePlan = defineStore('plan', () => {
  const shop = useShop()
  const given = shallowRef<Answer<'GET /api/plan'>>()
  /** What stands here is of before: the server does not answer. */
  const old = ref(false)
  const planned = shallowRef<ShopPlanned>()
  const problem = ref('')
  const kept = computed<ShopPlan>(() => shop.house.plan ?? NO_PLAN)
  /** The clock on the shop's wall. */
  const zone = computed(() => kept.value.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone)

  const make = oneAtATime(async () => {
    if (!given.value) return
    try {
      const { engines, pace } = given.value
      planned.value = await useSlowWorker().plan(
        // A plan is plain data; what Vue wraps around it does not go to another thread.
        JSON.parse(
          JSON.stringify({ engines, pace, plan: kept.value, now: serverNow(), zone: zone.value, days: DAYS }),
        ) as Parameters<ReturnType<typeof useSlowWorker>['plan']>[0],
      )
      problem.value = ''
    } catch (error) {
      problem.value = (error as Error).message
    }
  })
  async function load() {
    void shop.load()
    try {
      const { answer, fresh } = await askOrSeen('GET /api/plan')
      given.value = answer
      old.value = !fresh
      problem.value = ''
    } catch (error) {
      old.value = true
      if (!given.value) problem.value = (error as Error).message
    }
    await make()
  }
  watch(kept, make)

  let watching = 0
  let timer: ReturnType<typeof setInterval> | undefined
  /**
   * Keeps it current for as long as a page shows it.
   *
   * @param after ms: a page that has more to show first begins with it later
   */
  function follow(after = 0) {
    let first: ReturnType<typeof setTimeout>
    onMounted(() => {
      first = setTimeout(load, after)
      if (watching++ === 0) timer = setInterval(() => document.hidden || void load(), AGAIN)
    })
    onBeforeUnmount(() => {
      clearTimeout(first)
      if (--watching === 0) clearInterval(timer)
    })
  }

  /** Writes a change of the plan; with it the clock that its times are by, where nobody has said one. */
  const change = (write: (plan: ShopPlan) => void) =>
    shop.save((house) => {
      const plan: ShopPlan = structuredClone(toRaw(house.plan ?? NO_PLAN))
      plan.zone ??= zone.value
      write(plan)
      house.plan = plan
    })
  const changeEngine = (id: string, write: (engine: PlannedEngine) => void) =>
    change((plan) => {
      const engine = (plan.engines[id] ??= { waits: {} })
      write(engine)
      // What says nothing is not kept.
      if (engine.promised === undefined && Object.keys(engine.waits).length === 0)
        Reflect.deleteProperty(plan.engines, id)
    })
  const promise = (id: string, promised: string | undefined) =>
    changeEngine(id, (engine) => {
      if (promised === undefined) delete engine.promised
      else engine.promised = promised
    })
  const wait = (id: string, waited: PlannedWait) => changeEngine(id, ({ waits }) => void (waits[uuid()] = waited))
  /** Another wait in place of one: begun anew, where it runs. */
  const waitInstead = (id: string, wait: string, waited: PlannedWait) =>
    changeEngine(id, ({ waits }) => {
      Reflect.deleteProperty(waits, wait)
      waits[uuid()] = waited
    })
  const endWait = (id: string, wait: string) =>
    changeEngine(id, ({ waits }) => void Reflect.deleteProperty(waits, wait))
  /** Puts the engines into an order by hand; none gives it back to the plan itself. */
  const putInOrder = (order: string[]) => change((plan) => void (plan.order = order))
  return {
    given,
    old,
    planned,
    problem,
    kept,
    zone,
    load,
    follow,
    change,
    promise,
    wait,
    waitInstead,
    endWait,
    putInOrder,
  }
})
