<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { washTraits } from '@/lib/words'

// Where the layer went: standing, driving, washing, less what drying aids gave back. It adds up.
const props = defineProps<{ account: Schemas['WearAccount'] }>()
const { zone } = useMe()
const of = (wear: number) => `${Math.round((100 * wear) / props.account.life)} %`
const rows = computed(() =>
  [
    { name: 'Standing in the weather', wear: props.account.standing },
    { name: 'Driving', wear: props.account.driving },
    { name: 'Salt on the road', wear: props.account.salt },
    { name: `${props.account.washes} wash${props.account.washes === 1 ? '' : 'es'}`, wear: props.account.washing },
    { name: 'Given back by drying aids', wear: -props.account.given_back },
  ].filter((row) => Math.abs(row.wear) >= 0.005),
)
const most = computed(() => Math.max(0.01, ...rows.value.map((row) => Math.abs(row.wear))))
</script>

<template>
  <details>
    <summary>Where did it go?</summary>
    <table>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td class="n">{{ of(row.wear) }}</td>
          <td>
            <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
              <rect :width="(100 * Math.abs(row.wear)) / most" height="8" :class="{ back: row.wear < 0 }" />
            </svg>
          </td>
        </tr>
        <tr class="sum">
          <th scope="row">Used up of its likely life in {{ account.days }} days</th>
          <td class="n">{{ of(account.worn) }}</td>
          <td></td>
        </tr>
      </tbody>
    </table>
    <p v-for="wash in account.hard" :key="wash.on" class="small">
      {{ shortDay(wash.on, zone) }}: {{ wash.traits.map((trait) => washTraits[trait] ?? trait).join(', ') }} took
      {{ of(wash.share) }}, {{ (wash.share / 0.25).toFixed(1) }} times a gentle wash.
    </p>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  text-decoration: underline;
  text-underline-offset: 3px;
  padding: 6px 0;
}

table {
  border-collapse: collapse;
  width: min(560px, 100%);
}

th,
td {
  text-align: left;
  font-weight: 400;
  padding: 3px var(--s3) 3px 0;
}

.n {
  text-align: right;
  font-variant-numeric: tabular-nums;
}

.sum th,
.sum td {
  border-top: 1px solid var(--line-strong);
  font-weight: 600;
}

svg {
  display: block;
  width: 160px;
  height: 8px;
}

rect {
  fill: var(--base);
}

.back {
  fill: var(--film);
}
</style>
