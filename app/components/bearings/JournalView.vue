<script setup lang="ts">
import { type BearingSet, PLACES } from '#core/parts/bearingReadings'
import { hotClearance, EXPANSION } from '#core/bearing/clearance'
import { judgeClearance } from '#core/bearing/judge'
import { OLD_SHELLS } from '#core/bearing/shell'
import { stripClearance } from '#core/bearing/strip'
import { bearingsOf, clearanceLimits, houseLimits } from '#core/parts/clearances'
import { requireValue } from '#core/engine/values'
import { usualLoad } from '#core/outlook/journalFilm'
import { rodDuty, rodFeed } from '#core/outlook/feed'
import { namedStates } from '#core/outlook/states'
import { shrinkPhoto } from '~/composables/photo'
import { parseQuantity } from '#core/quantity/parse'

/** One journal: its old shell, its readings in planes and at angles or by strip, what they come to, its film. */
const { set, number } = defineProps<{ set: BearingSet; number: number }>()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const shop = useShop()
const outlook = useOutlook()
const key = computed(() => `${set}.${number}`)
const record = computed(() => bearingsOf(build.sheet!, set)[number - 1])
const gap = (value: number) => units.show(value, 'clearance')

/** Grid of readings: first the vertical one in front, then the other places. */
const GRID = [
  ['', 'rear'],
  ['left', 'rearLeft'],
  ['right', 'rearRight'],
] as const
const ANGLES = ['vertical', '60° left', '60° right']
const name = (side: string, place: string) => `${key.value}.${side}${place ? `.${place}` : ''}`

const hot = computed(() => {
  const housing = set === 'main' ? EXPANSION[build.sheet!.layout.housing] : EXPANSION.steel
  const rise = requireValue(build.sheet!, 'brief.hotOil').value - requireValue(build.sheet!, 'bearings.room').value
  return hotClearance(record.value.clearance.value, record.value.diameter, rise, housing, EXPANSION.steel)
})
const limits = computed(() => clearanceLimits(build.sheet!, set, record.value.diameter))
const schools = computed(() => {
  const own = houseLimits(build.sheet!, record.value.diameter)
  const rows = [{ words: `House rule, ${build.sheet!.use}`, limits: own, governs: limits.value.source === 'house' }]
  if (limits.value.source === 'maker') rows.unshift({ words: 'Maker', limits: limits.value, governs: true })
  return rows.map((row) => ({ ...row, ...judgeClearance(record.value.clearance, row.limits) }))
})
const known = computed(() => record.value.clearance.source === 'measured' || record.value.chosen !== undefined)
const shape = computed(() => record.value.shape)
const SHAPES = [
  ['Taper', 'taper'],
  ['Out of round', 'outOfRound'],
  ['Wider at the parting line', 'eccentricity'],
] as const

const feed = computed(() => rodFeed(build.sheet!))
const DRILLINGS = [
  { value: 'single', words: 'one mouth' },
  { value: 'through', words: 'right through' },
]
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
      arc: sheet.layout.mainGroove,
    })
  },
  () => [build.sheet, set, number, outlook.now?.states[3].pressure],
)
const CONDITIONS = OLD_SHELLS
const GOOD = 'even grey'
const found = computed(() => build.sheet!.inspections[`${key.value}.oldShell`])
function inspect(finding: string) {
  const path = `/inspections/${key.value}.oldShell`
  const label = `${record.value.label} old shell`
  if (found.value?.finding === finding) return void build.change([{ op: 'remove', path }], label)
  void build.change(
    [{ op: 'add', path, value: { finding, by: person.who || 'Someone', at: new Date().toISOString() } }],
    label,
  )
}

const photoProblem = ref('')
async function photograph(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file || !build.id || !found.value) return
  const kept = await shrinkPhoto(file, build.id, person.who)
  photoProblem.value = 'problem' in kept ? kept.problem : ''
  if ('id' in kept)
    void build.change(
      [
        {
          op: 'add',
          path: `/inspections/${key.value}.oldShell`,
          value: { ...toRaw(found.value), photos: [...(found.value.photos ?? []), kept.id].slice(-30) },
        },
      ],
      `${record.value.label} old shell, photo`,
    )
}
const scaleName = ref('')
const scale = computed(() => shop.house.strips.find((each) => each.name === scaleName.value) ?? shop.house.strips[0])
const width = ref('')
const stripProblem = ref('')
/** A pixel is 1/96 of an inch: the sleeve is drawn at its own size on a screen that keeps to it. */
const PER_METRE = 96 / 0.0254
function readStrip() {
  const parsed = parseQuantity(width.value, 'length', units.unit('length'))
  if (!parsed.ok) return void (stripProblem.value = parsed.message)
  try {
    const { value, sigma } = stripClearance(parsed.value, scale.value.lines)
    stripProblem.value = ''
    void build.record(
      `${key.value}.clearance`,
      {
        value,
        source: 'measured',
        uncertainty: sigma,
        instrument: scale.value.name,
        typed: `strip ${width.value.trim()}`.slice(0, 40),
      },
      `${record.value.label} clearance, by strip`,
    )
    width.value = ''
  } catch (error) {
    stripProblem.value = (error as Error).message.replace(/^\w+: /, 'The strip ')
  }
}
</script>

<template>
  <div>
    <div class="block-head">
      <h2>{{ record.label }}</h2>
      <span class="note">{{
        known ? (record.chosen ? 'with the shells chosen, not measured yet' : 'measured') : 'assumed'
      }}</span>
    </div>
    <div class="judged">
      <div class="pair">
        <div>
          <span class="quiet">Cold</span
          ><span class="mono big" data-testid="cold">{{ gap(record.clearance.value) }}</span>
        </div>
        <div>
          <span class="quiet"
            >at {{ units.say(requireValue(build.sheet!, 'brief.hotOil').value, 'temperature') }},
            {{ units.unit('clearance').symbol }}</span
          ><span class="mono big" data-testid="hot">{{ gap(hot) }}</span>
        </div>
      </div>
      <div>
        <div v-for="school in schools" :key="school.words" class="school" :class="{ governs: school.governs }">
          <span>{{ school.words }}<span v-if="school.governs" class="quiet">, governs</span></span
          ><span class="mono">{{ gap(school.limits.least) }} to {{ gap(school.limits.most) }}</span>
          <span class="quiet">{{
            known && school.chance > 0.005 ? `${Math.round(100 * school.chance)} % outside` : ''
          }}</span><VerdictLabel :verdict="known ? school.verdict : 'unknown'" />
        </div>
        <div v-if="film" class="school" data-testid="film-school">
          <span>Computed film</span><span class="mono">{{ units.sayFilm(film.minimumFilm) }}</span
          ><span class="quiet">{{ film.roughnessRatio.toFixed(1) }} × roughness</span
          ><VerdictLabel :verdict="known ? film.verdict : 'unknown'" />
        </div>
      </div>
    </div>
    <div class="survey">
      <table class="grid">
        <thead>
          <tr>
            <th scope="col"><span class="hidden-but-read">Angle</span></th>
            <th scope="col">journal, front</th>
            <th scope="col">rear</th>
            <th scope="col">bore, front</th>
            <th scope="col">rear</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(places, i) in GRID" :key="i">
            <th scope="row">{{ ANGLES[i] }}</th>
            <template v-for="side in ['journal', 'bore']" :key="side"
              ><td v-for="at in places" :key="at">
                <ReadingInput
                  :name="name(side, at)"
                  run="survey"
                  :column="`${side}.${at ? PLACES.findIndex(([own]) => own === at) : 'first'}`"
                /></td
            ></template>
          </tr>
        </tbody>
      </table>
      <div>
        <dl v-if="shape" class="shape">
          <dt class="quiet">&nbsp;</dt>
          <dd class="quiet">journal</dd>
          <dd class="quiet">bore</dd>
          <template v-for="[words, field] in SHAPES" :key="field"
            ><dt>{{ words }}</dt>
            <dd class="mono">{{ shape.journal[field] === undefined ? '·' : gap(shape.journal[field]!) }}</dd>
            <dd class="mono">{{ shape.bore[field] === undefined ? '·' : gap(shape.bore[field]!) }}</dd></template
          >
        </dl>
        <p class="quiet">
          {{
            shape && shape.planes.length > 1
              ? `Tightest in the ${shape.planes[0] < shape.planes[1] ? 'front' : 'rear'} plane, ${units.say(Math.min(...shape.planes), 'clearance')}. `
              : ''
          }}Vertical readings judge; the sides tell the shape. Shells are wider toward the parting line by design.
        </p>
      </div>
    </div>
    <div class="columns">
      <div><ReadingRow :name="`${key}.housing`" run="survey" /><ReadingRow :name="`${key}.wall`" run="survey" /></div>
      <div>
        <ReadingRow name="bearings.room" run="survey" />
        <div v-if="set === 'rod'" class="row">
          <span class="what"
            >Crank drilling<span class="origin"
              >fed {{ Math.round(100 * rodDuty(build.sheet!)) }} % of a turn from main
              {{ build.sheet!.layout.feed[number - 1] }}; at {{ units.say(feed.speed, 'speed') }} the gallery must hold
              {{ units.say(feed.pressure, 'pressure') }}</span
            ></span
          ><ChoiceField
            label="Crank drilling"
            :value="build.sheet!.choices['crank.drilling'] ?? 'single'"
            :options="DRILLINGS"
            @choose="build.change([{ op: 'add', path: '/choices/crank.drilling', value: $event }], 'Crank drilling')"
          />
        </div>
        <ReadingRow v-if="set === 'rod'" :name="`${key}.side`" run="survey" />
      </div>
    </div>

    <div class="columns block">
      <section>
        <h2>By strip</h2>
        <div class="strip-row">
          <ChoiceField
            label="Strip gauge"
            :value="scale.name"
            :options="shop.house.strips.map((each) => ({ value: each.name, words: each.name }))"
            @choose="scaleName = $event"
          />
          <label
            >Width
            <InputText
              v-model="width"
              aria-label="Width of the flattened strip"
              :aria-invalid="!!stripProblem"
              @keydown.enter.prevent="readStrip"
            />
            {{ units.unit('length').symbol }}</label
          ><Button type="button" variant="outlined" @click="readStrip">Read</Button>
        </div>
        <p v-if="stripProblem" class="wrong" role="alert">{{ stripProblem }}</p>
        <svg
          class="strip-scale"
          :viewBox="`0 0 330 64`"
          role="img"
          aria-label="The sleeve’s printed scale at its own size"
        >
          <g v-for="(line, i) in scale.lines" :key="line.width" :transform="`translate(${8 + 64 * i} 4)`">
            <rect :width="line.width * PER_METRE" height="34" class="printed" />
            <text y="54" class="figure-text">{{ gap(line.clearance) }}</text>
          </g>
        </svg>
      </section>
      <section>
        <h2>Old shell</h2>
        <div class="conditions" role="group" :aria-label="`Old shell of ${record.label}`">
          <button
            v-for="condition in CONDITIONS"
            :key="condition"
            type="button"
            :aria-pressed="found?.finding === condition"
            :class="{ bad: condition !== GOOD }"
            @click="inspect(condition)"
          >
            {{ condition }}
          </button>
        </div>
        <p v-if="found" class="quiet">
          {{
            found.finding === GOOD
              ? 'Worn evenly: nothing against its journal.'
              : found.finding === 'pounded' || found.finding === 'overlay gone'
                ? 'Overloaded or worn out: a three-layer shell, and look at what loaded it.'
                : found.finding === 'worn on one edge'
                  ? 'Taper, a bent rod or a housing out of line: measure both planes.'
                  : 'Dirt or heat went through: wash every gallery, look at filter and bypass.'
          }}
          {{ found.by }}
        </p>
        <div v-if="found" class="photo-row">
          <label class="take"
            >Photograph it<input
              type="file"
              accept="image/*"
              :aria-label="`Photo of the old shell of ${record.label}`"
              @change="photograph"
          /></label>
          <a
            v-for="photo in found.photos ?? []"
            :key="photo"
            :href="`/api/builds/${build.id}/photos/${photo}`"
            target="_blank"
            ><img
              :src="`/api/builds/${build.id}/photos/${photo}`"
              :alt="`Old shell of ${record.label}`"
              width="60"
              height="44"
              loading="lazy"
          /></a>
        </div>
        <p v-if="photoProblem" class="wrong" role="alert">{{ photoProblem }}</p>
      </section>
    </div>
    <FilmPanel :key="key" :set="set" :number="number" />
  </div>
</template>

<style scoped>
.grid {
  width: 100%;
  border-collapse: collapse;
}
.grid th {
  font-weight: 400;
  color: var(--quiet);
  text-align: right;
  padding-right: 8px;
  white-space: nowrap;
}
.grid th:first-child {
  text-align: left;
}
.grid td {
  text-align: right;
}
.grid tr {
  border-top: 1px solid var(--rule);
}
.grid thead tr {
  border: 0;
}
.grid :deep(input) {
  width: 86px;
  padding-inline: 4px;
  font-size: 17px;
}
.judged {
  display: grid;
  grid-template-columns: minmax(210px, 1fr) minmax(440px, 3fr);
  gap: 12px 34px;
  align-items: start;
  padding: 4px 0 14px;
}
.survey {
  display: grid;
  grid-template-columns: auto minmax(200px, 1fr);
  gap: 8px 30px;
  align-items: start;
  padding-bottom: 10px;
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
.shape {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 3px 20px;
  margin: 8px 0 0;
  border-top: 1px solid var(--rule);
  padding-top: 6px;
}
.shape dd {
  margin: 0;
  text-align: right;
  min-width: 60px;
}
.strip-row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.strip-row .p-inputtext {
  width: 92px;
  height: 44px;
  font-size: 18px;
  text-align: right;
  font-family: var(--mono);
}
.strip-scale {
  width: 330px;
  max-width: 100%;
  margin-top: 10px;
  display: block;
}
.strip-scale text {
  font-family: var(--mono);
  font-size: 13px;
  fill: var(--quiet);
}
.printed {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 0.8;
}
.conditions {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}
.conditions button {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: none;
  cursor: pointer;
}
.conditions button[aria-pressed='true'] {
  background: var(--pass);
  border-color: var(--pass);
  color: var(--sheet);
  font-weight: 650;
}
.conditions button.bad[aria-pressed='true'] {
  background: var(--watch);
  border-color: var(--watch);
}
.photo-row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.photo-row img {
  object-fit: cover;
  display: block;
  border: 1px solid var(--rule);
}
.take {
  position: relative;
  overflow: hidden;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  color: var(--petrol);
  font-weight: 600;
  cursor: pointer;
}
.take input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.take:focus-within {
  outline: 2px solid var(--petrol);
  outline-offset: 2px;
}
.row .origin {
  white-space: normal;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 900px) {
  .judged,
  .survey {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 760px) {
  .grid :deep(input) {
    width: 66px;
    font-size: 15px;
  }
}
</style>
