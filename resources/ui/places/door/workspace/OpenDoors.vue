<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useDeed } from '@/lib/deed'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'

// Addresses that show something to whoever has them: calendars and records.
const { zone } = useMe()
const { data: feeds } = useQuery({ queryKey: ['feeds'], queryFn: () => told(api.GET('/api/v1/feeds')) })
const { data: links } = useQuery({ queryKey: ['open-links'], queryFn: () => told(api.GET('/api/v1/record-links')) })
const { problem, attempt } = useDeed('feeds', 'open-links', 'trail')
const shutFeed = (feed: string) =>
  attempt(() => told(api.DELETE('/api/v1/feeds/{feed}', { params: { path: { feed } } })))
const shutLink = (link: string) =>
  attempt(() => told(api.DELETE('/api/v1/record-links/{link}', { params: { path: { link } } })))
const kinds = { turn: 'a turn', year: 'a year', history: 'all of it' }
</script>

<template>
  <section class="sheet grid">
    <h2>What leads in from outside</h2>
    <p class="quiet small">Whoever has such an address reads what it shows without signing in.</p>
    <ul class="lines">
      <li v-for="one in feeds?.data" :key="one.id">
        <span
          >Calendar <strong>{{ one.name }}</strong>
          <span class="small quiet">
            made {{ shortDay(one.made_at, zone) }}{{ one.made_by ? ` by ${one.made_by}` : '' }},
            {{ one.read_at ? `read ${shortDay(one.read_at, zone)}` : 'never read' }}</span
          ></span
        >
        <button type="button" class="words" @click="shutFeed(one.id)">Shut it</button>
      </li>
      <li v-for="one in links?.data" :key="one.id">
        <span
          >Record of <strong>{{ one.vehicle }}</strong>, {{ kinds[one.kind] }}
          <span class="small quiet">
            made {{ shortDay(one.made_at, zone) }}{{ one.made_by ? ` by ${one.made_by}` : '' }},
            {{ one.read_at ? `read ${shortDay(one.read_at, zone)}` : 'never read' }}</span
          ></span
        >
        <button type="button" class="words" @click="shutLink(one.id)">Shut it</button>
      </li>
    </ul>
    <p v-if="feeds && links && !feeds.data.length && !links.data.length" class="quiet">Nothing does.</p>
    <ProblemNote :problem="problem" />
  </section>
</template>
