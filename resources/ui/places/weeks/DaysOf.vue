<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { dayIn, shortDay } from '@/lib/dates'
import { removed } from '@/lib/gone'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import NumberInput from '@/parts/NumberInput.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import ReadCalendar from './ReadCalendar.vue'

// Days that bind the plan: of one vehicle its deadlines and the days it is away; of all, when nobody works.
const props = defineProps<{ vehicleId?: string }>()
const { zone } = useMe()
const { data } = useQuery({
  queryKey: ['days', () => props.vehicleId ?? 'all'],
  queryFn: () =>
    told(api.GET('/api/v1/days', { params: { query: props.vehicleId ? { vehicle: props.vehicleId } : {} } })),
})
const closures = computed(() =>
  (data.value?.closures ?? []).filter((one) => props.vehicleId || (!one.vehicle_id && !one.site_id)),
)
const { problem, attempt, fields } = useDeed('days', 'weeks')
const noDeadline = () => ({ on: '', within: 2 as number | null, note: '' })
const deadline = ref(noDeadline())
const away = ref({ from: '', to: '', note: '' })
const day = (on: string) => shortDay(on, zone.value)

const setDeadline = () =>
  attempt(
    () =>
      told(
        api.POST('/api/v1/deadlines', {
          body: {
            vehicle_id: props.vehicleId ?? '',
            on: deadline.value.on,
            within_days: deadline.value.within ?? 0,
            note: deadline.value.note || null,
          },
        }),
      ),
    () => (deadline.value = noDeadline()),
  )
const close = () =>
  attempt(
    () =>
      told(
        api.POST('/api/v1/closures', {
          body: {
            vehicle_id: props.vehicleId ?? null,
            from_on: away.value.from,
            to_on: away.value.to || away.value.from,
            note: away.value.note || null,
          },
        }),
      ),
    () => (away.value = { from: '', to: '', note: '' }),
  )
const dropDeadline = ({ id, on }: Schemas['Deadline']) =>
  attempt(
    () => told(api.DELETE('/api/v1/deadlines/{deadline}', { params: { path: { deadline: id } } })),
    () => removed(`The deadline of ${day(on)}`, id),
  )
const open = ({ id, from_on }: Schemas['Closure']) =>
  attempt(
    () => told(api.DELETE('/api/v1/closures/{closure}', { params: { path: { closure: id } } })),
    () => removed(`What was closed from ${day(from_on)}`, id),
  )
</script>

<template>
  <section class="sheet" aria-label="Days that bind the plan">
    <h2>{{ vehicleId ? 'Deadlines and days away' : 'Days on which nobody works' }}</h2>
    <ul class="lines">
      <template v-if="vehicleId">
        <li v-for="one in data?.deadlines ?? []" :key="one.id">
          <span
            ><strong>{{ day(one.on) }}</strong
            >, washed at most {{ one.within_days }} day{{ one.within_days === 1 ? '' : 's' }} before<template
              v-if="one.note"
              >: {{ one.note }}</template
            ></span
          >
          <button type="button" class="words small" :aria-label="`drop ${day(one.on)}`" @click="dropDeadline(one)">
            drop
          </button>
        </li>
      </template>
      <li v-for="one in closures" :key="one.id">
        <span
          >{{ vehicleId ? 'Away' : 'Closed' }} <strong>{{ day(one.from_on) }}</strong><template
            v-if="one.to_on !== one.from_on"
          >
            to {{ day(one.to_on) }}</template
          ><template v-if="one.note">: {{ one.note }}</template></span
        >
        <button type="button" class="words small" :aria-label="`open again ${day(one.from_on)}`" @click="open(one)">
          open again
        </button>
      </li>
    </ul>
    <ProblemNote :problem="problem" />
    <details v-if="vehicleId" class="unfold">
      <summary>Set a deadline</summary>
      <form class="add" novalidate @submit.prevent="setDeadline">
        <Field label="It must shine on" :error="fields.on"
          ><template #default="f"><DayInput v-bind="f" v-model="deadline.on" :min="dayIn(zone)" /></template
        ></Field>
        <Field label="Washed at most" :error="fields.within_days"
          ><template #default="f"><NumberInput v-bind="f" v-model="deadline.within" suffix="days before" /></template
        ></Field>
        <Field label="What for" optional
          ><template #default="f"><TextInput v-bind="f" v-model="deadline.note" maxlength="240" /></template
        ></Field>
        <button type="submit" class="beside" :disabled="!deadline.on">Set it</button>
      </form>
    </details>
    <details class="unfold">
      <summary>{{ vehicleId ? 'It is away' : 'Close days' }}</summary>
      <form class="add" novalidate @submit.prevent="close">
        <Field label="From" :error="fields.from_on"
          ><template #default="f"><DayInput v-bind="f" v-model="away.from" :min="dayIn(zone)" /></template
        ></Field>
        <Field label="To" optional :error="fields.to_on"
          ><template #default="f"><DayInput v-bind="f" v-model="away.to" :min="away.from || dayIn(zone)" /></template
        ></Field>
        <Field label="Why" optional
          ><template #default="f"><TextInput v-bind="f" v-model="away.note" maxlength="240" /></template
        ></Field>
        <button type="submit" class="beside" :disabled="!away.from">Close them</button>
      </form>
    </details>
    <ReadCalendar v-if="vehicleId" :vehicle-id="vehicleId" />
  </section>
</template>

<style scoped>
.add {
  display: grid;
  gap: var(--s3);
  margin-bottom: var(--s3);
}
</style>
