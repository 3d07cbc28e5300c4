<script setup lang="ts">
import Glyph from '@/parts/Glyph.vue'

// What can hurt somebody, where it can; what is grave has to be confirmed.
defineProps<{
  cautions: { says: string; grave: boolean }[]
  isRead: (says: string) => boolean
}>()
const emit = defineEmits<{ read: [says: string] }>()
</script>

<template>
  <ul class="plain">
    <li v-for="one in cautions" :key="one.says" class="warned" :class="{ grave: one.grave }">
      <Glyph name="care" /> <span>{{ one.says }}</span>
      <button
        v-if="one.grave && !isRead(one.says)"
        type="button"
        class="beside"
        :aria-label="$t('sheet-begin.understood-it', { says: one.says })"
        @click="emit('read', one.says)"
      >
        {{ $t('sheet-begin.understood') }}
      </button>
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  gap: var(--s2);
}

.grave {
  border-color: var(--refused);
  background: var(--refused-wash);
}

.beside {
  min-height: 52px;
  flex: 1 1 130px;
}
</style>
