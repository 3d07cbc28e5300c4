<script setup lang="ts">
import { locale } from '@/lib/i18n'
import { useQuery } from '@tanstack/vue-query'
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { all, api, told } from '@/api/client'
import LineChart from '@/film/LineChart.vue'
import Bottle from '@/film/Bottle.vue'
import { dayAndTime, fromToday, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import BenchNav from '@/places/bench/BenchNav.vue'
import NoteReading from './NoteReading.vue'
import TankRun from './TankRun.vue'
import SpotTable from './SpotTable.vue'
import { points } from './words'

// The water: how the chain stands, what was read where over time, what it would leave on which colour.
const { zone } = useMe()
const units = useUnits()
const { data: state, error } = useQuery({ queryKey: ['water'], queryFn: () => told(api.GET('/api/v1/water')) })
const { data: sites } = useQuery({
  queryKey: ['sites'],
  queryFn: () => all((cursor) => told(api.GET('/api/v1/sites', { params: { query: { limit: 200, cursor } } }))),
})
const siteNames = computed(() => Object.fromEntries((sites.value ?? []).map((site) => [site.id, site.name])))
const site = ref<string | null>(null)
const point = ref<'tap' | 'ro' | 'treated' | 'tank'>('tap')
const { data: readings } = useQuery({
  queryKey: ['water', 'readings', site, point],
  queryFn: () =>
    told(
      api.GET('/api/v1/water/readings', {
        params: { query: { limit: 200, point: point.value, ...(site.value ? { site: site.value } : {}) } },
      }),
    ),
})
const line = computed(() => (readings.value?.data ?? []).map((row) => ({ at: row.at, value: row.tds_mg_l })).reverse())
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const resin = computed(() => state.value?.resin)
const latestTap = computed(() => state.value?.points.find((one) => one.point === 'tap')?.tds_mg_l ?? null)
const chosen = computed(() => sites.value?.find((one) => one.id === site.value))
const ofSite = computed(() => chosen.value?.tds_mg_l ?? chosen.value?.hardness_mg_l ?? latestTap.value)
</script>

<template>
  <div class="page water">
    <BenchNav />
    <ProblemNote :problem="error" />
    <div class="ask-and-tell">
      <div class="grid">
        <section class="sheet grid">
          <h2>How the chain stands</h2>
          <ol v-if="state?.points.length" class="chain">
            <li v-for="one in state.points" :key="one.point">
              <span class="figure">{{ one.tds_mg_l.toLocaleString(locale()) }}</span>
              <span class="small">mg/l {{ points[one.point]?.toLowerCase() }}</span>
              <span class="small quiet">{{ one.site ?? '' }} {{ fromToday(one.at, zone) }}</span>
            </li>
          </ol>
          <p v-else class="quiet">Nothing read yet. Hold the pen into the first bucket and note what it shows.</p>
          <div v-if="resin" class="resin">
            <Bottle :left="resin.share_left" />
            <p>
              <strong>{{ resin.name }}: {{ Math.round(resin.share_left * 100) }} % left</strong
              ><template v-if="resin.litres_left !== null"
                >, {{ units.volume(resin.litres_left * 1000) }} at the present feed</template
              >.
              <template v-if="resin.litres_a_week > 0"
                >{{ units.volume(resin.litres_a_week * 1000) }} a week go through it<template v-if="resin.runs_out_on"
                  >: spent about {{ shortDay(resin.runs_out_on, zone) }}</template
                >.</template
              >
              <span v-if="resin.warns" class="refused"
                ><br />Less than 15 % left: have resin at hand; the treated reading will rise first.</span
              >
            </p>
          </div>
          <p v-else class="small quiet">
            <RouterLink to="/shelf/gear">Put the resin among the gear</RouterLink>, and it is told here when it runs
            out.
          </p>
        </section>
        <NoteReading :sites="siteNames" />
      </div>
      <div class="grid">
        <section class="sheet grid">
          <div class="row spread">
            <h2>Over time</h2>
          </div>
          <div class="cols two">
            <Field label="Where"
              ><template #default="f"
                ><OneOf v-bind="f" v-model="site" :options="siteNames" none="everywhere" /></template
            ></Field>
            <Field label="What"
              ><template #default="f"><OneOf v-bind="f" v-model="point" :options="points" /></template
            ></Field>
          </div>
          <div ref="box">
            <LineChart
              v-if="line.length > 1 && width > 60"
              :points="line"
              :width="Math.floor(width)"
              :height="190"
              unit="mg/l"
              :dots="site === null && point === 'tap'"
              :label="`${line.length} readings of dissolved solids, mg/l, the last ${line[line.length - 1]?.value}`"
            />
            <p v-else class="quiet">{{ line.length ? 'One reading so far.' : 'None here so far.' }}</p>
          </div>
          <p v-if="readings?.data[0]" class="small quiet">
            Last: {{ readings.data[0].tds_mg_l }} mg/l, {{ readings.data[0].site }}
            {{ dayAndTime(readings.data[0].at, zone) }}.
          </p>
        </section>
        <TankRun />
        <SpotTable :tds="ofSite" :where="site ? (siteNames[site] ?? '') : 'the last tap read'" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.ask-and-tell {
  --asked: 460px;
}

.chain {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(96px, 1fr));
  gap: var(--s3);
}

.chain li {
  display: grid;
  border-left: 3px solid var(--film);
  padding-left: var(--s2);
}

.figure {
  font: 560 26px var(--book);
}

.resin {
  display: flex;
  gap: var(--s3);
  align-items: center;
}

p {
  margin: 0;
}
</style>
