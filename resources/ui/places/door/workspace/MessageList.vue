<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told, type Schemas } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { useDeed } from '@/lib/deed'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'

const { zone } = useMe()
const { busy, problem, attempt } = useDeed('messages')
const again = (id: string) =>
  attempt(() => told(api.POST('/api/v1/messages/{message}/again', { params: { path: { message: id } } })))
const fared: Record<Schemas['Message']['status'], string> = {
  kept: 'kept here',
  waiting: 'waits to be sent',
  sent: 'sent',
  failed: 'could not be delivered',
  unclear: 'may have gone out: sending was cut off',
}
const { data: messages } = useQuery({ queryKey: ['messages'], queryFn: () => told(api.GET('/api/v1/messages')) })
</script>

<template>
  <section class="sheet">
    <h2>Messages</h2>
    <p class="quiet small">Letters of this workspace. Where no mail is set up they are kept here instead of sent.</p>
    <ProblemNote :problem="problem" />
    <p v-if="messages && !messages.data.length" class="quiet">None yet. Invitations will stand here.</p>
    <details v-for="message in messages?.data" :key="message.id">
      <summary>
        {{ message.subject }}
        <span class="quiet small"
          >to {{ message.recipient }}, {{ dayAndTime(message.created_at, zone) }},
          <strong v-if="['failed', 'unclear'].includes(message.status)">{{ fared[message.status] }}</strong><template
            v-else
            >{{ fared[message.status] }}</template
          ></span
        >
      </summary>
      <p v-if="message.fault" class="small">The mail server said: {{ message.fault }}</p>
      <p v-if="['failed', 'unclear'].includes(message.status)">
        <button type="button" class="beside" :disabled="busy" @click="again(message.id)">Send it again</button>
      </p>
      <pre>{{ message.body }}</pre>
    </details>
  </section>
</template>

<style scoped>
details {
  border-top: 1px solid var(--line);
}

summary {
  min-height: var(--touch);
  padding: 10px 0;
  cursor: pointer;
}

pre {
  font: inherit;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
