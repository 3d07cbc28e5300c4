<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import TickMany from '@/parts/TickMany.vue'
import { dayIn } from '@/lib/dates'
import { wentAway } from '@/lib/gone'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import NumberInput from '@/parts/NumberInput.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// Who goes together: hours of each weekday, and the days that differ.
const props = defineProps<{ crew: Schemas['Crew'] | null }>()
const emit = defineEmits<{ done: [] }>()
const { zone } = useMe()
const queries = useQueryClient()
const names = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const name = ref(props.crew?.name ?? '')
const people = ref<number | null>(props.crew?.people ?? 1)
/** Whose pace counts: those of them who sign in here. */
const members = ref<string[]>([...(props.crew?.members ?? [])])
const { data: listed } = useQuery({ queryKey: ['members'], queryFn: () => told(api.GET('/api/v1/members')) })
const everybody = computed(() => listed.value?.data ?? [])
const hours = ref<Record<string, number | null>>(
  Object.fromEntries(
    names.map((_, i) => {
      const minutes = (props.crew?.minutes as Record<string, number> | undefined)?.[String(i + 1)]
      return [String(i + 1), minutes ? minutes / 60 : props.crew || i > 4 ? null : 7]
    }),
  ),
)
const days = ref<{ on: string; hours: number | null; note: string }[]>(
  (props.crew?.days ?? []).map((day) => ({ on: day.on, hours: day.minutes / 60, note: day.note ?? '' })),
)
const { busy, problem, attempt, fields } = useDeed()
const minutes = (typed: number | null) => Math.round(60 * (typed ?? 0))

async function save() {
  busy.value = true
  problem.value = null
  const body = {
    name: name.value,
    people: people.value || 1,
    members: members.value,
    minutes: Object.fromEntries(
      Object.entries(hours.value).flatMap(([day, typed]) => (minutes(typed) > 0 ? [[day, minutes(typed)]] : [])),
    ),
    days: days.value
      .filter((day) => day.on)
      .map((day) => ({ on: day.on, minutes: minutes(day.hours), note: day.note || null })),
  }
  await attempt(async () => {
    if (props.crew)
      await told(
        api.PATCH('/api/v1/crews/{crew}', {
          params: { path: { crew: props.crew.id }, header: { 'If-Match': `"${props.crew.version}"` } },
          body,
        }),
      )
    else await told(api.POST('/api/v1/crews', { body }))
    await queries.invalidateQueries({ queryKey: ['crews'] })
    await queries.invalidateQueries({ queryKey: ['weeks'] })
    emit('done')
  })
}
async function putAway() {
  if (!props.crew) return
  const params = { path: { crew: props.crew.id } }
  const called = props.crew.name
  await attempt(async () => {
    await told(api.DELETE('/api/v1/crews/{crew}', { params }))
    wentAway(`${called} was put away.`, () => told(api.POST('/api/v1/crews/{crew}/restore', { params })))
    await queries.invalidateQueries({ queryKey: ['crews'] })
    await queries.invalidateQueries({ queryKey: ['weeks'] })
  })
}
</script>

<template>
  <form class="sheet grid" novalidate :aria-label="crew?.name ?? 'A new crew'" @submit.prevent="save">
    <Field label="Who" :error="fields.name"
      ><template #default="f"><TextInput v-bind="f" v-model="name" maxlength="120" /></template
    ></Field>
    <Field label="How many they are" :error="fields.people"
      ><template #default="f"><NumberInput v-bind="f" v-model="people" /></template
    ></Field>
    <TickMany
      v-if="everybody.length > 1"
      v-model="members"
      label="Who of those who sign in here; their own pace counts"
      :options="everybody.map((one) => ({ value: one.user_id, name: one.name }))"
    />
    <div class="week">
      <Field v-for="(day, i) in names" :key="day" :label="day"
        ><template #default="f"
          ><NumberInput v-bind="f" v-model="hours[String(i + 1)]" :step="0.25" suffix="h" /></template
      ></Field>
    </div>
    <fieldset>
      <legend>Days that differ</legend>
      <div v-for="(day, i) in days" :key="i" class="other">
        <Field label="On"
          ><template #default="f"><DayInput v-bind="f" v-model="day.on" :min="dayIn(zone)" /></template
        ></Field>
        <Field label="Hours"
          ><template #default="f"><NumberInput v-bind="f" v-model="day.hours" :step="0.25" suffix="h" /></template
        ></Field>
        <Field label="Why" optional
          ><template #default="f"><TextInput v-bind="f" v-model="day.note" maxlength="120" /></template
        ></Field>
        <button type="button" class="words" :aria-label="`take out ${day.on}`" @click="days.splice(i, 1)">
          take out
        </button>
      </div>
      <button type="button" class="words" @click="days.push({ on: '', hours: 0, note: '' })">
        A day off or a longer one
      </button>
    </fieldset>
    <ProblemNote :problem="problem" />
    <div class="row">
      <button type="submit" class="act" :disabled="busy">Save {{ crew ? crew.name : 'the crew' }}</button>
      <button v-if="crew" type="button" class="words" @click="putAway">Put away</button>
    </div>
  </form>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: var(--s2);
}

.other {
  display: grid;
  grid-template-columns: 180px 110px minmax(0, 1fr) auto;
  gap: var(--s2);
  align-items: end;
  margin-bottom: var(--s2);
}

@media (max-width: 700px) {
  .week {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }

  .other {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
