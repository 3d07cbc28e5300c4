<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'
import { dayIn } from '@/lib/dates'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// Who goes together: hours of each weekday, and the days that differ.
const props = defineProps<{ crew: Schemas['Crew'] | null }>()
const emit = defineEmits<{ done: [] }>()
const { zone } = useMe()
const queries = useQueryClient()
const names = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const name = ref(props.crew?.name ?? '')
const people = ref(String(props.crew?.people ?? 1))
/** Whose pace counts: those of them who sign in here. */
const members = ref<string[]>([...(props.crew?.members ?? [])])
const { data: listed } = useQuery({ queryKey: ['members'], queryFn: () => told(api.GET('/api/v1/members')) })
const everybody = computed(() => listed.value?.data ?? [])
const hours = ref<Record<string, string>>(
  Object.fromEntries(
    names.map((_, i) => {
      const minutes = (props.crew?.minutes as Record<string, number> | undefined)?.[String(i + 1)]
      return [String(i + 1), minutes ? String(minutes / 60) : props.crew || i > 4 ? '' : '7']
    }),
  ),
)
const days = ref<{ on: string; hours: string; note: string }[]>(
  (props.crew?.days ?? []).map((day) => ({ on: day.on, hours: String(day.minutes / 60), note: day.note ?? '' })),
)
const problem = ref<unknown>(null)
const busy = ref(false)
const fields = computed(() => (problem.value instanceof Problem ? problem.value.fields : {}))
const minutes = (typed: string) => Math.round(60 * Number(typed || 0))

async function save() {
  busy.value = true
  problem.value = null
  const body = {
    name: name.value,
    people: Number(people.value) || 1,
    members: members.value,
    minutes: Object.fromEntries(
      Object.entries(hours.value).flatMap(([day, typed]) => (minutes(typed) > 0 ? [[day, minutes(typed)]] : [])),
    ),
    days: days.value
      .filter((day) => day.on)
      .map((day) => ({ on: day.on, minutes: minutes(day.hours), note: day.note || null })),
  }
  try {
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
  } catch (caught) {
    problem.value = caught
  } finally {
    busy.value = false
  }
}
async function putAway() {
  if (!props.crew) return
  try {
    await told(api.DELETE('/api/v1/crews/{crew}', { params: { path: { crew: props.crew.id } } }))
    await queries.invalidateQueries({ queryKey: ['crews'] })
    await queries.invalidateQueries({ queryKey: ['weeks'] })
  } catch (caught) {
    problem.value = caught
  }
}
</script>

<template>
  <form class="sheet grid" novalidate :aria-label="crew?.name ?? 'A new crew'" @submit.prevent="save">
    <Field label="Who" :error="fields.name"
      ><template #default="f"><PlainInput v-bind="f" v-model="name" maxlength="120" /></template
    ></Field>
    <Field label="How many they are" :error="fields.people"
      ><template #default="f"
        ><PlainInput v-bind="f" v-model="people" type="number" min="1" max="8" inputmode="numeric" /></template
    ></Field>
    <fieldset v-if="everybody.length > 1">
      <legend>Who of those who sign in here; their own pace counts</legend>
      <label v-for="one in everybody" :key="one.user_id" class="row check"
        ><input v-model="members" type="checkbox" :value="one.user_id" /> {{ one.name }}</label
      >
    </fieldset>
    <div class="week">
      <Field v-for="(day, i) in names" :key="day" :label="day"
        ><template #default="f"
          ><PlainInput
            v-bind="f"
            v-model="hours[String(i + 1)]"
            type="number"
            min="0"
            max="24"
            step="0.25"
            inputmode="decimal"
            suffix="h" /></template
      ></Field>
    </div>
    <fieldset>
      <legend>Days that differ</legend>
      <div v-for="(day, i) in days" :key="i" class="other">
        <Field label="On"
          ><template #default="f"><PlainInput v-bind="f" v-model="day.on" type="date" :min="dayIn(zone)" /></template
        ></Field>
        <Field label="Hours"
          ><template #default="f"
            ><PlainInput v-bind="f" v-model="day.hours" type="number" min="0" step="0.25" suffix="h" /></template
        ></Field>
        <Field label="Why" optional
          ><template #default="f"><PlainInput v-bind="f" v-model="day.note" maxlength="120" /></template
        ></Field>
        <button type="button" class="words" :aria-label="`take out ${day.on}`" @click="days.splice(i, 1)">
          take out
        </button>
      </div>
      <button type="button" class="words" @click="days.push({ on: '', hours: '0', note: '' })">
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
