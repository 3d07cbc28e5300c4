<script setup lang="ts">
import { ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { useDeed } from '@/lib/deed'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'
import PasswordField from '../PasswordField.vue'

defineProps<{ account: Schemas['Account'] }>()
const { workspace } = useMe()
const sure = ref<'workspace' | 'account' | null>(null)
const password = ref('')
const { busy, problem, fields, attempt } = useDeed('account', 'me')
const leaveWorkspace = () =>
  attempt(
    () => told(api.POST('/api/v1/workspace/leave')),
    () => location.assign('/'),
  )
const leave = () =>
  attempt(
    () => told(api.POST('/api/v1/me/leave', { body: { password: password.value } })),
    () => {
      password.value = ''
      sure.value = null
    },
  )
</script>

<template>
  <section class="sheet grid">
    <h2>Going</h2>
    <p class="quiet">
      What you have written down for a business stays with it. Calendars, links and tokens you made lead nowhere once
      you have gone.
    </p>
    <div v-if="!sure" class="row">
      <button type="button" class="words" @click="sure = 'workspace'">
        I no longer work for {{ workspace?.name }}…
      </button>
      <button v-if="!account.leaves_at" type="button" class="words" @click="sure = 'account'">
        Delete my account…
      </button>
    </div>
    <div v-if="sure === 'workspace'" class="row">
      <button type="button" class="beside" :disabled="busy" @click="leaveWorkspace">
        Yes, I leave {{ workspace?.name }}
      </button>
      <button type="button" class="words" @click="sure = null">Rather not</button>
    </div>
    <form v-if="sure === 'account'" class="grid" novalidate @submit.prevent="leave">
      <p>It goes in fourteen days; until then you may come back. After that your name stands nowhere any more.</p>
      <PasswordField v-model="password" label="Your password" known :error="fields.password" />
      <div class="row">
        <button type="submit" class="beside" :disabled="busy">Delete my account</button>
        <button type="button" class="words" @click="sure = null">Rather not</button>
      </div>
    </form>
    <ProblemNote :problem="problem" />
  </section>
</template>
