<script setup lang="ts">
import { useIntervalFn, useSessionStorage, useTitle } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { useDeed } from '@/lib/deed'
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import DoorFrame from '../door/DoorFrame.vue'
import InstallationNow from './InstallationNow.vue'

// For whoever runs this: how it fares, and what they can do about it. Opened by the token of the settings, which this tab
// keeps until it is closed.
const EVERY_MS = 20_000

const token = useSessionStorage('operator', '')
const typed = ref('')
const now = ref<Schemas['Installation'] | null>(null)
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const asked = ref('')
const headers = computed(() => ({ Authorization: `Bearer ${token.value}` }))
const { busy, problem, attempt } = useDeed()
const strange = computed(() => problem.value instanceof Problem && problem.value.status === 404)

async function look() {
  now.value = await told(api.GET('/api/v1/operator', { headers: headers.value }))
  asked.value = new Date().toISOString()
}
async function open() {
  token.value = typed.value.trim()
  if (!(await attempt(look)) && strange.value) token.value = ''
}
const again = (id: string) =>
  attempt(
    () => told(api.POST('/api/v1/operator/failed/{id}/again', { headers: headers.value, params: { path: { id } } })),
    look,
  )
const drop = (id: string) =>
  attempt(
    () => told(api.DELETE('/api/v1/operator/failed/{id}', { headers: headers.value, params: { path: { id } } })),
    look,
  )
function close() {
  token.value = typed.value = ''
  now.value = null
}
if (token.value) void attempt(look)
useIntervalFn(() => now.value && !busy.value && void attempt(look), EVERY_MS)
useTitle('This installation')
</script>

<template>
  <DoorFrame v-if="!now" title="This installation" lead="For whoever runs it.">
    <form class="grid" novalidate @submit.prevent="open">
      <Field label="Token" hint="VICISSA_WATCH_TOKEN in the settings">
        <template #default="f"><TextInput v-bind="f" v-model="typed" type="password" autocomplete="off" /></template>
      </Field>
      <p v-if="strange" role="alert">That is not the token of this installation.</p>
      <ProblemNote v-else :problem="problem" />
      <button type="submit" class="act" :disabled="busy">Look in</button>
    </form>
  </DoorFrame>
  <main v-else class="page narrow grid">
    <h1>This installation</h1>
    <div class="row">
      <span class="quiet small">As of {{ dayAndTime(asked, zone) }}, looked at again every 20 seconds</span>
      <button type="button" class="beside" @click="close">Forget the token</button>
    </div>
    <ProblemNote :problem="problem" />
    <InstallationNow :now="now" :zone="zone" :busy="busy" @again="again" @drop="drop" />
  </main>
</template>
