<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, Problem, told, toldWithTag, type Schemas } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { bodyOf, draftOf, type Draft } from './draft'
import TurnForm from './TurnForm.vue'

const props = defineProps<{ id: string }>()
const { zone } = useMe()
const queries = useQueryClient()
const router = useRouter()
const { data: loaded, error } = useQuery({
  queryKey: ['turn', props.id, 'to-correct'],
  queryFn: () => toldWithTag(api.GET('/api/v1/turns/{turn}', { params: { path: { turn: props.id } } })),
  // What is being edited must not change under the hand.
  staleTime: Infinity,
  gcTime: 0,
})
const draft = ref<Draft | null>(null)
const tag = ref('')
const saved = ref<Schemas['TurnEntry'] | undefined>()
const problem = ref<unknown>(null)
const busy = ref(false)
const key = ref(newId())
const fields = computed(() => (problem.value instanceof Problem ? problem.value.fields : {}))
const newer = computed(() =>
  problem.value instanceof Problem ? (problem.value.current as Schemas['Turn'] | null) : null,
)

watch(
  loaded,
  (answer) => {
    const entry = answer?.data.entries[0]
    if (!answer || !entry || draft.value) return
    draft.value = draftOf(entry, zone.value)
    saved.value = entry
    tag.value = answer.tag
  },
  { immediate: true },
)

async function save() {
  if (!draft.value) return
  busy.value = true
  problem.value = null
  try {
    await told(
      api.POST('/api/v1/turns/{turn}/corrections', {
        params: { path: { turn: props.id }, header: { 'If-Match': tag.value, 'Idempotency-Key': key.value } },
        body: { ...bodyOf(draft.value, zone.value, saved.value), reason: draft.value.reason.trim() },
      }),
    )
    await queries.invalidateQueries()
    await router.push(`/turns/${props.id}`)
  } catch (caught) {
    problem.value = caught
    if (caught instanceof Problem && caught.status === 409) key.value = newId()
  } finally {
    busy.value = false
  }
}

/** Save over the newer version knowingly: what was typed stays. */
function overrule() {
  const entry = newer.value?.entries[0]
  if (!entry) return
  tag.value = `"${entry.revision}"`
  saved.value = entry
  problem.value = null
  void save()
}
</script>

<template>
  <div class="page narrow turn">
    <h1>Correct a turn</h1>
    <p class="quiet">What was saved stays in the record beside your correction.</p>
    <ProblemNote :problem="error" />
    <form v-if="draft && loaded" class="grid" novalidate @submit.prevent="save">
      <TurnForm v-model="draft" :vehicle-id="loaded.data.vehicle_id" :fields="fields" />
      <section class="sheet">
        <Field label="Why is it corrected?" :error="fields.reason">
          <template #default="{ id: fieldId, describedby }"
            ><TextInput
              :id="fieldId"
              v-model="draft.reason"
              maxlength="240"
              :describedby="describedby"
              placeholder="Wrong topper ticked"
          /></template>
        </Field>
      </section>
      <ProblemNote :problem="problem">
        <p v-if="newer?.entries[0]" class="newer">
          {{ newer.entries[0].written_by }} corrected it on {{ dayAndTime(newer.entries[0].written_at, zone) }}: “{{
            newer.entries[0].reason
          }}”.
          <button type="button" class="beside" @click="overrule">Save mine after theirs</button>
        </p>
      </ProblemNote>
      <div class="row">
        <button type="submit" class="act" :disabled="busy">{{ busy ? 'Saving…' : 'Save the correction' }}</button>
        <RouterLink :to="`/turns/${id}`" class="words">Leave it as it is</RouterLink>
      </div>
    </form>
  </div>
</template>

<style scoped>
.turn {
  max-width: 860px;
}

.newer {
  margin: var(--s2) 0 0;
}
</style>
