<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// Addresses at which calendars read the plan: of one crew, or of all; of one vehicle on its page.
const props = defineProps<{ vehicleId?: string; crews?: { id: string; name: string }[] }>()
const { zone } = useMe()
const { data } = useQuery({ queryKey: ['feeds'], queryFn: () => told(api.GET('/api/v1/feeds')) })
const feeds = computed(() =>
  (data.value?.data ?? []).filter((one) => (props.vehicleId ? one.vehicle_id === props.vehicleId : !one.vehicle_id)),
)
const name = ref('')
const crew = ref('')
const made = ref<string | null>(null)
const { problem, attempt } = useDeed('feeds')
const choices = computed(() => ({
  '': 'Everybody’s visits',
  ...Object.fromEntries((props.crews ?? []).map((one) => [one.id, one.name])),
}))
const make = () =>
  attempt(async () => {
    const feed = await told(
      api.POST('/api/v1/feeds', {
        body: { name: name.value, vehicle_id: props.vehicleId ?? null, crew_id: crew.value || null },
      }),
    )
    made.value = feed.url ?? null
    name.value = ''
  })
const revoke = (id: string) =>
  attempt(async () => {
    await told(api.DELETE('/api/v1/feeds/{feed}', { params: { path: { feed: id } } }))
    made.value = null
  })
</script>

<template>
  <section class="sheet" aria-label="Calendars that read the plan">
    <h2>Calendars that read along</h2>
    <ul class="lines">
      <li v-for="feed in feeds" :key="feed.id">
        <span
          >{{ feed.name }}
          <span class="small quiet">{{
            feed.read_at ? `read ${dayAndTime(feed.read_at, zone)}` : 'not read yet'
          }}</span></span
        >
        <button type="button" class="words small" :aria-label="`revoke ${feed.name}`" @click="revoke(feed.id)">
          revoke
        </button>
      </li>
    </ul>
    <p v-if="made" class="once" role="status">
      Subscribe to this address in a calendar; it is shown only now, and whoever has it can read it:
      <code>{{ made }}</code>
    </p>
    <ProblemNote :problem="problem" />
    <details class="unfold">
      <summary>Another calendar</summary>
      <form class="grid" novalidate @submit.prevent="make">
        <Field label="Whose"
          ><template #default="f"
            ><TextInput v-bind="f" v-model="name" maxlength="120" placeholder="Tam’s phone" /></template
        ></Field>
        <Field v-if="crews" label="Shows"
          ><template #default="f"><OneOf v-bind="f" v-model="crew" :options="choices" /></template
        ></Field>
        <button type="submit" class="beside" :disabled="!name">Make its address</button>
      </form>
    </details>
  </section>
</template>
