<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, Problem, told } from '@/api/client'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'
import { blank, bodyOf, useDraft } from './draft'
import TurnForm from './TurnForm.vue'

const props = defineProps<{ id: string }>()
const { zone } = useMe()
const queries = useQueryClient()
const router = useRouter()
const { data: vehicle, error } = useQuery({
  queryKey: ['vehicle', props.id],
  queryFn: () => told(api.GET('/api/v1/vehicles/{vehicle}', { params: { path: { vehicle: props.id } } })),
})
const draft = useDraft(props.id, zone.value, undefined)
const problem = ref<unknown>(null)
const busy = ref(false)
const fields = computed(() => (problem.value instanceof Problem ? problem.value.fields : {}))

async function save() {
  busy.value = true
  problem.value = null
  try {
    const turn = await told(
      api.POST('/api/v1/vehicles/{vehicle}/turns', {
        params: { path: { vehicle: props.id }, header: { 'Idempotency-Key': draft.value.key } },
        body: { id: draft.value.id, ...bodyOf(draft.value, zone.value) },
      }),
    )
    draft.value = blank(zone.value, vehicle.value?.site?.water)
    await Promise.all([
      queries.invalidateQueries({ queryKey: ['vehicle', props.id] }),
      queries.invalidateQueries({ queryKey: ['film'] }),
    ])
    await router.push({ name: 'turn', params: { id: turn.id }, query: { saved: '1' } })
  } catch (caught) {
    problem.value = caught
    if (caught instanceof Problem && caught.status === 409) Object.assign(draft.value, { id: newId(), key: newId() })
  } finally {
    busy.value = false
  }
}

function clear() {
  draft.value = blank(zone.value, vehicle.value?.site?.water)
  problem.value = null
}
</script>

<template>
  <div class="page narrow turn">
    <header>
      <p class="quiet small">
        <RouterLink :to="`/vehicles/${id}`">{{ vehicle?.name ?? '…' }}</RouterLink>
      </p>
      <h1>Record a turn</h1>
    </header>
    <ProblemNote :problem="error" />
    <form class="grid" novalidate @submit.prevent="save">
      <TurnForm v-model="draft" :vehicle-id="id" :fields="fields" />
      <ProblemNote :problem="problem" />
      <div class="bar">
        <button type="submit" class="act" :disabled="busy">{{ busy ? 'Saving…' : 'Save the turn' }}</button>
        <button type="button" class="words" @click="clear">Begin again</button>
        <span class="quiet small kept">Kept on this device as you go</span>
      </div>
    </form>
  </div>
</template>

<style scoped>
.turn {
  max-width: 860px;
}

header {
  margin-bottom: var(--s4);
}

header p {
  margin: 0;
}

.bar {
  display: flex;
  align-items: center;
  gap: var(--s4);
  padding: var(--s3) 0;
}

@media (max-width: 700px) {
  .bar .act {
    flex: 1;
    min-height: 54px;
    font-size: 17px;
  }

  .kept {
    display: none;
  }
}
</style>
