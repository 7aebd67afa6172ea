<script setup lang="ts">
import { t } from '~/words/of/relief'
import { type BenchLine, benchLog, type BenchMethod, benchSays } from '#core/parts/reliefBench'
import { halfBand } from '#core/quantity/uncertain'
import type { ValveName } from '#core/parts/reliefReadings'
import { dayOf } from '~/words/dates'

/** Every test of a valve, line by line; the one that counts is the spring as it stands now. */
const { valve } = defineProps<{ valve: ValveName }>()
const build = useBuild()
const units = useUnits()
const log = computed(() => benchLog(build.sheet!, valve))
/** What the running engine would read with the valve as each test had it. */
const { value: running } = useAnswer(
  (_, slow) => (build.sheet && log.value.length > 0 ? slow().benchReads(build.sheet, valve) : undefined),
  () => [build.sheet, valve],
)
const lines = computed(() =>
  log.value.map((line) => ({
    line,
    says: benchSays(build.sheet!, valve, line),
    reads: running.value?.find(({ key }) => key === line.key),
  })),
)
const RUNNING = [
  ['idleCold', t('benchLog.idleCold')],
  ['workingHot', t('benchLog.workingHot')],
] as const
const counts = computed(() => log.value.findLast(({ fitted }) => fitted))
function count(line: BenchLine) {
  const changes = log.value
    .filter(({ key }) => key)
    .map(({ key }) => ({
      op: 'replace' as const,
      path: `/benches/${key}/fitted`,
      value: key === line.key && !line.fitted,
    }))
  void build.change(changes, t('benchLog.benchTest'), line.fitted ? t('benchLog.countsNoMore') : 'counts')
}
const remove = (line: BenchLine) =>
  void build.change([{ op: 'remove', path: `/benches/${line.key}` }], t('benchLog.benchTest'), t('benchLog.takenOut'))
const WORDS: Record<BenchMethod, string> = { air: 'air', 'dead-head': 'dead-head' }
const when = (at?: string) => (at ? dayOf(at) : '')
</script>

<template>
  <section v-if="lines.length > 0" class="log" :aria-label="t('benchLog.benchLog')">
    <h2>{{ t('benchLog.benchLog') }}</h2>
    <ReadOtherwise />
    <ResultTable
      :rows="lines"
      :label="t('benchLog.benchLog')"
      :attributes="({ line }) => ({ 'data-bench': line.key, class: { counts: line === counts } })"
    >
      <Column :header="t('benchLog.tried')"
        ><template #body="{ data: { line } }"
          >{{ when(line.at) }}<span class="under">{{ line.by }}</span
          ><span v-if="line.note" class="under">{{ line.note }}</span></template
        ></Column
      ><Column :header="t('benchLog.how')" class="words"
        ><template #body="{ data: { line } }"
          >{{ WORDS[line.method as BenchMethod]
          }}<span v-if="line.method === 'dead-head'" class="under">{{
            t('benchLog.at', { oil: line.oil, temperature: units.say(line.temperature ?? 20, 'temperature') })
          }}</span
          ><span v-if="line.instrument" class="under">{{ line.instrument }}</span></template
        ></Column
      ><Column :header="t('benchLog.shims')" body-class="figures"
        ><template #body="{ data: { line } }">{{ units.show(line.shims, 'length') }}</template></Column
      ><Column :header="t('benchLog.read')" body-class="figures"
        ><template #body="{ data: { line, says } }"
          >{{ units.show(line.reading, 'pressure', units.fine)
          }}<span class="under">{{
            t('benchLog.parts', { expected: units.show(says.expected, 'pressure', units.fine) })
          }}</span></template
        ></Column
      ><Column :header="t('benchLog.openedAt')" body-class="figures"
        ><template #body="{ data: { says } }"
          >{{ units.show(says.opening.value, 'pressure', units.fine)
          }}<span class="under">± {{ units.show(halfBand(says.opening), 'pressure', units.fine) }}</span></template
        ></Column
      ><Column v-for="[state, words] in RUNNING" :key="state" :header="t('benchLog.running', { words })"
        ><template #body="{ data: { reads } }"
          ><BandedFigure
            v-if="reads"
            :data-running="state"
            :value="reads[state].pressure"
            :low="reads[state].low"
            :high="reads[state].high"
            dimension="pressure"
            :fine="units.fine" /></template></Column
      ><Column
        ><template #header
          ><span class="hidden-but-read">{{ t('benchLog.countsOrTakenOut') }}</span></template
        ><template #body="{ data: { line } }"
          ><span v-if="line.key" class="tools"
            ><Button type="button" variant="outlined" :aria-pressed="line === counts" @click="count(line)">{{
              line === counts ? t('benchLog.counts') : t('benchLog.letItCount')
            }}</Button
            ><Button
              type="button"
              variant="text"
              :aria-label="t('benchLog.takeOutTheTestOf', { when: when(line.at) })"
              @click="remove(line)"
              >{{ t('benchLog.takeOut') }}</Button
            ></span
          ></template
        ></Column
      >
    </ResultTable>
    <p class="quiet">
      {{ t('benchLog.theLineThatCountsIsThe', { unit: units.unit('pressure').symbol }) }}
    </p>
  </section>
</template>

<style scoped>
.log {
  grid-column: 1 / -1;
}
:deep(.counts) {
  font-weight: 650;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  justify-content: flex-end;
}
</style>
