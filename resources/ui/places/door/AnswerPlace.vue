<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, told } from '@/api/client'
import { kindsSaid } from '@/lib/words'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// What a client sees who follows the link of a letter: one day, and the two answers to it. Nothing else.
const props = defineProps<{ id: string; signature: string }>()
const queries = useQueryClient()
const params = { path: { proposal: props.id, signature: props.signature } }
const key = ['answer', props.id]
const { data, error } = useQuery({
  queryKey: key,
  retry: false,
  queryFn: () => told(api.GET('/api/v1/answers/{proposal}/{signature}', { params })),
})
const problem = ref<unknown>(null)
const other = ref(false)
const wishOn = ref('')
const wish = ref('')
const day = (on: string) =>
  new Date(`${on}T12:00:00Z`).toLocaleDateString('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  })
async function answer(accept: boolean) {
  problem.value = null
  try {
    const body = accept ? { accept } : { accept, wish_on: wishOn.value || null, wish: wish.value || null }
    queries.setQueryData(key, await told(api.POST('/api/v1/answers/{proposal}/{signature}', { params, body })))
    other.value = false
  } catch (caught) {
    problem.value = caught
  }
}
</script>

<template>
  <main class="answer">
    <ProblemNote :problem="error ?? problem" />
    <template v-if="data">
      <p class="quiet">{{ data.from }}</p>
      <h1>{{ data.vehicle }}</h1>
      <p class="lead">{{ day(data.on) }}: {{ kindsSaid(data.kinds) }}.</p>
      <p v-if="data.status === 'moved'" role="status">This day has changed meanwhile. You will hear from us again.</p>
      <template v-else>
        <p v-if="data.status === 'accepted'" role="status"><strong>Thank you; we come on this day.</strong></p>
        <p v-else-if="data.status === 'asked'" role="status">
          <strong
            >You asked for another day<template v-if="data.wish_on">: {{ day(data.wish_on) }}</template
            >.</strong
          >
          We look whether it fits and write again.
        </p>
        <div class="row">
          <button v-if="data.status !== 'accepted'" type="button" class="act" @click="answer(true)">
            That day is fine
          </button>
          <button type="button" class="beside" :aria-expanded="other" @click="other = !other">
            Another day, please
          </button>
        </div>
        <form v-if="other" class="grid" novalidate @submit.prevent="answer(false)">
          <Field label="Which day would suit" optional
            ><template #default="f"><PlainInput v-bind="f" v-model="wishOn" type="date" /></template
          ></Field>
          <Field label="Anything to say" optional
            ><template #default="f"><textarea v-bind="f" v-model="wish" rows="3" maxlength="400" /></template
          ></Field>
          <button type="submit" class="act">Ask for another day</button>
        </form>
      </template>
    </template>
  </main>
</template>

<style scoped>
.answer {
  max-width: 560px;
  margin: 8vh auto;
  padding: var(--s4);
}

.lead {
  font: 500 20px/1.4 var(--book);
}

form {
  margin-top: var(--s4);
}
</style>
