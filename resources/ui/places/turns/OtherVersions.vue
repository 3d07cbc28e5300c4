<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { api, told, type Schemas } from '@/api/client'
import { newId } from '@/lib/ids'
import { dayAndTime } from '@/lib/dates'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'

// What a phone said that knew nothing of the others. Nothing was thrown away: take it as a correction, or leave it beside.
const props = defineProps<{ turn: Schemas['Turn'] }>()
const { zone } = useMe()
const queries = useQueryClient()
const { problem, attempt } = useDeed()

async function take(conflict: Schemas['TurnConflict']) {
  problem.value = null
  // The turn keeps its own id; the facts are taken as they were sent.
  const facts = Object.fromEntries(
    Object.entries(conflict.facts as Record<string, unknown>).filter(([name]) => name !== 'id'),
  )
  await attempt(async () => {
    await told(
      api.POST('/api/v1/turns/{turn}/corrections', {
        params: {
          path: { turn: props.turn.id },
          header: { 'If-Match': `"${props.turn.revisions}"`, 'Idempotency-Key': newId() },
        },
        body: { ...(facts as Schemas['TurnInput']), reason: `As ${conflict.by} closed it` },
      }),
    )
    await queries.invalidateQueries()
  })
}
</script>

<template>
  <section v-if="turn.conflicts.length" class="sheet other" aria-label="Kept beside">
    <h2>Kept beside</h2>
    <ProblemNote :problem="problem" />
    <ul class="plain">
      <li v-for="one in turn.conflicts" :key="one.at + one.kind + one.step">
        <span
          ><strong>{{ one.by }}</strong
          >, {{ dayAndTime(one.at, zone) }}<template v-if="one.step"> ({{ one.step }})</template>: {{ one.says }}</span
        >
        <button v-if="one.kind === 'finish'" type="button" class="beside" @click="take(one)">
          Take theirs as a correction
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.other {
  border-color: var(--due);
}

li {
  display: grid;
  gap: var(--s2);
  justify-items: start;
  padding: var(--s2) 0;
  border-top: 1px solid var(--line);
}
</style>
