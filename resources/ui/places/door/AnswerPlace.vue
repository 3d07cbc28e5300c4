<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watchEffect } from 'vue'
import { api, told } from '@/api/client'
import { locale, ofTheBrowser, speak } from '@/lib/i18n'
import { kindsSaid } from '@/lib/words'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import RecordTurn from '@/places/proof/record/RecordTurn.vue'
import { zones } from '@/lib/words'
import { within } from '@/lib/i18n'

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
// In the language they are written to in; else that of their browser.
watchEffect(() => data.value && void speak(data.value.language ?? ofTheBrowser()))
// What was done last, how it looked, what is due: it comes after the question, and the question stands without it.
const { data: last } = useQuery({
  queryKey: ['answer-last', props.id],
  retry: false,
  queryFn: () => told(api.GET('/api/v1/answers/{proposal}/{signature}/last', { params })),
})
const due = computed(() => (last.value?.due ?? []).filter((one) => one.due !== null))
const { problem, attempt } = useDeed()
const other = ref(false)
const off = ref(false)
const wishOn = ref('')
const wish = ref('')
const day = (on: string) =>
  new Date(`${on}T12:00:00Z`).toLocaleDateString(locale(), {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  })
async function answer(accept: boolean, cancel = false) {
  await attempt(async () => {
    const body = accept
      ? { accept }
      : cancel
        ? { accept, cancel, wish: wish.value || null }
        : { accept, wish_on: wishOn.value || null, wish: wish.value || null }
    queries.setQueryData(key, await told(api.POST('/api/v1/answers/{proposal}/{signature}', { params, body })))
    other.value = off.value = false
  })
}
</script>

<template>
  <main class="answer">
    <ProblemNote :problem="error ?? problem" />
    <template v-if="data">
      <p class="quiet">{{ data.from }}</p>
      <h1>{{ data.vehicle }}</h1>
      <p class="lead">{{ day(data.on) }}: {{ kindsSaid(data.kinds) }}.</p>
      <p v-if="data.status === 'cancelled'" role="status">
        <strong>{{ $t('answer-place.cancelled') }}</strong>
      </p>
      <p v-else-if="data.status === 'moved'" role="status">{{ $t('answer-place.this-day-has-changed') }}</p>
      <template v-else>
        <p v-if="data.status === 'accepted'" role="status">
          <strong>{{ $t('answer-place.thank-you-we-come-on-this') }}</strong>
        </p>
        <p v-else-if="data.status === 'asked'" role="status">
          <strong
            >{{ $t('answer-place.you-asked-for-another-day')
            }}<template v-if="data.wish_on">: {{ day(data.wish_on) }}</template
            >.</strong
          >
          {{ $t('answer-place.we-look-whether-it-fits-and') }}
        </p>
        <div class="row">
          <button v-if="data.status !== 'accepted'" type="button" class="act" @click="answer(true)">
            {{ $t('answer-place.that-day-is-fine') }}
          </button>
          <button type="button" class="beside" :aria-expanded="other" @click="other = !other">
            {{ $t('answer-place.another-day-please') }}
          </button>
          <button type="button" class="words" :aria-expanded="off" @click="off = !off">
            {{ $t('answer-place.cancel-it') }}
          </button>
        </div>
        <form v-if="off" class="grid" novalidate @submit.prevent="answer(false, true)">
          <p>{{ $t('answer-place.cancel-says') }}</p>
          <Field :label="$t('answer-place.anything-to-say')" optional
            ><template #default="f"
              ><TextInput v-bind="f" v-model="wish" :rows="2" maxlength="400" type="textarea" /></template
          ></Field>
          <button type="submit" class="act">{{ $t('answer-place.cancel-now') }}</button>
        </form>
        <form v-if="other" class="grid" novalidate @submit.prevent="answer(false)">
          <Field :label="$t('answer-place.which-day-would-suit')" optional
            ><template #default="f"><DayInput v-bind="f" v-model="wishOn" /></template
          ></Field>
          <Field :label="$t('answer-place.anything-to-say')" optional
            ><template #default="f"
              ><TextInput v-bind="f" v-model="wish" :rows="3" maxlength="400" type="textarea" /></template
          ></Field>
          <button type="submit" class="act">{{ $t('answer-place.ask-for-another-day') }}</button>
        </form>
      </template>
      <section v-if="due.length" :aria-label="$t('answer-place.why')">
        <h2>{{ $t('answer-place.why') }}</h2>
        <p v-for="one in due" :key="one.layer_id">
          {{
            $t('answer-place.due', {
              name: one.name,
              zone: within(zones[one.zone] ?? one.zone),
              day: day(one.due ?? ''),
            })
          }}
        </p>
      </section>
      <section v-if="last?.turn" :aria-label="$t('answer-place.last-time')">
        <h2>{{ $t('answer-place.last-time') }}</h2>
        <RecordTurn :turn="last.turn" :at="`/api/v1/answers/${id}/${signature}`" />
      </section>
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

section {
  margin-top: var(--s5);
}

form {
  margin-top: var(--s4);
}
</style>
