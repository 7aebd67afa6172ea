<script setup lang="ts">
import { t } from '~/words/of/frame'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { Passphrase, Pin } from '#core/house/forms'
import type { Access, Person } from '#core/house/people'
import { ask, refusedWords } from '~/sync/ask'
import { remember, remembered } from '~/sync/browserStorage'

/** Who is at this device: the shop's passphrase once, then a name and a PIN. */
const access = useAccess()
useHead({ title: t('signIn.signInUldo') })
/** How it stands now, asked anew: what the page knew may have run out. */
const now = shallowRef<Access>()
const knowing = zodResolver(Passphrase)
const signing = zodResolver(Pin)
type Submitted = { valid: boolean; values?: unknown; reset: () => void }
const chosen = ref<Person>()
const problem = ref('')
const busy = ref(false)
/** Whether the passphrase is shown while it is typed: on a tablet in a shop a slip is likelier than an onlooker. */
const shown = ref(false)

async function look() {
  now.value = await ask('GET /api/access').catch(() => undefined)
  const last = remembered('uldo.person', '')
  chosen.value ??= now.value?.people.find(({ id }) => id === last)
}
onMounted(look)

async function send(work: () => Promise<unknown>): Promise<boolean> {
  if (busy.value) return false
  busy.value = true
  problem.value = ''
  try {
    await work()
    return true
  } catch (error) {
    problem.value = refusedWords(error)
    return false
  } finally {
    busy.value = false
  }
}
async function know({ valid, values }: Submitted) {
  problem.value = ''
  if (valid && (await send(() => ask('POST /api/access/passphrase', { body: Passphrase.parse(values) })))) await look()
}
const pinForm = useTemplateRef<{ $el: HTMLFormElement }>('pinForm')
const atPin = () => void nextTick(() => pinForm.value?.$el.querySelector('input')?.focus())
function choose(person: Person) {
  chosen.value = person
  problem.value = ''
  atPin()
}
async function signIn({ valid, values, reset }: Submitted) {
  problem.value = ''
  if (!chosen.value || !valid) return
  const body = { person: chosen.value.id, ...Pin.parse(values) }
  if (!(await send(() => ask('POST /api/access/sign-in', { body })))) {
    reset()
    return atPin()
  }
  remember('uldo.person', chosen.value.id)
  await access.begin()
}
</script>

<template>
  <main class="sign-in">
    <div class="sheet-of-it">
      <p class="mark"><img src="/mark.svg" alt="" width="26" height="26" /> {{ t('signIn.uldo') }}</p>
      <p v-if="access.lost" class="quiet" role="status">{{ t('signIn.yourSignInHasEndedWhat') }}</p>
      <template v-if="!now"
        ><h1>{{ t('signIn.signIn') }}</h1>
        <p class="quiet">
          {{ t('signIn.askingTheServer') }}
          <Button type="button" variant="outlined" @click="look">{{ t('signIn.askAgain') }}</Button>
        </p></template
      >
      <Form
        v-else-if="!now.device"
        :resolver="knowing"
        :initial-values="{ passphrase: '' }"
        class="asking"
        @submit="know"
      >
        <h1>{{ t('signIn.thisDeviceIsNewHere') }}</h1>
        <FormLine
          name="passphrase"
          :label="t('signIn.passphraseOfTheShop')"
          :type="shown ? 'text' : 'password'"
          autocomplete="current-password"
          maxlength="400"
          :refused="problem"
          autofocus
        />
        <Button type="button" variant="text" :aria-pressed="shown" @click="shown = !shown">{{
          t(shown ? 'signIn.hideIt' : 'signIn.showIt')
        }}</Button>
        <Button type="submit" :disabled="busy">{{ t('signIn.letItIn') }}</Button>
        <p class="quiet">{{ t('signIn.askedForOnceOnEachDevice') }}</p>
      </Form>
      <template v-else>
        <h1>{{ t('signIn.whoIsHere') }}</h1>
        <p v-if="now.people.length === 0">
          {{ t('signIn.nobodyHasAPinYetAn') }}
        </p>
        <div class="people" role="group" :aria-label="t('signIn.people')">
          <Button
            v-for="each in now.people"
            :key="each.id"
            type="button"
            :variant="chosen?.id === each.id ? undefined : 'outlined'"
            :aria-pressed="chosen?.id === each.id"
            @click="choose(each)"
            >{{ each.name }}</Button
          >
        </div>
        <Form
          v-if="chosen"
          :key="chosen.id"
          ref="pinForm"
          :resolver="signing"
          :initial-values="{ pin: '' }"
          class="asking"
          @submit="signIn"
        >
          <FormLine
            name="pin"
            :label="t('signIn.pinOf', { name: chosen.name })"
            type="password"
            inputmode="numeric"
            maxlength="20"
            :refused="problem"
          />
          <Button type="submit" :disabled="busy">{{ t('signIn.signIn') }}</Button>
        </Form>
      </template>
    </div>
  </main>
</template>

<style scoped>
.sign-in {
  position: fixed;
  inset: 0;
  z-index: 60;
  background: var(--paper);
  overflow-y: auto;
  padding: 8vh 16px 16px;
}
.sheet-of-it {
  max-width: 520px;
  margin: 0 auto;
  display: grid;
  gap: 14px;
}
.mark {
  display: flex;
  align-items: center;
  gap: 10px;
  font-weight: 700;
  font-size: 20px;
  margin: 0;
}
h1 {
  margin: 0 0 4px;
}
.asking {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.people {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.people .p-button {
  min-height: 52px;
  min-width: 120px;
  font-size: 18px;
}
.form-line {
  width: 100%;
  max-width: 420px;
}
.form-line :deep(input) {
  height: 52px;
  font-size: 20px;
}
</style>
