<script setup lang="ts">
import { inSentence } from '~/words/speak'
import { figure, whole } from '~/words/numbers'
import { t } from '~/words/of/outlook'
import { proxy } from 'comlink'
import { explain } from '~/words/setup'
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
const FindChart = defineAsyncComponent(() => import('~/components/outlook/FindChart.vue'))
const open = reactive<Open>({ springs: true, stacks: true, oils: true, pumps: true, shells: true })
const SWITCHES: [keyof Open, string][] = [
  ['springs', t('findView.reliefSpring')],
  ['stacks', t('findView.shims')],
  ['oils', t('findView.oil')],
  ['pumps', t('findView.pump')],
  ['shells', t('findView.shells')],
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
/** The first answers come without being asked, once it is known what lies on the shelf. */
watch(
  () => shelf.loaded && build.sheet !== undefined,
  (ready) => ready && void find(),
  { immediate: true },
)
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
    <div class="open" role="group" :aria-label="t('findView.whatMayChange')">
      <span class="quiet">{{ t('findView.mayChange') }}</span><TickBox
        v-for="[key, words] in SWITCHES"
        :key="key"
        :value="open[key]"
        @tick="open[key] = $event"
        >{{ words }}</TickBox
      >
      <label
        >{{ t('findView.meetingAllTargetsIn') }}
        <InputNumber
          :model-value="wanted"
          :min="50"
          :max="99"
          :step="5"
          show-buttons
          :aria-label="t('findView.chanceWantedIn100')"
          @update:model-value="wanted = $event ?? wanted"
        />
        {{ t('findView.of100') }}</label
      >
    </div>
    <div class="actions begin">
      <Button v-if="!running" type="button" :disabled="!shelf.loaded" @click="find">{{
        t('findView.findSetUps')
      }}</Button><Button v-else type="button" variant="outlined" @click="stop">{{ t('findView.stop') }}</Button>
      <span class="quiet">{{ t('findView.setUpsOfWhatLiesFree', { offered: whole(offered) }) }}</span>
      <ProgressBar
        v-if="running"
        :value="(100 * (progress?.done ?? 0)) / (progress?.total ?? 1)"
        :show-value="false"
        :aria-label="t('findView.setUpsLookedAt')"
      />
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="failed" class="wrong" role="alert">{{ t('findView.nothingWasFound', { failed }) }}</p>
    <p v-if="adopted" class="adopted" role="status" data-testid="adopted">
      <b>{{ t('findView.adopted') }}</b> {{ t('findView.itsPartsAreSetAsideOn', { explain: explain(adopted) }) }}
    </p>
    <template v-if="setups.length > 0">
      <FindChart :setups="setups" :best="best" :wanted="wanted" />
      <ResultTable
        :rows="shown"
        :label="t('findView.setUpsFound')"
        :attributes="
          (setup) => ({ 'data-setup': shown.indexOf(setup), class: ['predicted', { best: setup === best }] })
        "
      >
        <Column :header="t('findView.setUpAtTheGauge', { unit: units.unit('pressure').symbol })"
          ><template #body="{ data }"
            ><span class="explained"
              >{{ explain(data)
              }}<template v-if="price(data)"
                >{{ ' ' }}{{ t('findView.parts', { price: figure(price(data)!, 2) }) }}</template
              ></span
            ><Button
              v-if="data.changes > 0"
              type="button"
              :variant="data === best ? undefined : 'outlined'"
              @click="adopt(data)"
              >{{ t('findView.adopt') }}</Button
            ></template
          ></Column
        ><Column field="probability" :header="t('findView.in100')" body-class="figures" sortable
          ><template #body="{ data }"
            ><span class="big">{{ Math.round(100 * data.probability) }}</span
            ><span class="under">{{ units.say(data.power, 'power') }}</span></template
          ></Column
        ><Column
          v-for="state in STATE_NAMES"
          :key="state"
          :field="`pressures.${state}`"
          :header="inSentence(STATE_LABELS[state])"
          sortable
          ><template #body="{ data }"
            ><BandedFigure
              :data-at="state"
              :value="data.pressures[state]"
              :low="data.bands[state][0]"
              :high="data.bands[state][1]"
              dimension="pressure"
              :fine="units.fine" /></template
        ></Column>
      </ResultTable>
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
.open > label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
.open :deep(.p-inputnumber-input) {
  width: 108px;
  height: 44px;
  font-family: var(--mono);
}
.begin {
  align-items: center;
  padding: 6px 0 10px;
}
.p-progressbar {
  flex: 1;
}
.explained {
  display: block;
  min-width: 150px;
  font-weight: 400;
}
:deep(.best .explained) {
  font-weight: 600;
}
:deep(tr.best > td:first-child) {
  box-shadow: inset 3px 0 0 var(--petrol);
}
:deep(tbody td:first-child) {
  padding-left: 10px !important;
}
.big {
  font-size: 18px;
}
.adopted {
  border-left: 6px solid var(--pass);
  padding: 6px 12px;
}
.wrong {
  color: var(--stop);
}
</style>
