<script setup lang="ts">
import { outbox } from '@/offline/outbox'

defineProps<{ turn: string | null; beside: boolean }>()
</script>

<template>
  <section class="grid">
    <h2>{{ $t('sheet-end.the-turn-is-closed') }}</h2>
    <p v-if="outbox.waiting">
      {{ $t('sheet-end.waits', { n: outbox.waiting }, outbox.waiting) }}
    </p>
    <p v-else-if="beside">{{ $t('sheet-end.kept-beside') }}</p>
    <p v-else>{{ $t('sheet-end.everything-has-been-sent') }}</p>
    <RouterLink v-if="turn" :to="`/turns/${turn}`" class="act">{{ $t('sheet-end.see-the-turn') }}</RouterLink>
    <RouterLink to="/round" class="beside">{{ $t('sheet-end.to-the-round') }}</RouterLink>
  </section>
</template>

<style scoped>
.act,
.beside {
  min-height: 58px;
}
</style>
