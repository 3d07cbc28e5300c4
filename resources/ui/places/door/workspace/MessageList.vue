<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { useMe } from '@/lib/session'

const { zone } = useMe()
const { data: messages } = useQuery({ queryKey: ['messages'], queryFn: () => told(api.GET('/api/v1/messages')) })
</script>

<template>
  <section class="sheet">
    <h2>Messages</h2>
    <p class="quiet small">Until a mail service is set up, messages are kept here instead of sent.</p>
    <p v-if="messages && !messages.data.length" class="quiet">None yet. Invitations will stand here.</p>
    <details v-for="message in messages?.data" :key="message.id">
      <summary>
        {{ message.subject }}
        <span class="quiet small">to {{ message.recipient }}, {{ dayAndTime(message.created_at, zone) }}</span>
      </summary>
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
