<script setup lang="ts">
import { t } from '~/words/of/frame'
import {
  type Drawing,
  drawingsOf,
  fileName,
  giveFile,
  giveReadingsCsv,
  pngOf,
  svgText,
} from '~/composables/drawingFile'
import { UNIT_CHOICES } from '#core/quantity/unitChoices'

/** What the open page can do beside its work, for a finger as for a key: take back, take out as files, go elsewhere; on a narrow screen who records and in which units too. */
const { hands } = defineProps<{ hands: { value: string; words: string }[] }>()
const emit = defineEmits<{ keys: []; words: [] }>()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const access = useAccess()
const panel = useTemplateRef<{ toggle: (event: Event) => void; hide: () => void }>('panel')
const drawings = shallowRef<Drawing[]>([])
const problem = ref('')

function open(event: Event) {
  drawings.value = drawingsOf(document.querySelector('main') ?? document.body)
  problem.value = ''
  panel.value?.toggle(event)
}
function close(work: () => unknown) {
  panel.value?.hide()
  work()
}
const csv = () => giveReadingsCsv(build.sheet!, units.unit)
const nameOf = ({ name }: Drawing) => fileName(build.sheet?.name ?? t('pageMenu.uldo'), name)
const asSvg = async (drawing: Drawing) =>
  giveFile(`${nameOf(drawing)}.svg`, new Blob([await svgText(drawing.svg)], { type: 'image/svg+xml' }))
async function asPng(drawing: Drawing) {
  try {
    giveFile(`${nameOf(drawing)}.png`, await pngOf(drawing.svg))
  } catch {
    problem.value = t('pageMenu.thisBrowserCannotMakeAPicture')
  }
}
const print = () => window.print()
</script>

<template>
  <Button type="button" variant="text" class="opener" aria-haspopup="dialog" @click="open">{{
    t('pageMenu.menu')
  }}</Button>
  <Popover ref="panel" :aria-label="t('pageMenu.menu')" class="page-menu">
    <div class="narrow">
      <OthersHere class="item" />
      <ChoiceField
        v-if="!access.needed"
        :label="t('pageMenu.whoIsRecordingInTheMenu')"
        :value="person.who || 'nobody'"
        :options="hands"
        @choose="person.who = $event === 'nobody' ? '' : $event"
      />
      <NuxtLink v-else class="item" to="/house?view=people">{{ t('pageMenu.signedIn', { who: person.who }) }}</NuxtLink>
      <ChoiceField
        :label="t('pageMenu.unitsInTheMenu')"
        :value="units.choiceName"
        :options="Object.keys(UNIT_CHOICES).map((name) => ({ value: name, words: name }))"
        @choose="units.choiceName = $event"
      />
      <Button type="button" variant="text" class="item" @click="person.flipScheme()">{{
        person.scheme === 'dark' ? t('pageMenu.lightScheme') : t('pageMenu.darkScheme')
      }}</Button>
    </div>
    <template v-if="build.sheet && build.id">
      <Button type="button" variant="text" class="item" @click="close(() => build.undo())">{{
        t('pageMenu.undoTheLastChange')
      }}</Button>
      <Button type="button" variant="text" class="item" @click="close(() => build.redo())">{{
        t('pageMenu.redo')
      }}</Button>
      <h2>{{ t('pageMenu.takeOut') }}</h2>
      <a class="item" :href="`/api/builds/${build.id}/file`" download @click="panel?.hide()">{{
        t('pageMenu.buildFile')
      }}</a>
      <a class="item" :href="`/api/builds/${build.id}/archive`" download @click="panel?.hide()">{{
        t('pageMenu.archiveWithHistory')
      }}</a>
      <Button type="button" variant="text" class="item" @click="close(csv)">{{ t('pageMenu.readingsCsv') }}</Button>
      <div v-for="drawing in drawings" :key="drawing.name" class="out">
        <span>{{ drawing.name }}</span>
        <Button type="button" variant="text" :aria-label="`${drawing.name}, SVG`" @click="asSvg(drawing)">{{
          t('pageMenu.svg')
        }}</Button>
        <Button type="button" variant="text" :aria-label="`${drawing.name}, PNG`" @click="asPng(drawing)">{{
          t('pageMenu.png')
        }}</Button>
      </div>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    </template>
    <Button type="button" variant="text" class="item" @click="close(print)">{{ t('pageMenu.printThisPage') }}</Button>
    <h2>{{ t('pageMenu.goTo') }}</h2>
    <NuxtLink class="item" to="/" @click="panel?.hide()">{{ t('pageMenu.floor') }}</NuxtLink>
    <NuxtLink class="item" to="/shelf" @click="panel?.hide()">{{ t('pageMenu.shelf') }}</NuxtLink>
    <NuxtLink class="item" to="/house" @click="panel?.hide()">{{ t('pageMenu.houseRules') }}</NuxtLink>
    <NuxtLink class="item" to="/practice" @click="panel?.hide()">{{ t('pageMenu.practiceBench') }}</NuxtLink>
    <Button type="button" variant="text" class="item" @click="close(() => emit('words'))">{{
      t('pageMenu.wordsOfTheTrade')
    }}</Button>
    <Button type="button" variant="text" class="item" @click="close(() => emit('keys'))">{{
      t('pageMenu.keys')
    }}</Button>
  </Popover>
</template>

<style>
.page-menu {
  width: min(340px, calc(100vw - 20px));
}
.page-menu .p-popover-content {
  max-height: calc(100dvh - 70px);
  overflow-y: auto;
  padding: 8px 0;
}
.page-menu .item {
  display: flex;
  align-items: center;
  justify-content: flex-start;
  width: 100%;
  min-height: 44px;
  padding: 0 16px;
  color: var(--ink);
  text-decoration: none;
  font-size: 16px;
  font-weight: 400;
}
.page-menu .item:hover {
  background: var(--petrol-wash);
}
.page-menu h2 {
  font-size: 15px;
  color: var(--quiet);
  font-weight: 600;
  margin: 8px 0 0;
  padding: 8px 16px 0;
  border-top: 1px solid var(--rule);
}
.page-menu .out {
  display: flex;
  align-items: center;
  padding: 0 8px 0 16px;
}
.page-menu .out > span {
  flex: 1;
  line-height: 1.2;
  padding: 4px 0;
}
.page-menu .narrow {
  display: none;
  gap: 8px;
  padding: 4px 16px 8px;
  border-bottom: 1px solid var(--rule);
}
@media (max-width: 760px) {
  .page-menu .narrow {
    display: grid;
  }
  .page-menu .narrow .item {
    padding: 0;
  }
}
</style>
