<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, told } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import DoorFrame from './DoorFrame.vue'
import PasswordField from './PasswordField.vue'

const route = useRoute()
const password = ref('')
const done = ref(false)
const { problem, attempt, fields } = useDeed()

async function save() {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/auth/reset', {
        body: {
          email: String(route.query.email ?? ''),
          token: String(route.query.token ?? ''),
          password: password.value,
        },
      }),
    )
    done.value = true
  })
}
</script>

<template>
  <DoorFrame title="Choose a new password">
    <p v-if="done" role="status">The new password stands. Everyone signed in with the old one is out.</p>
    <form v-else class="grid" novalidate @submit.prevent="save">
      <PasswordField v-model="password" label="New password" :error="fields.password" />
      <ProblemNote :problem="problem" />
      <button type="submit" class="act">Save it</button>
    </form>
    <p><RouterLink to="/sign-in">To sign in</RouterLink></p>
  </DoorFrame>
</template>
