<script setup lang="ts">
import { checksOf } from '#core/build/checks'
import { judgePrime } from '#core/prime/prime'

const build = useBuild()
const house = useHouse()
const expected = useAnswer((model) => (build.sheet ? model.prime(build.sheet) : undefined), () => build.sheet)
const checks = computed(() => checksOf(build.sheet!.layout).filter((check) => check.station === 'prime'))
const of = (group: string) => checks.value.filter((check) => check.group === group)
const turned = computed(() => of('crank').filter((turn) => build.sheet!.checks[turn.key]?.state === 'done').length)
const reading = computed(() => build.sheet!.readings['prime.pressure']?.value)
const verdict = computed(() => (expected.value && reading.value !== undefined ? judgePrime(reading.value, expected.value) : undefined))
const dry = computed(() => of('outlet').filter((outlet) => build.sheet!.checks[outlet.key]?.state === 'fault'))
const drive = computed(() => build.sheet!.layout.pumpDrive)
const p = (value: number) => house.say(value, 'pressure', house.unit('pressure').symbol === 'bar' ? 1 : undefined)
</script>

<template>
  <div>
    <StationHead station="prime" title="Prime">By drill on the pump{{ drive === 'shaft' ? ', before the drive goes in' : '' }}: nothing dry moves.</StationHead>
    <p v-if="drive === 'crank'" class="note-line">The pump of this layout sits on the crank and cannot be reached by a drill. Turn the crank by starter in short bursts, plugs out, ignition and fuel disabled, and read the same gauge.</p>

    <div v-if="expected" class="numbers">
      <div><span class="quiet">Expect at the gauge</span><span class="mono big" data-testid="prime-expected">{{ house.show(expected.pressure, 'pressure') }}<small>{{ house.unit('pressure').symbol }}</small></span><span class="quiet mono">{{ house.show(expected.low, 'pressure') }} to {{ house.show(expected.high, 'pressure') }}</span></div>
      <div><span class="quiet">Accept no less than</span><span class="mono big" data-testid="prime-least">{{ house.show(expected.least, 'pressure') }}<small>{{ house.unit('pressure').symbol }}</small></span><span class="quiet">{{ house.say(expected.flow, 'flow') }} through the pump</span></div>
      <div><span class="quiet">Read</span><span class="mono big">{{ reading === undefined ? '·' : house.show(reading, 'pressure') }}<small v-if="reading !== undefined">{{ house.unit('pressure').symbol }}</small></span><VerdictLabel :verdict="verdict ?? 'unknown'" /></div>
    </div>

    <section aria-label="Judgement">
      <JudgementLine v-if="expected && reading !== undefined && verdict" :verdict="verdict"><b>{{ p(reading) }} read, {{ p(expected.pressure) }} expected.</b>
        {{ verdict === 'stop' ? `Under the least to accept, ${p(expected.least)}. Do not start it: look at pickup, seal, relief valve and gallery plugs first.` : verdict === 'watch' ? 'Above what the model says: thicker or colder oil than recorded, or a relief valve that sticks.' : 'The circuit is full and holds what it should.' }}</JudgementLine>
      <JudgementLine v-if="dry.length > 0" verdict="stop"><b>No oil at {{ dry.map((each) => each.label.toLowerCase()).join(', ') }}.</b> {{ dry[0].fault }}</JudgementLine>
    </section>

    <div class="columns block">
      <section>
        <h2>1. Make ready</h2>
        <CheckRow v-for="item in of('step')" :key="item.key" :item="item" :faults="false" />
        <h2 class="next">2. Drill</h2>
        <ReadingRow name="prime.drillSpeed" /><ReadingRow name="prime.oilTemperature" />
        <CautionNote name="drill">Rotating drill and shaft: no loose gloves or sleeves. Hold against the kick when the pump goes stiff.</CautionNote>
        <h2 class="next">5. Read the gauge</h2>
        <ReadingRow name="prime.pressure" />
      </section>
      <section>
        <h2>3. Turn the crank, {{ turned }} of {{ of('crank').length }}</h2>
        <p class="quiet">A little at a time while pressure is on, so that each journal’s hole sees oil.</p>
        <div class="turns"><button v-for="turn in of('crank')" :key="turn.key" type="button" class="turn" :aria-pressed="build.sheet!.checks[turn.key]?.state === 'done'" @click="build.check(turn.key, build.sheet!.checks[turn.key] ? undefined : 'done', turn.label)">{{ turn.label }}</button></div>
        <h2 class="next">4. Oil seen at</h2>
        <CheckRow v-for="item in of('outlet')" :key="item.key" :item="item" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.numbers { display: grid; grid-template-columns: repeat(3, 1fr); gap: 20px; padding: 6px 0 14px; }
.numbers > div { display: grid; justify-items: start; gap: 2px; }
.big { font-size: 44px; line-height: 1.1; }
.big small { font-size: 18px; color: var(--quiet); margin-left: 6px; font-family: var(--type); }
.next { margin-top: 22px; }
.turns { display: grid; grid-template-columns: repeat(4, 1fr); gap: 6px; margin-top: 8px; }
.turn { min-height: 48px; border: 1px solid var(--field); border-radius: 3px; background: none; cursor: pointer; font-family: var(--mono); }
.turn[aria-pressed='true'] { background: var(--pass); border-color: var(--pass); color: var(--sheet); font-weight: 650; }
.note-line { border-left: 3px solid var(--watch); padding: 4px 12px; margin-bottom: 14px; }
</style>
