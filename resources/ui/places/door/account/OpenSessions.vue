<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { useDeed } from '@/lib/deed'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'
import { deviceSaid } from './device'

const { zone } = useMe()
const { data: sessions } = useQuery({ queryKey: ['sessions'], queryFn: () => told(api.GET('/api/v1/me/sessions')) })
const { busy, problem, attempt } = useDeed('sessions')
const end = (session: string) =>
  attempt(() => told(api.DELETE('/api/v1/me/sessions/{session}', { params: { path: { session } } })))
const endAll = () => attempt(() => told(api.DELETE('/api/v1/me/sessions')))
</script>

<template>
  <section class="sheet grid">
    <h2>Where you are signed in</h2>
    <ul class="lines">
      <li v-for="one in sessions?.data" :key="one.id">
        <span
          ><strong :title="one.device">{{ deviceSaid(one.device) }}</strong>
          <span class="quiet">
            {{ one.here ? 'this one' : `last seen ${dayAndTime(one.seen_at, zone)}` }}, from {{ one.address }}</span
          ></span
        >
        <button v-if="!one.here" type="button" class="words" :disabled="busy" @click="end(one.id)">Sign it out</button>
      </li>
    </ul>
    <ProblemNote :problem="problem" />
    <div v-if="(sessions?.data.length ?? 0) > 1">
      <button type="button" class="beside" :disabled="busy" @click="endAll">
        A phone is lost: sign out all but this
      </button>
    </div>
  </section>
</template>
