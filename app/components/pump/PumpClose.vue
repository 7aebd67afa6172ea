<script setup lang="ts">
import { t } from '~/words/of/pump'
import type { CheckItem } from '#core/record/looked'

/** Closing the pump: how the cover seals, what it is packed with, what it must be to fit. */
defineProps<{ checks: CheckItem[] }>()
const build = useBuild()
const SEALS = [
  { value: 'gasket', words: t('pumpClose.gasket') },
  { value: 'sealer', words: t('pumpClose.filmOfSealer') },
  { value: 'dry', words: t('pumpClose.dry') },
]
const PACKINGS = [
  { value: 'assembly-lubricant', words: t('pumpClose.assemblyLubricant') },
  { value: 'jelly', words: t('pumpClose.jelly') },
  { value: 'oil', words: t('pumpClose.oil') },
  { value: 'dry', words: t('pumpClose.nothing') },
]
const seal = computed(() => build.sheet!.choices['pump.coverSeal'])
const packing = computed(() => build.sheet!.choices['pump.packing'])
const SEAL_WORDS: Record<string, string> = {
  gasket: t('pumpClose.itsPressedThicknessIsPartOf'),
  sealer: t('pumpClose.aFilmNoMoreWhatSqueezes'),
  dry: t('pumpClose.onlyWhereTheMakerLeavesIt'),
}
const PACKING_WORDS: Record<string, string> = {
  'assembly-lubricant': t('pumpClose.itSealsTheGapsUntilOil'),
  jelly: t('pumpClose.itSealsAndMeltsAwayNo'),
  oil: t('pumpClose.itRunsOffWithinHoursPrime'),
  dry: t('pumpClose.aDryPumpHardlyDrawsOn'),
}
/** Prime asks whether the pump was packed: here it is said with what. */
function pack(value: string | undefined) {
  const done = value && value !== 'dry'
  const check = build.sheet!.checks['prime.packed']
  void build.change(
    [
      ...(value
        ? [{ op: 'add' as const, path: '/choices/pump.packing', value }]
        : [{ op: 'remove' as const, path: '/choices/pump.packing' }]),
      ...(done
        ? [
            {
              op: 'add' as const,
              path: '/checks/prime.packed',
              value: { state: 'done', by: usePerson().who || 'Someone', at: new Date().toISOString() },
            },
          ]
        : check
          ? [{ op: 'remove' as const, path: '/checks/prime.packed' }]
          : []),
    ],
    t('pumpClose.packingOfThePump'),
  )
}
const note = (key: string) => build.sheet!.choices[`pump.${key}`] ?? ''
function write(key: string, event: Event, label: string) {
  void build.choose(`pump.${key}`, (event.target as HTMLInputElement).value.trim().slice(0, 80) || undefined, label)
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>{{ t('pumpClose.cover') }}</h2>
      <div class="row wide">
        <span class="what">{{ t('pumpClose.sealsBy') }}</span><SegmentChoice
          :label="t('pumpClose.coverSealsBy')"
          :value="seal"
          :options="SEALS"
          @choose="build.choose('pump.coverSeal', $event, t('pumpClose.coversSeal'))"
        />
      </div>
      <p v-if="seal" class="quiet words">{{ SEAL_WORDS[seal] }}</p>
      <ReadingRow v-if="seal === 'gasket'" name="pump.gasket" />
      <CheckRow v-for="item in checks" :key="item.key" :item="item" />
      <h2 class="next">{{ t('pumpClose.packedForPriming') }}</h2>
      <div class="row wide">
        <span class="what">{{ t('pumpClose.with') }}</span><SegmentChoice
          :label="t('pumpClose.packedWith')"
          :value="packing"
          :options="PACKINGS"
          @choose="pack"
        />
      </div>
      <p v-if="packing" class="words" :class="packing === 'dry' ? 'bad' : 'quiet'">{{ PACKING_WORDS[packing] }}</p>
    </section>
    <section>
      <h2>{{ t('pumpClose.whatBelongsToThisEngine') }}</h2>
      <div class="row">
        <label class="what" for="pump-year">{{ t('pumpClose.yearOrForm') }}</label><InputText
          id="pump-year"
          :model-value="note('year')"
          maxlength="80"
          :placeholder="t('pumpClose.earlyLate1987')"
          @change="write('year', $event, t('pumpClose.pumpsYear'))"
        />
      </div>
      <div class="row">
        <label class="what" for="pump-drive">{{ t('pumpClose.driveForm') }}</label><InputText
          id="pump-drive"
          :model-value="note('drive')"
          maxlength="80"
          :placeholder="t('pumpClose.slotTangHexagon')"
          @change="write('drive', $event, t('pumpClose.pumpsDrive'))"
        />
      </div>
      <ReadingRow name="pump.driveLength" />
      <p class="quiet words">
        {{ t('pumpClose.pumpsThatLookAlikeDifferIn') }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.words {
  padding: 6px 0;
  max-width: 60ch;
}
.next {
  margin-top: 20px;
}
.bad {
  color: var(--stop);
}
.p-inputtext {
  width: 190px;
  height: 44px;
  font-size: 16px;
}
</style>
