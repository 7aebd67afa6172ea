<script setup lang="ts">
import { proxy } from 'comlink'
import { explain } from '#core/finder/explain'
import { combinationsOf } from '#core/finder/combinations'
import { offerOf, type Open, type ShelfOffer, takenBy } from '#core/finder/offer'
import type { FinderProgress, Setup } from '#core/finder/types'
import { STATE_LABELS } from '#core/outlook/states'
import { STATE_NAMES } from '#core/targets/targets'
import { setupPatch } from '~/composables/setupPatch'

/** The best set-ups of what lies on the shelf: the chance of meeting all targets against the power that it costs; one is adopted, its parts set aside. */
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const open = reactive<Open>({ springs: true, stacks: true, oils: true, pumps: true, shells: true })
const SWITCHES: [keyof Open, string][] = [
  ['springs', 'relief spring'],
  ['stacks', 'shims'],
  ['oils', 'oil'],
  ['pumps', 'pump'],
  ['shells', 'shells'],
]
const wanted = ref(90)
const progress = shallowRef<FinderProgress>()
const running = ref(false)
const failed = ref<string>()
const made = shallowRef<ShelfOffer>()
const offered = computed(() => combinationsOf(offerOf(build.sheet!, shelf.items, open).offer))

async function find() {
  made.value = offerOf(build.sheet!, shelf.items, { ...open })
  progress.value = undefined
  running.value = true
  failed.value = undefined
  const of = build.sheet
  // What is found of a record that has changed meanwhile is none of this one's.
  const take = (now?: FinderProgress) => now && of === build.sheet && (progress.value = now)
  try {
    take(
      await useSlowWorker().find(
        JSON.parse(JSON.stringify(of)),
        made.value.offer,
        proxy((now: FinderProgress) => void take(now)),
      ),
    )
  } catch (error) {
    failed.value = (error as Error).message
  } finally {
    running.value = false
  }
}
function stop() {
  void useSlowWorker().stopFinding()
}
onBeforeUnmount(stop)
/** Looked for again when what was found is of another sheet. */
watch(
  () => build.sheet,
  () => {
    if (adopted.value) return
    progress.value = undefined
    stop()
  },
)

const setups = computed(() => progress.value?.frontier ?? [])
/** Of those that reach the wanted chance the one that drives lightest; else the likeliest. */
const best = computed(
  () =>
    [...setups.value]
      .filter(({ probability }) => probability >= wanted.value / 100)
      .sort((a, b) => a.power - b.power || a.changes - b.changes)[0] ?? setups.value[0],
)
const shown = computed(
  () => [best.value, ...setups.value.filter((setup) => setup !== best.value)].filter(Boolean).slice(0, 8) as Setup[],
)
const price = (setup: Setup) => {
  const parts = made.value ? takenBy(setup, made.value) : []
  return parts.every(({ item }) => item.price !== undefined)
    ? parts.reduce((sum, { item, count }) => sum + count * item.price!, 0)
    : undefined
}
const adopted = ref<Setup>()
async function adopt(setup: Setup) {
  const shelfOffer = made.value!
  const parts = takenBy(setup, shelfOffer)
  adopted.value = setup
  await build.change(
    setupPatch(build.sheet!, setup, shelfOffer),
    'Set-up',
    explain(setup),
    parts.map(({ item, count }) => ({ item: item.id, move: 'reserve' as const, count })),
  )
  progress.value = undefined
}
</script>

<template>
  <div>
    <div class="open" role="group" aria-label="What may change">
      <span class="quiet">May change</span
      ><label v-for="[key, words] in SWITCHES" :key="key"
        ><input v-model="open[key]" type="checkbox" />{{ words }}</label
      >
      <label
        >meeting all targets in
        <input v-model.number="wanted" type="number" min="50" max="99" step="5" aria-label="Chance wanted, in 100" /> of
        100</label
      >
    </div>
    <div class="actions begin">
      <Button v-if="!running" type="button" :disabled="!shelf.loaded" @click="find">Find set-ups</Button
      ><Button v-else type="button" variant="outlined" @click="stop">Stop</Button>
      <span class="quiet">{{ offered.toLocaleString('en') }} set-ups of what lies free on the shelf</span>
      <progress
        v-if="running"
        :value="progress?.done ?? 0"
        :max="progress?.total ?? 1"
        aria-label="Set-ups looked at"
      />
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="failed" class="wrong" role="alert">Nothing was found: {{ failed }}</p>
    <p v-if="adopted" class="adopted" role="status" data-testid="adopted">
      <b>Adopted.</b> {{ explain(adopted) }} Its parts are set aside on the shelf; one undo takes the change back.
    </p>
    <template v-if="setups.length > 0">
      <FindChart :setups="setups" :best="best" :wanted="wanted" />
      <ol class="setups">
        <li v-for="(setup, i) in shown" :key="i" :class="{ best: setup === best }" :data-setup="i">
          <p>
            {{ explain(setup) }}<template v-if="price(setup)"> Parts {{ price(setup)!.toFixed(2) }}.</template>
          </p>
          <span class="mono states"
            ><span v-for="state in STATE_NAMES" :key="state"
              ><span class="quiet">{{ STATE_LABELS[state].toLowerCase() }}</span>
              {{ units.show(setup.pressures[state], 'pressure', units.fine) }}
              <span class="quiet band"
                >{{ units.show(setup.bands[state][0], 'pressure', units.fine) }} to
                {{ units.show(setup.bands[state][1], 'pressure', units.fine) }}</span
              ></span
            ></span
          >
          <Button
            v-if="setup.changes > 0"
            type="button"
            :variant="setup === best ? undefined : 'outlined'"
            @click="adopt(setup)"
            >Adopt</Button
          >
        </li>
      </ol>
    </template>
  </div>
</template>

<style scoped>
.open {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
}
.open label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
.open input[type='checkbox'] {
  width: 22px;
  height: 22px;
  accent-color: var(--petrol);
}
.open input[type='number'] {
  width: 64px;
  height: 44px;
  font-size: 17px;
  text-align: right;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  font-family: var(--mono);
}
.begin {
  align-items: center;
  padding: 6px 0 10px;
}
progress {
  flex: 1;
  height: 12px;
  accent-color: var(--oil);
}
.setups {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.setups li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 16px;
  padding: 10px 0 10px 12px;
  border-top: 1px solid var(--rule);
  align-items: center;
}
.best {
  box-shadow: inset 3px 0 0 var(--petrol);
  font-weight: 600;
}
.states {
  grid-column: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  font-weight: 400;
}
.states .quiet {
  font-family: var(--type);
}
.states .band {
  font-family: inherit;
  font-size: 13px;
}
.setups .p-button {
  grid-column: 2;
  grid-row: 1 / span 2;
}
.adopted {
  border-left: 6px solid var(--pass);
  padding: 6px 12px;
}
.wrong {
  color: var(--stop);
}
</style>
