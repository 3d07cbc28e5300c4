<script setup lang="ts">
import { giveUp, retry } from '@/offline/outbox'
import type { Errand } from '@/offline/store'

// What the server would not have: it waits here for a person, who mends it, sends it again or leaves it out.
defineProps<{ errands: Errand[] }>()
const emit = defineEmits<{ mend: [errand: Errand] }>()
</script>

<template>
  <div v-for="errand in errands" :key="errand.n" class="refusal" role="alert">
    <strong>{{
      $t('not-taken.the-server-did-not-take', {
        what: errand.kind === 'finish' ? $t('not-taken.the-closing') : $t('not-taken.this'),
      })
    }}</strong>
    {{ $t('not-taken.nothing-is-lost-it-stays-on', { refused: errand.refused }) }}
    <div class="row">
      <button v-if="errand.kind === 'finish'" type="button" class="act" @click="emit('mend', errand)">
        {{ $t('not-taken.mend-the-closing') }}
      </button>
      <button type="button" class="beside" @click="retry(errand)">{{ $t('not-taken.send-again') }}</button>
      <button v-if="errand.kind !== 'finish'" type="button" class="beside" @click="giveUp(errand)">
        {{ $t('not-taken.leave-it-out') }}
      </button>
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
