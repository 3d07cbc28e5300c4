<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { onKeyStroke } from '@vueuse/core'
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDeed } from '@/lib/deed'
import { gone } from '@/lib/gone'
import { isTaken } from '@/lib/keys'
import ProblemNote from './ProblemNote.vue'

// It stays until somebody has gone on twice, or closes it: nobody has to be quick.
const queries = useQueryClient()
const { problem, busy, attempt } = useDeed()
const stays = ref(0)
watch(gone, () => {
  stays.value = 2
  problem.value = null
})
useRouter().afterEach((to, from) => {
  if (to.path !== from.path && gone.value && --stays.value <= 0) gone.value = null
})

const back = () =>
  attempt(async () => {
    await gone.value?.back()
    gone.value = null
    await queries.invalidateQueries()
  })
onKeyStroke('z', (event) => {
  if (!gone.value || !(event.ctrlKey || event.metaKey) || event.shiftKey || isTaken(event)) return
  event.preventDefault()
  void back()
})
</script>

<template>
  <div class="went" role="status">
    <div v-if="gone" class="row">
      <span>{{ gone.says }}</span>
      <button type="button" class="beside" aria-keyshortcuts="Control+Z" :disabled="busy" @click="back">Undo</button>
      <button type="button" class="words" @click="gone = null">Close</button>
    </div>
    <ProblemNote v-if="gone" :problem="problem" />
  </div>
</template>

<style scoped>
.went {
  position: fixed;
  inset: auto 0 var(--s4);
  z-index: 15;
  width: fit-content;
  max-width: calc(100vw - 2 * var(--s3));
  margin: 0 auto;
}

.row {
  padding: var(--s2) var(--s2) var(--s2) var(--s4);
  background: var(--sheet);
  border: 1px solid var(--ink-2);
  border-left: var(--edge) solid var(--film);
  box-shadow: var(--shadow);
}

@media (max-width: 700px) {
  .went {
    bottom: calc(72px + env(safe-area-inset-bottom));
  }
}
</style>
