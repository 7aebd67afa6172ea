<script setup lang="ts">
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { t } from '~/words/of/papers'
import { LINK_DAYS, LinkForm, linkEndFault } from '#core/house/guest'
import { codePath } from '~/papers/codePath'
import { ask, refusedWords } from '~/sync/ask'
import type { GuestLink } from '~/sync/routes'
import { dateOf, momentOf } from '~/words/dates'

/** Links by which customers look at this engine's gauge card and sheet: whom each is for, until when; made, ended. */
const { address } = defineProps<{
  /** Where the shop is reached. */
  address: string
}>()
const build = useBuild()
const access = useAccess()
const person = usePerson()
const links = shallowRef<GuestLink[]>()
const problem = ref('')
const endsWrong = ref<string>()
const made = ref<{ name: string; address: string }>()
const copied = ref(false)

const day = (ms: number) => {
  const at = new Date(ms)
  const two = (figure: number) => String(figure).padStart(2, '0')
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
}
const DAY = 86400e3
const first = { name: '', until: day(Date.now() + LINK_DAYS.usual * DAY) }
const resolver = zodResolver(LinkForm)

async function load() {
  links.value = await ask('GET /api/builds/:build/links', { at: { build: build.id! } })
}
async function act(work: () => Promise<unknown>) {
  problem.value = ''
  try {
    await work()
    await load()
  } catch (error) {
    problem.value = refusedWords(error, t('links.notReached'))
  }
}
onMounted(() => act(load))
function make({ valid, values, reset }: { valid: boolean; values?: unknown; reset: () => void }) {
  endsWrong.value = undefined
  if (!valid) return
  const { name, until } = LinkForm.parse(values)
  // The day is over where the builder stands.
  const end = new Date(`${until}T23:59:59`)
  endsWrong.value = linkEndFault(end.getTime(), Date.now())
  if (endsWrong.value) return
  void act(async () => {
    const { secret } = await ask('POST /api/builds/:build/links', {
      at: { build: build.id! },
      body: { name, until: end.toISOString(), ...(access.needed ? {} : { who: person.who || 'Someone' }) },
    })
    made.value = { name, address: `${address}/guest#${secret}` }
    copied.value = false
    reset()
  })
}
const end = (link: string) =>
  act(() => ask('DELETE /api/builds/:build/links/:link', { at: { build: build.id!, link } }))
async function copy() {
  copied.value = await navigator.clipboard?.writeText(made.value!.address).then(
    () => true,
    () => false,
  )
}
const code = computed(() => made.value && codePath(made.value.address))
</script>

<template>
  <section class="links" :aria-label="t('links.forCustomers')">
    <h3>{{ t('links.forCustomers') }}</h3>
    <p class="quiet">{{ t('links.about') }}</p>
    <div v-for="each in links" :key="each.id" class="row wide" :data-link="each.name">
      <span class="what"
        >{{ each.name
        }}<span class="origin">{{
          t('links.stands', {
            until: dateOf(each.until),
            who: each.madeBy,
            used: each.usedAt ? t('links.lastOpened', { when: momentOf(each.usedAt) }) : t('links.neverOpened'),
          })
        }}</span></span
      >
      <Button
        type="button"
        variant="outlined"
        :aria-label="t('links.endThatOf', { name: each.name })"
        @click="end(each.id)"
        >{{ t('links.endIt') }}</Button
      >
    </div>
    <p v-if="links?.length === 0" class="quiet">{{ t('links.none') }}</p>
    <Form class="adding" :resolver="resolver" :initial-values="first" @submit="make">
      <FormLine name="name" :label="t('links.for')" maxlength="60" />
      <FormLine name="until" :label="t('links.until')" type="date" :refused="endsWrong" />
      <Button type="submit" variant="outlined">{{ t('links.make') }}</Button>
    </Form>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div v-if="made && code" class="made" role="status">
      <svg :viewBox="`0 0 ${code.size} ${code.size}`" role="img" :aria-label="t('links.code')">
        <path :d="code.path" />
      </svg>
      <div>
        <p>{{ t('links.shownOnce', { name: made.name }) }}</p>
        <code data-testid="link">{{ made.address }}</code>
        <Button type="button" variant="outlined" @click="copy">{{
          copied ? t('links.copied') : t('links.copy')
        }}</Button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.links {
  max-width: 760px;
  margin-bottom: 26px;
  padding: 4px 0 18px;
  border-bottom: 1px solid var(--rule);
}
h3 {
  margin: 0;
}
.wrong {
  color: var(--stop);
}
.adding {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  padding: 12px 0;
}
.adding .form-line {
  flex: 1;
  min-width: 180px;
  max-width: 320px;
}
.made {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  border: 1px solid var(--watch);
  border-left-width: 6px;
  padding: 10px 14px;
}
.made > div {
  flex: 1;
  min-width: 220px;
}
.made p {
  margin: 0 0 6px;
}
.made svg {
  width: 148px;
  background: #fff;
  flex: none;
}
code {
  display: block;
  font-family: var(--mono);
  overflow-wrap: anywhere;
  margin-bottom: 8px;
}
@media print {
  .links {
    display: none;
  }
}
</style>
