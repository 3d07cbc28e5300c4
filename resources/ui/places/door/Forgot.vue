<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { ref } from 'vue'
import { api, told } from '@/api/client'
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import DoorFrame from './DoorFrame.vue'

const email = ref('')
const sent = ref(false)
const { problem, attempt } = useDeed()

async function send() {
  await attempt(async () => {
    await told(api.POST('/api/v1/auth/forgot', { body: { email: email.value } }))
    sent.value = true
  })
}
</script>

<template>
  <DoorFrame title="Forgotten password" lead="We send a link that works for an hour.">
    <p v-if="sent" role="status">
      If {{ email }} signs in here, a link is on its way. On a machine of your own the message waits in the outbox:
      <code>bin/outbox</code>.
    </p>
    <form v-else class="grid" novalidate @submit.prevent="send">
      <Field label="E-mail">
        <template #default="{ id }"
          ><TextInput :id="id" v-model="email" type="email" name="email" autocomplete="username"
        /></template>
      </Field>
      <ProblemNote :problem="problem" />
      <button type="submit" class="act">Send the link</button>
    </form>
    <p><RouterLink to="/sign-in">Back to sign in</RouterLink></p>
  </DoorFrame>
</template>
