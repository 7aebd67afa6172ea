<script setup lang="ts">
import { adviseGroove, adviseShell } from '#core/bearing/shell'
import { requireValue } from '#core/engine/values'
import { oilAt } from '#core/oil/oil'
import { oilOf } from '#core/record/oil'

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
const groove = computed(() =>
  adviseGroove(oilAt(oilOf(build.sheet!), requireValue(build.sheet!, 'brief.hotOil').value).filmViscosity),
)
const CONSTRUCTIONS = [
  { value: 'open', words: 'not decided' },
  { value: 'two-layer', words: 'two-layer' },
  { value: 'three-layer', words: 'three-layer' },
]
const GROOVES: { value: '180' | '360'; words: string }[] = [
  { value: '180', words: 'half circle' },
  { value: '360', words: 'full circle' },
]
const arc = computed(() => (build.sheet!.layout.mainGroove === 360 ? ('360' as const) : ('180' as const)))
const construction = computed(() => build.sheet!.choices['shell.construction'] ?? 'open')
function decide(value: string) {
  const path = '/choices/shell.construction'
  if (value !== 'open') void build.change([{ op: 'add', path, value }], 'Shell construction')
  else if (construction.value !== 'open') void build.change([{ op: 'remove', path }], 'Shell construction')
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>Construction</h2>
      <div class="row">
        <span class="what"
          >Shells<span v-if="shell" class="origin">{{ shell.construction }} advised</span></span
        ><ChoiceField label="Shell construction" :value="construction" :options="CONSTRUCTIONS" @choose="decide" />
      </div>
      <p class="quiet reason" data-testid="advice">
        {{ shell ? `${shell.reason}.` : error ? 'The loads could not be computed.' : 'Working out the loads.' }}
      </p>
    </section>
    <section>
      <h2>Groove of the mains</h2>
      <div class="row">
        <span class="what"
          >Arc<span class="origin">{{ groove.arc }}° advised</span></span
        ><ChoiceField
          label="Groove arc"
          :value="arc"
          :options="GROOVES"
          @choose="
            build.change([{ op: 'replace', path: '/layout/mainGroove', value: Number($event) }], 'Groove of the mains')
          "
        />
      </div>
      <p class="quiet reason">{{ groove.reason.replace(/^./, (letter) => letter.toUpperCase()) }}.</p>
    </section>
  </div>
</template>

<style scoped>
.reason {
  padding-top: 6px;
}
</style>
