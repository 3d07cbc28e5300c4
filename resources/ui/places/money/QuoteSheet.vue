<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { useMoney } from '@/lib/money'
import { kinds } from '@/lib/words'
import { costParts } from './parts'

// One year as it was offered; what it costs the business stands only here, not on the paper.
defineProps<{ quote: Schemas['Quote'] }>()
const money = useMoney()
</script>

<template>
  <section class="sheet" :aria-label="quote.title">
    <div class="row spread">
      <h2>{{ quote.title }}</h2>
      <a class="beside" :href="`/api/v1/quotes/${quote.id}/pdf`" download>As PDF for the client</a>
    </div>
    <p>
      {{ quote.answer.visits }} visits, {{ quote.answer.toppers }} toppers, {{ quote.answer.hours }} hours in a
      year<template v-if="quote.client">, for {{ quote.client }}</template
      >.
    </p>
    <article v-for="line in quote.answer.vehicles" :key="line.vehicle_id">
      <h3>{{ line.vehicle }}</h3>
      <p class="small quiet">
        {{ line.programme ?? 'Its own rhythm' }}: every {{ line.every_days }} days<template v-if="line.salt_every_days"
          >, every {{ line.salt_every_days }} on salt</template
        ><template v-if="line.topper_weeks">, a topper about every {{ line.topper_weeks }} weeks</template>
      </p>
      <div class="scroll" tabindex="0" role="group" :aria-label="`What ${line.vehicle} comes to`">
        <table>
          <tbody>
            <tr v-for="one in line.lines" :key="one.kind">
              <td>
                {{ kinds[one.kind] ?? one.kind }}<span v-if="!one.listed" class="small quiet"> not in the list</span>
              </td>
              <td class="num">{{ one.times }} ×</td>
              <td class="num">{{ money(one.each_minor) }}</td>
              <td class="num">{{ money(one.minor) }}</td>
            </tr>
            <tr class="sum">
              <td colspan="3">{{ line.hours }} h, costs us {{ money(line.cost.total) }}</td>
              <td class="num">{{ money(line.price_minor) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </article>
    <p class="all">
      <strong>{{ money(quote.answer.price_minor) }}</strong> a year. It costs {{ money(quote.answer.cost.total) }};
      <strong :class="{ refused: quote.answer.margin_minor < 0 }">{{ money(quote.answer.margin_minor) }}</strong> stays.
    </p>
    <p class="small quiet">
      Of the cost:
      <template v-for="([key, name], i) in costParts" :key="key"
        >{{ i ? ', ' : '' }}{{ name.toLowerCase() }} {{ money(quote.answer.cost[key]) }}</template
      >.
    </p>
    <h3>What this takes for granted</h3>
    <ul class="small">
      <li v-for="one in quote.answer.assumes" :key="one">{{ one }}</li>
    </ul>
    <template v-if="quote.answer.inside.length">
      <h3>Ours alone, on no paper of the client’s</h3>
      <ul class="small">
        <li v-for="one in quote.answer.inside" :key="one">{{ one }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}

td {
  padding: 4px var(--s2) 4px 0;
  border-bottom: 1px solid var(--line);
}

.num {
  text-align: right;
  white-space: nowrap;
}

.sum td {
  border-bottom: 0;
  font-weight: 600;
}

h3 {
  margin: var(--s4) 0 2px;
}

p {
  margin: 0 0 4px;
}

.all {
  margin-top: var(--s4);
  font-size: 19px;
}
</style>
