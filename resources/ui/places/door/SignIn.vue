<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, told } from '@/api/client'
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import DoorFrame from './DoorFrame.vue'

const email = ref('')
const password = ref('')
const remember = ref(true)
// Asked for once the password was right, of whoever has an app for it.
const code = ref('')
const { busy, problem, attempt, fields } = useDeed()
const wanted = ref(false)
watch(fields, (wrong) => (wanted.value ||= 'code' in wrong))
const { data: door } = useQuery({ queryKey: ['door'], queryFn: () => told(api.GET('/api/v1/auth/door')) })
const router = useRouter()
const route = useRoute()
const queries = useQueryClient()

async function enter() {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/auth/sign-in', {
        body: { email: email.value, password: password.value, remember: remember.value, code: code.value || null },
      }),
    )
    queries.clear()
    // Only a place of our own: never an address someone slipped into the link.
    const next = typeof route.query.next === 'string' && /^\/(?![/\\])/.test(route.query.next) ? route.query.next : '/'
    await router.push(next)
  })
}
</script>

<template>
  <DoorFrame title="Sign in">
    <form class="grid" novalidate @submit.prevent="enter">
      <Field label="E-mail">
        <template #default="{ id }"
          ><TextInput :id="id" v-model="email" type="email" name="email" autocomplete="username" required
        /></template>
      </Field>
      <Field label="Password">
        <template #default="{ id }"
          ><TextInput
            :id="id"
            v-model="password"
            type="password"
            name="password"
            autocomplete="current-password"
            required
        /></template>
      </Field>
      <Field
        v-if="wanted"
        label="Code"
        hint="Of your authenticator app, or one you kept for when it is lost."
        :error="fields.code"
      >
        <template #default="{ id, describedby }"
          ><TextInput
            :id="id"
            v-model="code"
            name="code"
            inputmode="numeric"
            autocomplete="one-time-code"
            :describedby="describedby"
        /></template>
      </Field>
      <ElCheckbox v-model="remember">Stay signed in on this device for thirty days</ElCheckbox>
      <ProblemNote :problem="problem" />
      <button type="submit" class="act" :disabled="busy">{{ busy ? 'One moment…' : 'Sign in' }}</button>
    </form>
    <p class="row">
      <RouterLink to="/forgot">Forgotten the password?</RouterLink>
      <RouterLink v-if="door?.registration === 'open'" to="/register">New here: begin</RouterLink>
    </p>
  </DoorFrame>
</template>
