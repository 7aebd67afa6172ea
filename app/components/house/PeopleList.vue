<script setup lang="ts">
import type { Routes } from '~/sync/routes'
import { type Person, type Role, ROLES, suffices } from '#core/house/people'
import { stretch } from '~/composables/words'
import { ask, refusedWords } from '~/sync/ask'

/** Who works here, what each may, and the PINs by which they sign in over the network. */
const access = useAccess()
const shop = useShop()
const recorder = usePerson()
const ROLE_WORDS: Record<Role, string> = {
  owner: 'Owner: everything',
  builder: 'Builder: records and signs off',
  apprentice: 'Apprentice: records',
  reader: 'Reader: looks',
}
const roles = ROLES.map((role) => ({ value: role, words: ROLE_WORDS[role] }))
/** Whether the hand here may change who works here. */
const rules = computed(() =>
  access.needed ? access.person !== undefined && suffices(access.person.role, 'owner') : true,
)
const people = ref<Person[]>([])
watchEffect(() => (people.value = access.people))
/** Who has to wait after wrong PINs, ms, by id. */
const waits = ref<Record<string, number>>({})
const loadWaits = async () =>
  void (waits.value = rules.value
    ? await ask('GET /api/people').then(
        (found) => found.waits,
        () => ({}),
      )
    : {})
onMounted(loadWaits)
const problem = ref<Record<string, string>>({})
const name = ref('')
const role = ref<Role>('builder')
const settingPin = ref<string>()
const pin = ref('')

const hand = () => (access.needed ? {} : { who: recorder.who || 'Someone' })
async function send(at: string, work: () => Promise<unknown>): Promise<boolean> {
  problem.value = {}
  try {
    await work()
    await Promise.all([access.load(), loadWaits()])
    return true
  } catch (error) {
    problem.value = { [at]: refusedWords(error) }
    return false
  }
}
async function add() {
  if (!name.value.trim()) return void (problem.value = { new: 'Give a first name.' })
  if (
    await send('new', () => ask('POST /api/people', { body: { name: name.value.trim(), role: role.value, ...hand() } }))
  )
    name.value = ''
}
const change = (person: Person, to: Routes['PUT /api/people/:person']['body']) =>
  send(person.id, () => ask('PUT /api/people/:person', { at: { person: person.id }, body: { ...to, ...hand() } }))
async function setPin(person: Person) {
  if (await change(person, { pin: pin.value })) settingPin.value = undefined
  pin.value = ''
}
function openPin(person: Person) {
  settingPin.value = settingPin.value === person.id ? undefined : person.id
  pin.value = ''
  problem.value = {}
}
const pinNow = ref('')
const pinNew = ref('')
const said = ref('')
async function changeOwn() {
  said.value = ''
  try {
    await ask('PUT /api/access/pin', { body: { now: pinNow.value, pin: pinNew.value } })
    said.value =
      'Your PIN is changed. Other devices on which you were signed in ask for the passphrase and the new one.'
    pinNow.value = pinNew.value = ''
  } catch (error) {
    said.value = refusedWords(error)
  }
}
</script>

<template>
  <section aria-label="People">
    <section v-if="access.needed" class="own" aria-label="You">
      <p>
        <b>{{ access.person?.name }}</b> is signed in on this device.
        <Button type="button" variant="outlined" @click="access.signOut()">Sign out</Button>
      </p>
      <form class="adding" @submit.prevent="changeOwn">
        <InputText
          v-model="pinNow"
          type="password"
          inputmode="numeric"
          maxlength="20"
          autocomplete="off"
          aria-label="PIN that stands"
          placeholder="PIN that stands"
        /><InputText
          v-model="pinNew"
          type="password"
          inputmode="numeric"
          maxlength="20"
          autocomplete="off"
          aria-label="New PIN"
          placeholder="new PIN"
        /><Button type="submit" variant="outlined">Change my PIN</Button>
      </form>
      <p v-if="said" role="status">{{ said }}</p>
    </section>
    <div v-for="person in people" :key="person.id" class="row wide person" :data-person="person.name">
      <span class="what"
        >{{ person.name
        }}<span class="origin">{{
          waits[person.id]
            ? `too many wrong PINs: waits ${stretch(waits[person.id]!)}`
            : person.pin
              ? 'signs in with a PIN'
              : rules
                ? 'no PIN: cannot sign in over the network'
                : ''
        }}</span></span
      >
      <span v-if="rules" class="hands">
        <ChoiceField
          :label="`Role of ${person.name}`"
          :value="person.role"
          :options="roles"
          @choose="change(person, { role: $event })"
        />
        <Button
          type="button"
          variant="outlined"
          :aria-label="`${person.pin ? 'Change PIN' : 'Set PIN'} of ${person.name}`"
          @click="openPin(person)"
          >{{ person.pin ? 'Change PIN' : 'Set PIN' }}</Button
        >
        <Button
          v-if="waits[person.id]"
          type="button"
          variant="outlined"
          :aria-label="`Forget wrong PINs of ${person.name}`"
          @click="change(person, { unlock: true })"
          >Unlock</Button
        >
        <Button
          type="button"
          variant="outlined"
          :aria-label="`Remove ${person.name}`"
          @click="change(person, { gone: true })"
          >Remove</Button
        >
      </span>
      <form v-if="settingPin === person.id" class="adding pin" @submit.prevent="setPin(person)">
        <InputText
          v-model="pin"
          type="password"
          inputmode="numeric"
          maxlength="20"
          autocomplete="off"
          :aria-label="`PIN of ${person.name}`"
          placeholder="4 to 12 digits"
          :aria-invalid="!!problem[person.id]"
        /><Button type="submit">Set PIN</Button>
      </form>
      <p v-if="problem[person.id]" class="wrong" role="alert">{{ problem[person.id] }}</p>
    </div>
    <form v-if="rules" class="adding" @submit.prevent="add">
      <InputText
        v-model="name"
        maxlength="60"
        aria-label="First name"
        placeholder="first name"
        :aria-invalid="!!problem.new"
      /><ChoiceField label="Role" :value="role" :options="roles" @choose="role = $event" /><Button
        type="submit"
        variant="outlined"
        >Add</Button
      >
    </form>
    <p v-if="problem.new" class="wrong" role="alert">{{ problem.new }}</p>
    <div class="row wide">
      <span class="what"
        >An apprentice’s values wait for a sign-off<span class="origin"
          >until a builder has looked at them they move no prediction and no verdict</span
        ></span
      >
      <SegmentChoice
        v-if="rules"
        label="Sign-off"
        :value="shop.house.signOff ? 'yes' : 'no'"
        :options="[
          { value: 'yes', words: 'They wait' },
          { value: 'no', words: 'Entered at once' },
        ]"
        @choose="$event && shop.save((next) => (next.signOff = $event === 'yes'))"
      /><span v-else>{{ shop.house.signOff ? 'they wait' : 'entered at once' }}</span>
    </div>
    <p class="quiet">
      On this machine a name is chosen in the top bar. Over the network each signs in, and every entry carries that
      name.
    </p>
    <AccessList v-if="rules" />
  </section>
</template>

<style scoped>
.adding {
  display: flex;
  gap: 10px;
  padding: 12px 0;
  flex-wrap: wrap;
  align-items: center;
}
.p-inputtext {
  height: 44px;
  font-size: 16px;
  flex: 1;
  min-width: 140px;
  max-width: 260px;
}
.hands {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: flex-end;
}
.pin {
  flex-basis: 100%;
  justify-content: flex-end;
  padding: 0 0 8px;
}
.person .wrong {
  flex-basis: 100%;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
.own {
  border: 1px solid var(--rule);
  padding: 8px 14px;
  margin-bottom: 14px;
}
</style>
