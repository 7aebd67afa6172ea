<script setup lang="ts">
import type { CheckItem } from '#core/record/looked'

/** Closing the pump: how the cover seals, what it is packed with, what it must be to fit. */
defineProps<{ checks: CheckItem[] }>()
const build = useBuild()
const SEALS = [
  { value: 'gasket', words: 'gasket' },
  { value: 'sealer', words: 'film of sealer' },
  { value: 'dry', words: 'dry' },
]
const PACKINGS = [
  { value: 'assembly-lubricant', words: 'assembly lubricant' },
  { value: 'jelly', words: 'jelly' },
  { value: 'oil', words: 'oil' },
  { value: 'dry', words: 'nothing' },
]
const seal = computed(() => build.sheet!.choices['pump.coverSeal'])
const packing = computed(() => build.sheet!.choices['pump.packing'])
const SEAL_WORDS: Record<string, string> = {
  gasket: 'Its pressed thickness is part of the end clearance: write it where the gap was taken without it.',
  sealer: 'A film, no more: what squeezes inside breaks off and ends in the screen.',
  dry: 'Only where the maker leaves it so: no gasket where one belongs lets air in and oil out.',
}
const PACKING_WORDS: Record<string, string> = {
  'assembly-lubricant': 'It seals the gaps until oil comes, and dissolves in it.',
  jelly: 'It seals and melts away; no grease in its place, which blocks the relief valve.',
  oil: 'It runs off within hours: prime on the same day, and turn it up just before.',
  dry: 'A dry pump hardly draws on a fresh build: pack it, or prime it by hand at its port.',
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
    'Packing of the pump',
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
      <h2>Cover</h2>
      <div class="row wide">
        <span class="what">Seals by</span
        ><SegmentChoice
          label="Cover seals by"
          :value="seal"
          :options="SEALS"
          @choose="build.choose('pump.coverSeal', $event, 'Cover’s seal')"
        />
      </div>
      <p v-if="seal" class="quiet words">{{ SEAL_WORDS[seal] }}</p>
      <ReadingRow v-if="seal === 'gasket'" name="pump.gasket" />
      <CheckRow v-for="item in checks" :key="item.key" :item="item" />
      <h2 class="next">Packed for priming</h2>
      <div class="row wide">
        <span class="what">With</span
        ><SegmentChoice label="Packed with" :value="packing" :options="PACKINGS" @choose="pack" />
      </div>
      <p v-if="packing" class="words" :class="packing === 'dry' ? 'bad' : 'quiet'">{{ PACKING_WORDS[packing] }}</p>
    </section>
    <section>
      <h2>What belongs to this engine</h2>
      <div class="row">
        <label class="what" for="pump-year">Year or form</label
        ><InputText
          id="pump-year"
          :model-value="note('year')"
          maxlength="80"
          placeholder="early, late, 1987"
          @change="write('year', $event, 'Pump’s year')"
        />
      </div>
      <div class="row">
        <label class="what" for="pump-drive">Drive form</label
        ><InputText
          id="pump-drive"
          :model-value="note('drive')"
          maxlength="80"
          placeholder="slot, tang, hexagon"
          @change="write('drive', $event, 'Pump’s drive')"
        />
      </div>
      <ReadingRow name="pump.driveLength" />
      <p class="quiet words">
        Pumps that look alike differ in length, and ones from other years may not fit. Compare warns by these.
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
