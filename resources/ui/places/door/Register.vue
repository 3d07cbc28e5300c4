<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, told } from '@/api/client'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import DoorFrame from './DoorFrame.vue'
import PasswordField from './PasswordField.vue'

const form = ref({ name: '', email: '', password: '', workspace: '', units: 'metric' as 'metric' | 'us' | 'imperial' })
const { busy, problem, attempt, fields } = useDeed()
const router = useRouter()
const queries = useQueryClient()
const units = [
  { value: 'metric' as const, name: 'Litres, °C' },
  { value: 'us' as const, name: 'US ounces, °F' },
  { value: 'imperial' as const, name: 'Imperial ounces' },
]

async function begin() {
  await attempt(async () => {
    const me = await told(
      api.POST('/api/v1/auth/register', {
        body: { ...form.value, time_zone: Intl.DateTimeFormat().resolvedOptions().timeZone },
      }),
    )
    queries.clear()
    queries.setQueryData(['me'], me)
    await router.push('/start')
  })
}
</script>

<template>
  <DoorFrame title="Begin" lead="A name, a password, then three questions about your first vehicle.">
    <form class="grid" novalidate @submit.prevent="begin">
      <Field label="Your name" :error="fields.name">
        <template #default="{ id, describedby }"
          ><TextInput :id="id" v-model="form.name" name="name" autocomplete="name" :describedby="describedby"
        /></template>
      </Field>
      <Field label="The business, or your driveway" :error="fields.workspace">
        <template #default="{ id, describedby }"
          ><TextInput
            :id="id"
            v-model="form.workspace"
            name="workspace"
            autocomplete="organization"
            :describedby="describedby"
        /></template>
      </Field>
      <Field label="E-mail" :error="fields.email">
        <template #default="{ id, describedby }"
          ><TextInput
            :id="id"
            v-model="form.email"
            type="email"
            name="email"
            autocomplete="username"
            :describedby="describedby"
        /></template>
      </Field>
      <PasswordField v-model="form.password" label="Password" :error="fields.password" />
      <Choices v-model="form.units" label="Units" :options="units" compact />
      <ProblemNote :problem="problem" />
      <button type="submit" class="act" :disabled="busy">{{ busy ? 'One moment…' : 'Begin' }}</button>
    </form>
    <p><RouterLink to="/sign-in">I already sign in here</RouterLink></p>
  </DoorFrame>
</template>
