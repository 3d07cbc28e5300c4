<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useMoney } from '@/lib/money'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import ProblemNote from '@/parts/ProblemNote.vue'
import CostBar from './CostBar.vue'
import ForAccounts from './ForAccounts.vue'
import UnpricedNote from './UnpricedNote.vue'
import MoneyNav from './MoneyNav.vue'
import { costParts } from './parts'

// What the last year cost: vehicle by vehicle, programme by programme, and each topper for a week it really protected.
const { zone } = useMe()
const units = useUnits()
const money = useMoney()
const { data, error, isPending } = useQuery({ queryKey: ['money'], queryFn: () => told(api.GET('/api/v1/money')) })
const most = computed(() => Math.max(1, ...(data.value?.vehicles ?? []).map((one) => one.cost.total)))
const vehicles = computed(() => [...(data.value?.vehicles ?? [])].sort((a, b) => b.cost.total - a.cost.total))
</script>

<template>
  <div class="page">
    <MoneyNav />
    <ProblemNote :problem="error" />
    <ForAccounts />
    <p v-if="isPending" class="quiet" role="status">Adding up…</p>
    <template v-if="data">
      <p v-if="data.ahead.visits" class="lead">
        {{ shortDay(data.ahead.from, zone) }} to {{ shortDay(data.ahead.to, zone) }}: {{ data.ahead.visits }} visits,
        {{ data.ahead.hours }} hours of work, <strong>{{ money(data.ahead.listed_minor) }}</strong> by the price list.
        <span v-if="data.ahead.unlisted" class="small quiet"
          >{{ data.ahead.unlisted }} of what is planned {{ data.ahead.unlisted === 1 ? 'has' : 'have' }} no price
          yet.</span
        >
        <RouterLink to="/round/load">What it needs</RouterLink>
      </p>
      <p v-if="!data.total.turns" class="sheet">
        Nothing has been recorded in a year. Every turn that is written down with its minutes, products and towels has
        its cost here.
      </p>
      <template v-else>
        <p class="lead">
          {{ data.total.turns }} turns since {{ shortDay(data.since, zone) }}:
          <strong>{{ money(data.total.cost.total) }}</strong>, {{ money(data.total.each_minor) }} each,
          {{ data.total.hours }} hours.
          <span v-if="data.total.untimed" class="small quiet"
            >{{ data.total.untimed }} without minutes: their time is missing.</span
          >
        </p>
        <UnpricedNote :names="data.total.unpriced" />
        <div class="scroll" tabindex="0" role="group" aria-label="Cost by vehicle">
          <table class="listed">
            <thead>
              <tr>
                <th scope="col">Vehicle</th>
                <th scope="col" class="wide"><span class="hidden-text">Shares</span></th>
                <th v-for="[key, name] in costParts" :key="key" scope="col" class="number" :class="key">{{ name }}</th>
                <th scope="col" class="number">Turns</th>
                <th scope="col" class="number">Each</th>
                <th scope="col" class="number">Together</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in vehicles" :key="one.vehicle_id">
                <th scope="row">
                  <RouterLink :to="`/vehicles/${one.vehicle_id}`">{{ one.name }}</RouterLink>
                  <span class="small quiet block">{{ one.programme ?? one.client }}</span>
                </th>
                <td class="wide"><CostBar :cost="one.cost" :most="most" /></td>
                <td v-for="[key] in costParts" :key="key" class="number">{{ money(one.cost[key]) }}</td>
                <td class="number">{{ one.turns }}</td>
                <td class="number">{{ money(one.each_minor) }}</td>
                <td class="number">
                  <strong>{{ money(one.cost.total) }}</strong>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <div class="two">
          <section class="sheet" aria-label="By programme">
            <h2>By programme</h2>
            <ul class="lines">
              <li v-for="one in data.programmes" :key="one.programme ?? ''">
                <span
                  >{{ one.programme ?? 'Own rhythm'
                  }}<span class="small quiet block">{{ one.turns }} turns, {{ one.hours }} h</span></span
                >
                <span class="number"
                  ><strong>{{ money(one.cost.total) }}</strong> · {{ money(one.each_minor) }} each</span
                >
              </li>
            </ul>
          </section>
          <section class="sheet" aria-label="A week of protection">
            <h2>What a week of protection costs</h2>
            <p class="small quiet">
              Product and time of one application over the life that was found, not over what the label says.
            </p>
            <ul class="lines">
              <li v-for="one in data.toppers" :key="one.product_id">
                <span
                  ><strong>{{ one.name }}</strong
                  ><span class="small quiet block"
                    >{{ one.times }} times, {{ units.volume(one.ml) }} and {{ one.minutes }} min for
                    {{ money(one.each_minor) }}; lasts {{ one.found_weeks }} weeks, by {{ one.evidence }} layer{{
                      one.evidence === 1 ? '' : 's'
                    }}<template v-if="one.label_weeks">; its label says {{ one.label_weeks }}</template></span
                  ></span
                >
                <span class="number"
                  ><strong>{{ money(one.found_minor) }}</strong
                  ><span v-if="one.label_minor !== null" class="small quiet block"
                    >{{ money(one.label_minor) }} by the label</span
                  ></span
                >
              </li>
            </ul>
            <p v-if="!data.toppers.length" class="quiet">No topper was written down with its quantity yet.</p>
          </section>
        </div>
      </template>
    </template>
  </div>
</template>

<style scoped>
.lead {
  font-size: 18px;
}

th,
td {
  padding: 5px var(--s2);
  vertical-align: middle;
}

.wide {
  width: 22%;
  min-width: 120px;
}

.block {
  display: block;
  font-weight: 400;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: var(--s4);
  margin-top: var(--s5);
  align-items: start;
}

thead .time {
  border-bottom-color: var(--ink-2);
}

thead .products {
  border-bottom: 3px solid var(--film);
}

@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
