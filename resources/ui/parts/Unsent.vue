<script setup lang="ts">
import { computed } from 'vue'
import { flush, outbox } from '@/offline/outbox'

// What has not been sent yet, wherever one is. Nothing to see when everything has.
const says = computed(() => {
  if (outbox.refused.length) return `${outbox.refused.length} not taken`
  if (!outbox.waiting) return ''
  if (outbox.signedOut) return `Sign in to send ${outbox.waiting}`
  if (outbox.ofOthers === outbox.waiting) return `${outbox.waiting} kept for whoever did it`
  return outbox.signal === 'gone' ? `No signal, ${outbox.waiting} kept` : `Sending ${outbox.waiting}`
})
</script>

<template>
  <RouterLink v-if="says && outbox.signedOut" to="/sign-in" class="unsent">{{ says }}</RouterLink>
  <button v-else-if="says" type="button" class="unsent" :class="{ refused: outbox.refused.length }" @click="flush">
    {{ says }}
  </button>
</template>

<style scoped>
.unsent {
  align-self: center;
  min-height: 36px;
  padding: 0 var(--s3);
  border: 1px solid var(--ink);
  border-radius: 18px;
  background: var(--sheet);
  font-weight: 600;
  font-size: 13px;
  line-height: 34px;
  white-space: nowrap;
  cursor: pointer;
  text-decoration: none;
}

.refused {
  border-color: var(--refused);
  background: var(--refused-wash);
}
</style>
