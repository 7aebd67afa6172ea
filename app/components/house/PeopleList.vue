<script setup lang="ts">
import { t } from '~/words/of/house'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import type { Routes } from '~/sync/routes'
import { NewPerson, Pin, PinChange } from '#core/house/forms'
import { type Person, type Role, ROLES, suffices } from '#core/house/people'
import { stretch } from '~/composables/words'
import { ask, refusedWords } from '~/sync/ask'

/** Who works here, what each may, and the PINs by which they sign in over the network. */
const access = useAccess()
const shop = useShop()
const recorder = usePerson()
const ROLE_WORDS: Record<Role, string> = {
  owner: t('peopleList.ownerEverything'),
  builder: t('peopleList.builderRecordsAndSignsOff'),
  apprentice: t('peopleList.apprenticeRecords'),
  reader: t('peopleList.readerLooks'),
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
const role = ref<Role>('builder')
const settingPin = ref<string>()
/** What PrimeVue's form hands on. */
type Submitted = { valid: boolean; values?: unknown; reset: () => void }
const newName = zodResolver(NewPerson.pick({ name: true }))
const newPin = zodResolver(Pin)
const pinChange = zodResolver(PinChange)

const SECRET = { type: 'password', inputmode: 'numeric', maxlength: 20 } as const
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
async function add({ valid, values, reset }: Submitted) {
  if (!valid) return
  const person = NewPerson.parse({ role: role.value, ...(values as object) })
  if (await send('new', () => ask('POST /api/people', { body: { ...person, ...hand() } }))) reset()
}
const change = (person: Person, to: Routes['PUT /api/people/:person']['body']) =>
  send(person.id, () => ask('PUT /api/people/:person', { at: { person: person.id }, body: { ...to, ...hand() } }))
async function setPin(person: Person, { valid, values, reset }: Submitted) {
  if (!valid) return
  if (await change(person, Pin.parse(values))) settingPin.value = undefined
  else reset()
}
function openPin(person: Person) {
  settingPin.value = settingPin.value === person.id ? undefined : person.id
  problem.value = {}
}
const said = ref('')
async function changeOwn({ valid, values, reset }: Submitted) {
  said.value = ''
  if (!valid) return
  try {
    await ask('PUT /api/access/pin', { body: PinChange.parse(values) })
    said.value = t('peopleList.yourPinIsChangedOtherDevices')
    reset()
  } catch (error) {
    said.value = refusedWords(error)
  }
}
</script>

<template>
  <section :aria-label="t('peopleList.people')">
    <section v-if="access.needed" class="own" :aria-label="t('peopleList.you')">
      <p>
        <b>{{ access.person?.name }}</b> {{ t('peopleList.isSignedInOnThisDevice') }}
        <Button type="button" variant="outlined" @click="access.signOut()">{{ t('peopleList.signOut') }}</Button>
      </p>
      <Form class="adding" :resolver="pinChange" :initial-values="{ now: '', pin: '' }" @submit="changeOwn">
        <FormLine v-bind="SECRET" name="now" :label="t('peopleList.pinThatStands')" /><FormLine
          v-bind="SECRET"
          name="pin"
          :label="t('peopleList.newPin')"
        /><Button type="submit" variant="outlined">{{ t('peopleList.changeMyPin') }}</Button>
      </Form>
      <p v-if="said" role="status">{{ said }}</p>
    </section>
    <ResultTable
      :rows="people"
      :label="t('peopleList.people')"
      :attributes="(person) => ({ 'data-person': person.name })"
    >
      <Column field="name" :header="t('peopleList.name')" sortable
        ><template #body="{ data }"
          >{{ data.name
          }}<span class="under">{{
            waits[data.id]
              ? t('peopleList.tooManyWrongPinsWaits', { waits: stretch(waits[data.id]!) })
              : data.pin
                ? t('peopleList.signsInWithAPin')
                : rules
                  ? t('peopleList.noPinCannotSignInOver')
                  : ''
          }}</span></template
        ></Column
      ><Column v-if="rules" field="role" :header="t('peopleList.may')" class="words" sortable
        ><template #body="{ data }"
          ><ChoiceField
            :label="t('peopleList.roleOf', { name: data.name })"
            quiet
            :value="data.role"
            :options="roles"
            @choose="change(data, { role: $event })" /></template></Column
      ><Column v-if="rules"
        ><template #header
          ><span class="hidden-but-read">{{ t('peopleList.pinAndRemoval') }}</span></template
        ><template #body="{ data }"
          ><span class="hands"
            ><Button
              type="button"
              variant="outlined"
              :aria-label="
                t('peopleList.of', {
                  pin: data.pin ? t('peopleList.changePin') : t('peopleList.setPin'),
                  name: data.name,
                })
              "
              @click="openPin(data)"
              >{{ data.pin ? t('peopleList.changePin') : t('peopleList.setPin') }}</Button
            ><Button
              v-if="waits[data.id]"
              type="button"
              variant="outlined"
              :aria-label="t('peopleList.forgetWrongPinsOf', { name: data.name })"
              @click="change(data, { unlock: true })"
              >{{ t('peopleList.unlock') }}</Button
            ><Button
              type="button"
              variant="text"
              :aria-label="t('peopleList.remove', { name: data.name })"
              @click="change(data, { gone: true })"
              >{{ t('peopleList.remove2') }}</Button
            ></span
          >
          <Form
            v-if="settingPin === data.id"
            class="adding pin"
            :resolver="newPin"
            :initial-values="{ pin: '' }"
            @submit="setPin(data, $event)"
          >
            <FormLine
              v-bind="SECRET"
              name="pin"
              :label="t('peopleList.pinOf', { name: data.name })"
              :placeholder="t('peopleList.n4To12Digits')"
              :refused="problem[data.id]"
            /><Button type="submit">{{ t('peopleList.setPin') }}</Button>
          </Form>
          <p v-else-if="problem[data.id]" class="wrong" role="alert">{{ problem[data.id] }}</p></template
        ></Column
      >
    </ResultTable>
    <Form v-if="rules" class="adding" :resolver="newName" :initial-values="{ name: '' }" @submit="add">
      <FormLine name="name" :label="t('peopleList.firstName')" maxlength="60" :refused="problem.new" /><ChoiceField
        :label="t('peopleList.role')"
        :value="role"
        :options="roles"
        @choose="role = $event"
      /><Button type="submit" variant="outlined">{{ t('peopleList.add') }}</Button>
    </Form>
    <div class="row wide">
      <span class="what"
        >{{ t('peopleList.anApprenticesValuesWaitForA')
        }}<span class="origin">{{ t('peopleList.untilABuilderHasLookedAt') }}</span></span
      >
      <SegmentChoice
        v-if="rules"
        :label="t('peopleList.signOff')"
        :value="shop.house.signOff ? 'yes' : 'no'"
        :options="[
          { value: 'yes', words: t('peopleList.theyWait') },
          { value: 'no', words: t('peopleList.enteredAtOnce') },
        ]"
        @choose="$event && shop.save((next) => (next.signOff = $event === 'yes'))"
      /><span v-else>{{ shop.house.signOff ? t('peopleList.theyWait2') : t('peopleList.enteredAtOnce2') }}</span>
    </div>
    <p class="quiet">
      {{ t('peopleList.onThisMachineANameIs') }}
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
  align-items: end;
}
.adding .form-line {
  flex: 1;
  min-width: 150px;
  max-width: 260px;
}
.hands {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: flex-end;
}
.pin {
  justify-content: flex-end;
  padding: 8px 0;
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
