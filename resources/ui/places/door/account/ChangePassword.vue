<script setup lang="ts">
import { ref } from 'vue'
import { api, told } from '@/api/client'
import { useDeed } from '@/lib/deed'
import ProblemNote from '@/parts/ProblemNote.vue'
import PasswordField from '../PasswordField.vue'

const current = ref('')
const password = ref('')
const done = ref(false)
const { busy, problem, fields, attempt } = useDeed('sessions', 'tokens')
const change = async () => {
  done.value = await attempt(
    () => told(api.POST('/api/v1/me/password', { body: { current: current.value, password: password.value } })),
    () => (current.value = password.value = ''),
  )
}
</script>

<template>
  <form class="sheet grid" novalidate @submit.prevent="change">
    <h2>Password</h2>
    <div class="cols two">
      <PasswordField v-model="current" label="The one you have" known :error="fields.current" />
      <PasswordField v-model="password" label="A new one" :error="fields.password" />
    </div>
    <p class="small quiet">Everywhere else you are signed out, and tokens of yours end.</p>
    <p v-if="done" role="status">The new password stands.</p>
    <ProblemNote :problem="problem" />
    <div><button type="submit" class="beside" :disabled="busy">Change the password</button></div>
  </form>
</template>
