<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, told } from '@/api/client'
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import DoorFrame from './DoorFrame.vue'
import PasswordField from './PasswordField.vue'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const token = String(route.query.token ?? '')
const { data: invitation, error } = useQuery({
  queryKey: ['invitation', token],
  queryFn: () => told(api.GET('/api/v1/auth/invitation', { params: { query: { token } } })),
  retry: false,
})
const name = ref('')
const password = ref('')
const { problem, attempt, fields } = useDeed()

async function join() {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/auth/join', {
        body: { token, password: password.value, ...(invitation.value?.known ? {} : { name: name.value }) },
      }),
    )
    queries.clear()
    await router.push('/')
  })
}
</script>

<template>
  <DoorFrame
    :title="invitation ? `Join ${invitation.workspace}` : 'Join'"
    :lead="invitation ? `You come in as ${invitation.role}, with ${invitation.email}.` : undefined"
  >
    <ProblemNote :problem="error" />
    <form v-if="invitation" class="grid" novalidate @submit.prevent="join">
      <Field v-if="!invitation.known" label="Your name" :error="fields.name">
        <template #default="{ id, describedby }"
          ><TextInput :id="id" v-model="name" name="name" autocomplete="name" :describedby="describedby"
        /></template>
      </Field>
      <PasswordField
        v-model="password"
        :label="invitation.known ? 'Your password' : 'A password'"
        :known="invitation.known"
        :error="fields.password"
      />
      <ProblemNote :problem="problem" />
      <button type="submit" class="act">Join</button>
    </form>
    <p><RouterLink to="/sign-in">To sign in</RouterLink></p>
  </DoorFrame>
</template>
