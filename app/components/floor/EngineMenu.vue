<script setup lang="ts">
import { t } from '~/words/of/floor'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { v4 as uuid } from 'uuid'
import { KEPT_DAYS, NameOf, type Place } from '#core/house/floor'
import { BuildNames } from '#core/record/begin'
import { copyOf } from '#core/record/copy'
import { ask, refusedWords } from '~/sync/ask'
import { stationPath } from '~/composables/stations'
import type { Listed } from '~/sync/routes'
import { IDENTITY, useSync } from '~/sync/useSync'

/** What can be done with an engine of the floor: another name, a copy, put by, deleted, brought back. */
const { build } = defineProps<{ build: Listed }>()
const emit = defineEmits<{ changed: [] }>()
const sync = useSync()
const person = usePerson()
const menu = useTemplateRef<{ toggle: (event: Event) => void }>('menu')
const asked = ref<'rename' | 'copy' | 'delete'>()
const open = computed({ get: () => asked.value !== undefined, set: (is) => !is && (asked.value = undefined) })
const problem = ref('')
const busy = ref(false)

function begin(what: NonNullable<typeof asked.value>) {
  problem.value = ''
  asked.value = what
}
/** What stands in the field to begin with. */
const first = computed(() => ({
  name:
    asked.value === 'rename' ? build.name : asked.value === 'copy' ? t('engineMenu.second', { name: build.name }) : '',
}))
const resolver = computed(() =>
  zodResolver(asked.value === 'delete' ? NameOf(build.name) : BuildNames.pick({ name: true })),
)
const items = computed(() =>
  build.place === 'deleted'
    ? [{ label: t('engineMenu.bringBack'), command: () => void move('floor') }]
    : [
        { label: t('engineMenu.traceIt'), command: () => void navigateTo(stationPath(build.id, 'trace')) },
        { label: t('engineMenu.rename'), command: () => begin('rename') },
        { label: t('engineMenu.copyAsANewBuild'), command: () => begin('copy') },
        build.place === 'archive'
          ? { label: t('engineMenu.bringBackToTheFloor'), command: () => void move('floor') }
          : { label: t('engineMenu.archive'), command: () => void move('archive') },
        { label: t('engineMenu.delete'), command: () => begin('delete') },
      ],
)
const HEADS = { rename: t('engineMenu.rename'), copy: t('engineMenu.copyAsANewBuild'), delete: t('engineMenu.delete') }
const TOLD = {
  rename: t('engineMenu.whatTheWorkshopCallsThisEngine'),
  copy: t('engineMenu.takesOverLayoutUseOilsTarget'),
  delete: t('engineMenu.itIsKeptForDaysAnd', { keptDays: KEPT_DAYS }),
}

/** Does it, with what is wrong said and what was typed kept. */
async function doing(work: () => Promise<unknown>) {
  problem.value = ''
  busy.value = true
  try {
    await work()
    asked.value = undefined
    emit('changed')
  } catch (error) {
    problem.value = refusedWords(error, t('engineMenu.theServerDoesNotAnswerWhat'))
  } finally {
    busy.value = false
  }
}
const move = (place: Place, name?: string) =>
  doing(() =>
    ask('PUT /api/builds/:build/place', {
      at: { build: build.id },
      body: { place, name, who: person.who || undefined },
    }),
  )
async function rename(name: string) {
  const key = uuid()
  const body = {
    clientKey: key,
    device: IDENTITY,
    base: build.revision,
    who: person.who || 'Someone',
    patch: [{ op: 'replace' as const, path: '/name', value: name }],
    reason: '',
  }
  await sync.enter({
    key,
    kind: 'build',
    document: build.id,
    label: t('engineMenu.name'),
    url: `/api/builds/${build.id}/entries`,
    body,
  })
  await sync.send()
}
async function copy(name: string) {
  const { sheet } = await ask('GET /api/builds/:build', { at: { build: build.id } })
  const made = await ask('POST /api/builds', { body: { id: uuid(), sheet: copyOf(sheet, name) } })
  await navigateTo(`/build/${made.id}/brief`)
}
function submit({ valid, values }: { valid: boolean; values?: unknown }) {
  if (!valid) return
  const name = (values as { name: string }).name.trim()
  if (asked.value === 'delete') return move('deleted', name)
  return doing(() => (asked.value === 'rename' ? rename(name) : copy(name)))
}
</script>

<template>
  <div class="of">
    <Button
      type="button"
      variant="text"
      class="dots"
      aria-haspopup="menu"
      :aria-label="t('engineMenu.menuOf', { name: build.name })"
      @click="menu?.toggle($event)"
      >⋯</Button
    >
    <Menu ref="menu" :model="items" popup />
    <p v-if="problem && !open" class="wrong" role="alert">{{ problem }}</p>
    <Dialog v-model:visible="open" modal :header="asked && `${HEADS[asked]}: ${build.name}`" class="asked">
      <Form v-if="asked" class="asks" :resolver="resolver" :initial-values="first" @submit="submit">
        <p>{{ TOLD[asked] }}</p>
        <FormLine name="name" :label="t('engineMenu.name')" maxlength="120" autofocus :refused="problem" />
        <span class="actions"
          ><Button type="submit" :severity="asked === 'delete' ? 'danger' : undefined" :disabled="busy">{{
            HEADS[asked]
          }}</Button
          ><Button type="button" variant="text" @click="asked = undefined">{{ t('engineMenu.cancel') }}</Button></span
        >
      </Form>
    </Dialog>
  </div>
</template>

<style scoped>
.dots {
  width: 44px;
  height: 44px;
  font-size: 22px;
  padding: 0;
}
.wrong {
  color: var(--stop);
  margin: 6px 0;
}
.asks {
  display: grid;
  gap: 10px;
  width: min(460px, calc(100vw - 80px));
}
.asks p {
  margin: 0;
  line-height: 1.35;
}
.actions {
  display: flex;
  gap: 8px;
}
</style>
