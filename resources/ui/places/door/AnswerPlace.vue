<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref, watchEffect } from 'vue'
import { api, told } from '@/api/client'
import { locale, ofTheBrowser, speak } from '@/lib/i18n'
import { kindsSaid } from '@/lib/words'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import TextInput from '@/parts/TextInput.vue'
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
// In the language they are written to in; else that of their browser.
watchEffect(() => data.value && void speak(data.value.language ?? ofTheBrowser()))
const { problem, attempt } = useDeed()
const other = ref(false)
const wishOn = ref('')
const wish = ref('')
const day = (on: string) =>
  new Date(`${on}T12:00:00Z`).toLocaleDateString(locale(), {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  })
async function answer(accept: boolean) {
  await attempt(async () => {
    const body = accept ? { accept } : { accept, wish_on: wishOn.value || null, wish: wish.value || null }
    queries.setQueryData(key, await told(api.POST('/api/v1/answers/{proposal}/{signature}', { params, body })))
    other.value = false
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
      <p v-if="data.status === 'moved'" role="status">{{ $t('answer-place.this-day-has-changed') }}</p>
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
        </div>
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
