<script setup lang="ts">
import { t } from '~/words/of/logbook'
import type { LoggedLine } from '#core/engine/serviceLog'
import type { LeftOfTrend } from '#core/logbook/ages'
import type { TrendPoint } from '#core/logbook/trend'
import { dateOf } from '~/words/dates'
import { LEFT_WORDS } from '~/words/logbook'

/** The service log, the newest first: what was read, how it stands for hot idle or why it does not, and what was done. */
const { lines } = defineProps<{ lines: readonly (LoggedLine & { point?: TrendPoint; left?: LeftOfTrend })[] }>()
const emit = defineEmits<{ mend: [line: LoggedLine] }>()
const build = useBuild()
const units = useUnits()
const p = (value: number) => units.say(value, 'pressure', units.fine)
const doneWords = ({ oil, filter, topUp }: LoggedLine) =>
  [
    oil && t('services.oil', { grade: oil.grade }),
    filter && t('services.filter'),
    topUp !== undefined && t('services.toppedUp', { volume: units.say(topUp, 'volume') }),
  ]
    .filter(Boolean)
    .join('; ')
const numberOf = (key: string) => key.split('.')[1]!
const remove = ({ key }: LoggedLine) =>
  void build.change(
    [{ op: 'remove', path: `/services/${key}` }],
    t('lines.service', { number: numberOf(key) }),
    t('years.takenOut'),
  )
const photograph = ({ key, photos = [] }: LoggedLine, id: string) =>
  void build.change(
    [{ op: 'add', path: `/services/${key}/photos`, value: [...photos, id].slice(-30) }],
    t('lines.service', { number: numberOf(key) }),
  )
</script>

<template>
  <ResultTable
    :rows="lines"
    :label="t('years.serviceLog')"
    :attributes="({ key }) => ({ 'data-service': key })"
    data-key="key"
  >
    <Column :header="t('years.day')"
      ><template #body="{ data }"
        ><span class="nowrap">{{ dateOf(data.at) }}</span
        ><span class="under">{{ data.by }}</span></template
      ></Column
    ><Column :header="t('years.meter')"
      ><template #body="{ data }"
        ><span v-if="data.hours !== undefined" class="mono nowrap">{{ units.say(data.hours, 'span') }}</span
        ><span v-if="data.distance !== undefined" class="mono nowrap block">{{
          units.say(data.distance, 'distance')
        }}</span></template
      ></Column
    ><Column :header="t('years.gauge')"
      ><template #body="{ data }"
        ><span v-if="data.pressure !== undefined" class="mono nowrap">{{ p(data.pressure) }}</span
        ><span v-if="data.temperature !== undefined || data.speed !== undefined" class="under nowrap">{{
          [
            data.speed !== undefined && units.say(data.speed, 'speed'),
            data.temperature !== undefined && units.say(data.temperature, 'temperature'),
          ]
            .filter(Boolean)
            .join(', ')
        }}</span
        ><span v-if="data.instrument" class="under">{{ data.instrument }}</span></template
      ></Column
    ><Column :header="t('years.asHotIdle')"
      ><template #body="{ data }"
        ><span v-if="data.point" class="mono nowrap">{{ p(data.point.standard) }}</span
        ><span v-else-if="data.left" class="under">{{ LEFT_WORDS[data.left as LeftOfTrend] }}</span></template
      ></Column
    ><Column :header="t('years.done')" class="words"
      ><template #body="{ data }"
        >{{ doneWords(data) }}<span v-if="data.note" class="under">{{ data.note }}</span
        ><PhotoRow
          :of="t('lines.service', { number: numberOf(data.key) })"
          :photos="data.photos"
          size="small"
          @kept="photograph(data, $event)" /></template></Column
    ><Column
      ><template #header
        ><span class="hidden-but-read">{{ t('years.mendOrTakeOut') }}</span></template
      ><template #body="{ data }"
        ><span class="tools"
          ><Button
            type="button"
            variant="outlined"
            :aria-label="t('years.mendTheLineOf', { day: dateOf(data.at) })"
            @click="emit('mend', data)"
            >{{ t('years.mend') }}</Button
          ><Button
            type="button"
            variant="text"
            :aria-label="t('years.takeOutTheLineOf', { day: dateOf(data.at) })"
            @click="remove(data)"
            >{{ t('years.takeOut') }}</Button
          ></span
        ></template
      ></Column
    >
  </ResultTable>
</template>

<style scoped>
.under {
  display: block;
  color: var(--quiet);
  font-weight: 400;
}
.block {
  display: block;
}
.nowrap {
  white-space: nowrap;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  justify-content: flex-end;
}
</style>
