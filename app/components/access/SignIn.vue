<script setup lang="ts">
import type { Access, Person } from '#core/house/people'
import { ask, refusedWords } from '~/sync/ask'
import { remember, remembered } from '~/sync/browserStorage'

/** Who is at this device: the shop's passphrase once, then a name and a PIN. */
const access = useAccess()
useHead({ title: 'Sign in · Uldo' })
/** How it stands now, asked anew: what the page knew may have run out. */
const now = shallowRef<Access>()
const passphrase = ref('')
const pin = ref('')
const chosen = ref<Person>()
const problem = ref('')
const busy = ref(false)

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
async function know() {
  if (!passphrase.value) return void (problem.value = 'Type the shop’s passphrase.')
  if (await send(() => ask('POST /api/access/passphrase', { body: { passphrase: passphrase.value } }))) {
    passphrase.value = ''
    await look()
  }
}
const pinField = useTemplateRef<{ $el: HTMLInputElement }>('pinField')
function choose(person: Person) {
  chosen.value = person
  pin.value = ''
  problem.value = ''
  void nextTick(() => pinField.value?.$el.focus())
}
async function signIn() {
  if (!chosen.value) return
  if (!pin.value) return void (problem.value = 'Type your PIN.')
  const body = { person: chosen.value.id, pin: pin.value }
  if (!(await send(() => ask('POST /api/access/sign-in', { body })))) {
    pin.value = ''
    pinField.value?.$el.focus()
    return
  }
  remember('uldo.person', chosen.value.id)
  await access.begin()
}
</script>

<template>
  <main class="sign-in">
    <div class="sheet-of-it">
      <p class="mark"><img src="/mark.svg" alt="" width="26" height="26" /> Uldo</p>
      <p v-if="access.lost" class="quiet" role="status">Your sign-in has ended. What you typed is kept on this page.</p>
      <template v-if="!now"
        ><h1>Sign in</h1>
        <p class="quiet">
          Asking the server. <Button type="button" variant="outlined" @click="look">Ask again</Button>
        </p></template
      >
      <form v-else-if="!now.device" @submit.prevent="know">
        <h1>This device is new here</h1>
        <label class="field"
          >Passphrase of the shop<InputText
            v-model="passphrase"
            type="password"
            autocomplete="current-password"
            maxlength="400"
            :aria-invalid="!!problem"
            aria-describedby="why"
            autofocus
        /></label>
        <Button type="submit" :disabled="busy">Let it in</Button>
        <p class="quiet">Asked for once on each device. An owner knows it.</p>
      </form>
      <template v-else>
        <h1>Who is here?</h1>
        <p v-if="now.people.length === 0">
          Nobody has a PIN yet: an owner gives one on the shop’s own machine, under House rules, People.
        </p>
        <div class="people" role="group" aria-label="People">
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
        <form v-if="chosen" @submit.prevent="signIn">
          <label class="field"
            >PIN of {{ chosen.name
            }}<InputText
              ref="pinField"
              v-model="pin"
              type="password"
              inputmode="numeric"
              autocomplete="off"
              maxlength="20"
              :aria-invalid="!!problem"
              aria-describedby="why"
          /></label>
          <Button type="submit" :disabled="busy">Sign in</Button>
        </form>
      </template>
      <p v-if="problem" id="why" class="wrong" role="alert">{{ problem }}</p>
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
form {
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
.field {
  display: grid;
  gap: 4px;
  color: var(--quiet);
  width: 100%;
}
.p-inputtext {
  height: 52px;
  font-size: 20px;
  width: 100%;
  max-width: 420px;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
</style>
