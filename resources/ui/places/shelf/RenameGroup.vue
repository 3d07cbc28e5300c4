<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, told } from '@/api/client'
import TextInput from '@/parts/TextInput.vue'
import { newId } from '@/lib/ids'
import ProblemNote from '@/parts/ProblemNote.vue'

// Another name for a line or a maker, on every product at once (and on the vehicles that carry the line).
const props = defineProps<{ what: 'line' | 'maker'; from: string }>()
const queries = useQueryClient()
const open = ref(false)
const to = ref(props.from)
const { problem, attempt } = useDeed()

async function rename() {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/products/rename', {
        params: { header: { 'Idempotency-Key': newId() } },
        body: { what: props.what, from: props.from, to: to.value.trim() || null },
      }),
    )
    open.value = false
    await queries.invalidateQueries({ queryKey: ['products'] })
  })
}
</script>

<template>
  <button v-if="!open" type="button" class="words small" @click="open = true">rename</button>
  <form v-else class="grid" @submit.prevent="rename">
    <TextInput v-model="to" :aria-label="`New name of ${from}`" maxlength="80" />
    <div class="row">
      <button type="submit" class="words small">Rename everywhere</button>
      <button type="button" class="words small" @click="open = false">leave it</button>
    </div>
    <ProblemNote :problem="problem" />
  </form>
</template>

<style scoped>
input {
  width: 100%;
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  padding: 6px 8px;
}

.grid {
  gap: 2px;
}

.words {
  min-height: 28px;
}
</style>
