<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'

// Which judgements need practice, person by person.
const { zone } = useMe()
const { data } = useQuery({ queryKey: ['drill-people'], queryFn: () => told(api.GET('/api/v1/drill/people')) })
const names: Record<string, string> = { method: 'the method', soap: 'the soap', drying: 'drying', topper: 'the topper' }
</script>

<template>
  <section v-if="data?.data.length" class="sheet" aria-label="Who practises">
    <h2>Who practises</h2>
    <ul class="lines">
      <li v-for="one in data.data" :key="one.name">
        <span
          ><strong>{{ one.name }}</strong
          ><span class="small quiet block"
            >{{ one.answers }} answers, last on {{ shortDay(one.last_at, zone) }}</span
          ></span
        >
        <span class="small">most about {{ names[one.needs] ?? one.needs }}</span>
      </li>
    </ul>
  </section>
</template>
