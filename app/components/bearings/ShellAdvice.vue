<script setup lang="ts">
import { t } from '~/words/of/bearings'
import { adviseGroove, adviseShell } from '#core/bearing/shell'
import { requireValue } from '#core/engine/values'
import { COMBINED_ROUGHNESS } from '#core/outlook/journalFilm'
import { ARCS } from '#core/outlook/grooves'

/** Which shells for this engine: construction and groove, each advised with its reason. */
const build = useBuild()

/** Greatest load at working speed, from the orbit's own loads. */
const { value: specific, error } = useAnswer(
  async (_, slow) => {
    const sheet = build.sheet
    if (!sheet) return undefined
    const found = await slow().orbits(sheet, {
      speed: requireValue(sheet, 'brief.maximumSpeed').value,
      temperature: requireValue(sheet, 'brief.hotOil').value,
    })
    return found && found.length > 0 ? Math.max(...found.map((each) => each.specificLoad)) : undefined
  },
  () => build.sheet,
)
const shell = computed(() => (specific.value ? adviseShell(specific.value, build.sheet!.use) : undefined))
const { value: grooves, error: unfound } = useAnswer(
  (_, slow) => (build.sheet ? slow().grooves(build.sheet, [build.sheet.oil.grade]) : undefined),
  () => build.sheet,
)
const groove = computed(() => {
  const film = (arc: number) => grooves.value?.find((row) => row.arc === arc)?.with[0].film.best
  const [half, full] = [film(180), film(360)]
  return half === undefined || full === undefined ? undefined : adviseGroove(half, full, COMBINED_ROUGHNESS)
})
const units = useUnits()
const shellReason = computed(() => {
  if (!shell.value) return undefined
  const { construction, load, bears, hard } = shell.value
  const values = { load: filmPressure(load), bears: filmPressure(bears) }
  if (construction === 'two-layer') return t(hard ? 'shellAdvice.bearsHard' : 'shellAdvice.bears', values)
  return t(hard ? 'shellAdvice.poundsOutHard' : 'shellAdvice.poundsOut', values)
})
const grooveReason = computed(
  () =>
    groove.value &&
    t(groove.value.arc === 360 ? 'shellAdvice.fullBears' : 'shellAdvice.halfBears', {
      full: units.sayFilm(groove.value.full),
      half: units.sayFilm(groove.value.half),
    }),
)
const CONSTRUCTIONS = [
  { value: 'open', words: t('shellAdvice.notDecided') },
  { value: 'two-layer', words: t('shellAdvice.twoLayer') },
  { value: 'three-layer', words: t('shellAdvice.threeLayer') },
]
const NAMES: Record<number, string> = {
  0: t('shellAdvice.none'),
  180: t('shellAdvice.halfCircle'),
  360: t('shellAdvice.fullCircle'),
}
const arc = computed(() => String(build.sheet!.layout.mainGroove))
const arcs = computed(() =>
  [...new Set([...ARCS, build.sheet!.layout.mainGroove])]
    .sort((a, b) => a - b)
    .map((value) => ({ value: String(value), words: NAMES[value] ?? `${value}°` })),
)
const construction = computed(() => build.sheet!.choices['shell.construction'] ?? 'open')
function decide(value: string) {
  const path = '/choices/shell.construction'
  if (value !== 'open') void build.change([{ op: 'add', path, value }], t('shellAdvice.shellConstruction'))
  else if (construction.value !== 'open')
    void build.change([{ op: 'remove', path }], t('shellAdvice.shellConstruction'))
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>{{ t('shellAdvice.construction') }}</h2>
      <div class="row">
        <span class="what"
          >{{ t('shellAdvice.shells')
          }}<span v-if="shell" class="origin">{{
            t(shell.construction === 'two-layer' ? 'shellAdvice.twoLayerAdvised' : 'shellAdvice.threeLayerAdvised')
          }}</span></span
        ><ChoiceField
          :label="t('shellAdvice.shellConstruction')"
          :value="construction"
          :options="CONSTRUCTIONS"
          @choose="decide"
        />
      </div>
      <p class="quiet reason" data-testid="advice">
        {{
          shell
            ? shellReason
            : error
              ? t('shellAdvice.theLoadsCouldNotBeComputed')
              : t('shellAdvice.workingOutTheLoads')
        }}
      </p>
    </section>
    <section>
      <h2>{{ t('shellAdvice.grooveOfTheMains') }}</h2>
      <div class="row">
        <span class="what"
          >{{ t('shellAdvice.arc')
          }}<span v-if="groove" class="origin">{{
            t('shellAdvice.advisedAMainsOwnShellsStand', { arc: groove.arc })
          }}</span></span
        ><ChoiceField
          :label="t('shellAdvice.grooveArc')"
          :value="arc"
          :options="arcs"
          @choose="
            build.change([{ op: 'replace', path: '/layout/mainGroove', value: Number($event) }], 'Groove of the mains')
          "
        />
      </div>
      <p class="quiet reason">
        {{
          groove
            ? grooveReason
            : unfound
              ? t('shellAdvice.theFilmsCouldNotBeComputed')
              : t('shellAdvice.workingOutTheFilms')
        }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.reason {
  padding-top: 6px;
}
</style>
