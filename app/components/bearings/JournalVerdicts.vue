<script setup lang="ts">
import { named } from '~/words/speak'
import { figure } from '~/words/numbers'
import { t } from '~/words/of/bearings'
import { EXPANSION, hotClearance } from '#core/bearing/clearance'
import { judgeClearance } from '#core/bearing/judge'
import { requireValue } from '#core/engine/values'
import { usualLoad } from '#core/outlook/journalFilm'
import { namedStates } from '#core/outlook/states'
import type { BearingSet } from '#core/parts/bearingReadings'
import { type BearingRecord, clearanceLimits, houseLimits } from '#core/parts/clearances'

/** What one journal's clearance comes to, cold and hot, by each school: maker, house, and the film that it leaves. */
const { set, number, record, known } = defineProps<{
  set: BearingSet
  number: number
  record: BearingRecord
  known: boolean
}>()
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const gap = (value: number) => units.show(value, 'clearance')

const hot = computed(() => {
  const housing = set === 'main' ? EXPANSION[build.sheet!.layout.housing] : EXPANSION.steel
  const rise = requireValue(build.sheet!, 'brief.hotOil').value - requireValue(build.sheet!, 'bearings.room').value
  return hotClearance(record.clearance.value, record.diameter, rise, housing, EXPANSION.steel)
})
const limits = computed(() => clearanceLimits(build.sheet!, set, record.diameter))
const schools = computed(() => {
  const own = houseLimits(build.sheet!, record.diameter)
  const rows = [
    {
      words: t('journalVerdicts.houseRule', { use: named(build.sheet!.use) }),
      limits: own,
      governs: limits.value.source === 'house',
    },
  ]
  if (limits.value.source === 'maker')
    rows.unshift({ words: t('journalVerdicts.maker'), limits: limits.value, governs: true })
  return rows.map((row) => ({ ...row, ...judgeClearance(record.clearance, row.limits) }))
})
/** Third school: the film that this clearance leaves at working speed under its mean load. */
const { value: film } = useAnswer(
  (_, slow) => {
    const sheet = build.sheet
    if (!sheet) return undefined
    const [, , , working] = namedStates(sheet)
    return slow().film(sheet, set, number, {
      load: usualLoad(sheet, set, working.speed),
      speed: working.speed,
      temperature: working.temperature,
      feedPressure: outlook.now?.states[3].pressure ?? 3e5,
    })
  },
  () => [build.sheet, set, number, outlook.now?.states[3].pressure],
)
</script>

<template>
  <div class="judged">
    <div class="pair">
      <div>
        <span class="quiet">{{ t('journalVerdicts.cold') }}</span><span class="mono big" data-testid="cold">{{
          gap(record.clearance.value)
        }}</span>
      </div>
      <div>
        <span class="quiet">{{
          t('journalVerdicts.at', {
            requireValue: units.say(requireValue(build.sheet!, 'brief.hotOil').value, 'temperature'),
            unit: units.unit('clearance').symbol,
          })
        }}</span><span class="mono big" data-testid="hot">{{ gap(hot) }}</span>
      </div>
    </div>
    <div>
      <div v-for="school in schools" :key="school.words" class="school" :class="{ governs: school.governs }">
        <span
          >{{ named(school.words)
          }}<span v-if="school.governs" class="quiet">{{ t('journalVerdicts.governs') }}</span></span
        ><span class="mono">{{
          t('journalVerdicts.to', { gap: gap(school.limits.least), gap2: gap(school.limits.most) })
        }}</span>
        <span class="quiet">{{
          known && school.chance > 0.005
            ? t('journalVerdicts.outside', { chance: Math.round(100 * school.chance) })
            : ''
        }}</span><VerdictLabel :verdict="known ? school.verdict : 'unknown'" />
      </div>
      <div v-if="film" class="school" data-testid="film-school">
        <span>{{ t('journalVerdicts.computedFilm') }}</span><span class="mono">{{
          units.sayFilm(film.minimumFilm)
        }}</span
        ><span class="quiet">{{
          t('journalVerdicts.roughness', { roughnessRatio: figure(film.roughnessRatio, 1) })
        }}</span
        ><VerdictLabel :verdict="known ? film.verdict : 'unknown'" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.judged {
  display: grid;
  grid-template-columns: minmax(210px, 1fr) minmax(440px, 3fr);
  gap: 12px 34px;
  align-items: start;
  padding: 4px 0 14px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}
.pair > div {
  display: grid;
}
.big {
  font-size: 32px;
  line-height: 1.2;
}
.school {
  display: grid;
  grid-template-columns: minmax(128px, 1fr) 128px 112px 66px;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--rule);
  min-height: 40px;
}
.school.governs {
  font-weight: 650;
}
.school > * {
  white-space: nowrap;
}
.school .verdict {
  justify-self: end;
}
@media (max-width: 900px) {
  .judged {
    grid-template-columns: 1fr;
  }
}
</style>
