<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { useMe } from '@/lib/session'
import OpenDoors from './OpenDoors.vue'

// Who came in or tried to, and what leads in from outside.
const { zone } = useMe()
const { data: trail } = useQuery({ queryKey: ['trail'], queryFn: () => told(api.GET('/api/v1/trail')) })
</script>

<template>
  <div class="page narrow grid">
    <h1>Sign-ins</h1>
    <OpenDoors />
    <section class="sheet grid">
      <h2>What happened</h2>
      <ul class="lines">
        <li v-for="one in trail?.data" :key="one.id">
          <span
            ><strong>{{ one.who ?? 'Somebody unknown' }}</strong
            >: {{ one.says }} <span v-if="one.address" class="small quiet">from {{ one.address }}</span></span
          >
          <span class="small quiet">{{ dayAndTime(one.at, zone) }}</span>
        </li>
      </ul>
      <p v-if="trail && !trail.data.length" class="quiet">Nothing yet.</p>
    </section>
  </div>
</template>
