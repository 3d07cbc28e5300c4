<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { dayAndTime, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'

// What the client gets to read: on paper, or behind an address that shows this and nothing else, until it is revoked.
const props = defineProps<{ vehicleId: string; turnId?: string }>()
const { zone } = useMe()
const path = computed(() => ({ path: { vehicle: props.vehicleId } }))
const { data, error } = useQuery({
  queryKey: ['record-links', () => props.vehicleId],
  queryFn: () => told(api.GET('/api/v1/vehicles/{vehicle}/record-links', { params: path.value })),
})
type Kind = Schemas['RecordLink']['kind']
const names: Record<Kind, string> = { turn: 'This turn', year: 'The last twelve months', history: 'The whole history' }
const kinds = computed<Kind[]>(() => (props.turnId ? ['turn'] : ['year', 'history']))
const links = computed(() =>
  (data.value?.data ?? []).filter((one) => (props.turnId ? one.turn_id === props.turnId : one.kind !== 'turn')),
)
const made = ref<string | null>(null)
const { problem, attempt } = useDeed('record-links')
const pdf = (kind: Kind) =>
  `/api/v1/vehicles/${props.vehicleId}/record?kind=${kind}${props.turnId ? `&turn_id=${props.turnId}` : ''}`
const make = (kind: Kind) =>
  attempt(async () => {
    const link = await told(
      api.POST('/api/v1/vehicles/{vehicle}/record-links', {
        params: path.value,
        body: { kind, turn_id: props.turnId ?? null },
      }),
    )
    made.value = link.url ?? null
  })
const revoke = (link: string) =>
  attempt(async () => {
    await told(api.DELETE('/api/v1/record-links/{link}', { params: { path: { link } } }))
    made.value = null
  })
</script>

<template>
  <section class="sheet" :aria-label="$t('record-card.for-the-client')">
    <h2>{{ $t('record-card.for-the-client') }}</h2>
    <ul class="lines">
      <li v-for="kind in kinds" :key="kind">
        <span>{{ names[kind] }}</span>
        <span class="row">
          <a :href="pdf(kind)" target="_blank" class="words" :aria-label="`${names[kind]} as PDF`">{{
            $t('record-card.pdf')
          }}</a>
          <button type="button" class="words" :aria-label="`${names[kind]}: make a link`" @click="make(kind)">
            {{ $t('record-card.make-a-link') }}
          </button>
        </span>
      </li>
    </ul>
    <p v-if="made" class="once" role="status">
      {{ $t('record-card.whoever-has-this-address') }} <code>{{ made }}</code>
    </p>
    <ProblemNote :problem="error ?? problem" />
    <template v-if="links.length">
      <h3>{{ $t('record-card.links-that-lead-somewhere') }}</h3>
      <ul class="lines small">
        <li v-for="link in links" :key="link.id">
          <span>{{
            $t('record-card.made', {
              x: names[link.kind],
              shortDay: shortDay(link.made_at, zone),
              x2: link.read_at ? `read ${dayAndTime(link.read_at, zone)}` : $t('record-card.not-read-yet'),
            })
          }}</span>
          <button type="button" class="words small" @click="revoke(link.id)">{{ $t('record-card.revoke') }}</button>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
h2,
h3 {
  margin: 0 0 4px;
}

h3 {
  margin-top: var(--s3);
}
</style>
