<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SaidOfWater from './SaidOfWater.vue'
import { useTalk, type Reads } from './talk'

// The answer to what is being read, as it is read.
const props = defineProps<{
  reads: Reads
  designed: 'beads' | 'sheets'
  topper: boolean
  table?: Schemas['TalkTable']
}>()
const talk = useTalk(
  computed(() => props.reads),
  computed(() => ({ designed: props.designed, topper: props.topper })),
  computed(() => props.table),
)
</script>

<template>
  <div class="talk" aria-live="polite">
    <SaidOfWater v-if="talk" :diagnosis="talk" />
    <slot v-else />
  </div>
</template>

<style scoped>
.talk {
  border-left: 4px solid var(--film);
  padding-left: var(--s4);
}
</style>
