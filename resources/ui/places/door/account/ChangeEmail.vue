<script setup lang="ts">
import { ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { useDeed } from '@/lib/deed'
import Field from '@/parts/Field.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextInput from '@/parts/TextInput.vue'
import PasswordField from '../PasswordField.vue'

defineProps<{ account: Schemas['Account'] }>()
const email = ref('')
const password = ref('')
const { busy, problem, fields, attempt } = useDeed('account')
const change = () =>
  attempt(
    () => told(api.POST('/api/v1/me/email', { body: { email: email.value, password: password.value } })),
    () => (password.value = email.value = ''),
  )
</script>

<template>
  <form class="sheet grid" novalidate @submit.prevent="change">
    <h2>E-mail</h2>
    <p>
      You sign in by <strong>{{ account.email }}</strong>.
      <template v-if="account.new_email"
        >A link has gone to {{ account.new_email }}: until it is followed, nothing changes.</template
      >
    </p>
    <div class="cols two">
      <Field label="New address" :error="fields.email"
        ><template #default="f"><TextInput v-bind="f" v-model="email" type="email" autocomplete="email" /></template
      ></Field>
      <PasswordField v-model="password" label="Your password" known :error="fields.password" />
    </div>
    <ProblemNote :problem="problem" />
    <div><button type="submit" class="beside" :disabled="busy">Send the link</button></div>
  </form>
</template>
