<script setup lang="ts">
import { giveUp, retry } from '@/offline/outbox'
import type { Errand } from '@/offline/store'

// What the server would not have: it waits here for a person, who mends it, sends it again or leaves it out.
defineProps<{ errands: Errand[] }>()
const emit = defineEmits<{ mend: [errand: Errand] }>()
</script>

<template>
  <div v-for="errand in errands" :key="errand.n" class="refusal" role="alert">
    <strong>The server did not take {{ errand.kind === 'finish' ? 'the closing' : 'this' }}:</strong>
    {{ errand.refused }} Nothing is lost; it stays on this phone.
    <div class="row">
      <button v-if="errand.kind === 'finish'" type="button" class="act" @click="emit('mend', errand)">
        Mend the closing
      </button>
      <button type="button" class="beside" @click="retry(errand)">Send again</button>
      <button v-if="errand.kind !== 'finish'" type="button" class="beside" @click="giveUp(errand)">Leave it out</button>
    </div>
  </div>
</template>

<style scoped>
.refusal {
  display: grid;
  gap: var(--s2);
  margin: var(--s3) 0;
  padding: var(--s3);
  border-left: 5px solid var(--refused);
  background: var(--refused-wash);
}
</style>
