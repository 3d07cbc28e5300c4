<script setup lang="ts">
import { outbox } from '@/offline/outbox'

// What was found laid the rest out anew: what became different, or that it is on its way.
defineProps<{ changes: string[] | null; asked: boolean }>()
defineEmits<{ read: [] }>()
</script>

<template>
  <div v-if="changes" class="changed" role="status">
    <strong>{{
      changes.length ? $t('what-changed.the-rest-of-the-visit-has') : $t('what-changed.nothing-changes-for-the')
    }}</strong>
    <ul>
      <li v-for="one in changes" :key="one">{{ one }}</li>
    </ul>
    <button type="button" class="beside" @click="$emit('read')">{{ $t('what-changed.read') }}</button>
  </div>
  <p v-if="asked" class="changed" role="status">
    {{
      outbox.signal === 'gone' ? $t('what-changed.it-is-laid-out-anew-as-soon') : $t('what-changed.laying-it-out-anew')
    }}
  </p>
</template>

<style scoped>
.changed {
  display: grid;
  gap: var(--s2);
  margin: var(--s3) 0;
  padding: var(--s3);
  border-left: 5px solid var(--film);
  background: var(--film-mist);
}

.changed ul {
  margin: 0;
  padding-left: 1.2em;
}

.changed .beside {
  min-height: 48px;
}
</style>
