<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { dayIn, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { uses } from '@/places/shelf/gear/words'
import LoadLine from './LoadLine.vue'
import ShoppingList from './ShoppingList.vue'
import { useTicks } from './ticks'

// What goes into the van for some days, ticked off as it lies there; what has to be mixed, bought and washed for it.
const { zone } = useMe()
const units = useUnits()
const from = ref(dayIn(zone.value))
const to = ref(from.value)
const span = computed(() => ({ from: from.value, to: to.value < from.value ? from.value : to.value }))
// The list opens without signal as it was seen last.
const kept = useLocalStorage<Schemas['Load'] | null>('load-list', null, {
  serializer: { read: (text) => JSON.parse(text) as Schemas['Load'] | null, write: JSON.stringify },
})
const { data, error, isPending } = useQuery({
  queryKey: ['load', span],
  queryFn: async () => {
    const load = await told(api.GET('/api/v1/load', { params: { query: span.value } }))
    kept.value = load
    return load
  },
})
const load = computed(
  () =>
    data.value ?? (kept.value?.from === span.value.from && kept.value.to === span.value.to ? kept.value : undefined),
)
const { isTicked, tick, waiting, done, of } = useTicks(span, load)
const volume = (ml: number) => units.volume(ml)
const day = (on: string) => shortDay(on, zone.value)
const days = computed(() => {
  const by = new Map<string, string[]>()
  for (const visit of load.value?.visits ?? []) by.set(visit.on, [...(by.get(visit.on) ?? []), visit.name])
  return [...by]
})
const washes = computed(() =>
  (load.value?.towels ?? []).flatMap((one) =>
    one.washes.map((wash) => ({ ...wash, name: one.pool ?? uses[one.use] ?? one.use })),
  ),
)
function week() {
  to.value = new Date(Date.parse(`${from.value}T12:00:00Z`) + 6 * 86_400_000).toISOString().slice(0, 10)
}
</script>

<template>
  <div class="page load">
    <p class="quiet small"><RouterLink to="/round">Round</RouterLink></p>
    <header class="row head">
      <h1>Into the van</h1>
      <Field label="From"
        ><template #default="f"><DayInput v-bind="f" v-model="from" required /></template
      ></Field>
      <Field label="To"
        ><template #default="f"><DayInput v-bind="f" v-model="to" :min="from" required /></template
      ></Field>
      <button type="button" class="words" @click="week">The whole week</button>
    </header>
    <ProblemNote v-if="!load" :problem="error" />
    <p v-else-if="error" class="quiet small" role="status">
      No signal: the list as it was seen last. Ticks are kept here.
    </p>
    <p v-if="isPending && !load" class="quiet" role="status">Laying out the turns…</p>
    <template v-if="load">
      <p v-if="!load.visits.length" class="sheet">
        Nobody is on the way on these days. Put vehicles on the <RouterLink to="/round">round</RouterLink> or plan the
        <RouterLink to="/weeks">weeks</RouterLink>, and what they need stands here.
      </p>
      <template v-else>
        <p class="small who">
          <span v-for="[on, names] in days" :key="on"
            ><strong>{{ day(on) }}</strong> {{ names.join(', ') }}</span
          >
        </p>
        <p class="count" role="status">
          <strong>{{ done }} of {{ of }}</strong> in the van<template v-if="waiting"
            >; {{ waiting }} tick{{ waiting === 1 ? '' : 's' }} still to be told</template
          >.
        </p>
        <div class="two">
          <section class="sheet" aria-label="Products">
            <h2>Bottles</h2>
            <ul class="plain">
              <LoadLine
                v-for="one in load.products"
                :key="one.line"
                :ticked="isTicked(one.line, one.ticked)"
                :name="one.name"
                :amount="volume(one.take_ml)"
                :short="one.missing_ml > 0 ? `${volume(one.missing_ml)} short: ${volume(one.stock_ml)} left` : null"
                :level="one.stock_ml > 0 ? Math.min(1, one.take_ml / one.stock_ml) : 1"
                :note="
                  [
                    one.need_ml > 0 ? null : 'only if a reading asks for it',
                    one.need_ml > 0 && one.maybe_ml > 0 ? `${volume(one.maybe_ml)} of it only if a reading asks` : null,
                    one.batch ? `batch ${one.batch}` : null,
                    one.expires ? `good until ${day(one.expires)}` : null,
                  ]
                    .filter(Boolean)
                    .join(' · ')
                "
                @tick="tick(one.line, $event)"
              />
            </ul>
            <p class="small quiet">The doses of all turns and a fifth more.</p>
          </section>
          <div>
            <section class="sheet" aria-label="Towels and mitts">
              <h2>Towels and mitts</h2>
              <ul class="plain">
                <LoadLine
                  v-for="one in load.towels"
                  :key="one.line"
                  :ticked="isTicked(one.line, one.ticked)"
                  :name="uses[one.use] ?? one.use"
                  :amount="String(one.take)"
                  :colour="one.colour"
                  :short="
                    !one.known
                      ? null
                      : one.short > 0
                        ? `${one.short} too few, whatever is washed`
                        : one.take > one.clean
                          ? `${one.take - one.clean} more to be washed first`
                          : null
                  "
                  :note="one.known ? `${one.clean} clean, ${one.dirty} dirty` : 'nobody has counted these'"
                  @tick="tick(one.line, $event)"
                />
              </ul>
              <template v-if="washes.length">
                <h3>To wash</h3>
                <ul class="plain small">
                  <li v-for="wash in washes" :key="wash.name + wash.before">
                    {{ wash.pieces }} × {{ wash.name }}, to be clean for <strong>{{ day(wash.before) }}</strong>
                  </li>
                </ul>
              </template>
            </section>
            <section class="sheet" aria-label="Water and power">
              <h2>Water and power</h2>
              <ul class="plain">
                <LoadLine
                  v-if="load.water.treated_l > 0"
                  :ticked="isTicked('water', load.water.ticked)"
                  name="Treated water"
                  :amount="volume(load.water.treated_l * 1000)"
                  :short="
                    load.water.fills > 0
                      ? `fill the tank ${load.water.fills} time${load.water.fills === 1 ? '' : 's'} more`
                      : null
                  "
                  :note="
                    load.water.tank_l === null
                      ? 'no tank in the gear'
                      : `${volume(load.water.tank_l * 1000)} in the tank`
                  "
                  @tick="tick('water', $event)"
                />
                <LoadLine
                  v-if="load.power.packs > 0"
                  :ticked="isTicked('power', load.power.ticked)"
                  name="Charged packs for the dryer"
                  :amount="String(load.power.packs)"
                  :short="load.power.packs > load.power.has ? `${load.power.has} there` : null"
                  :note="`${load.power.minutes} min of air where there is no mains, ${load.power.wh} Wh. Keep packs dry.`"
                  @tick="tick('power', $event)"
                />
              </ul>
              <p v-if="!load.water.treated_l && !load.power.packs" class="small quiet">
                Neither treated water nor packs are asked for.
              </p>
            </section>
          </div>
        </div>
        <section class="sheet" aria-label="To mix">
          <h2>To mix</h2>
          <ul class="plain mixes">
            <li v-for="fill in load.fills" :key="`${fill.kind} ${fill.vessel} ${fill.product}`">
              <strong>{{ fill.product }}</strong>
              {{ fill.vessel ?? fill.kind }}: {{ volume(fill.mix_ml)
              }}<template v-if="fill.product_ml && fill.product_ml < fill.mix_ml"
                >, of it {{ volume(fill.product_ml) }} product</template
              ><template v-if="fill.times > 1">, in {{ fill.times }} fillings</template>
            </li>
          </ul>
        </section>
      </template>
      <ShoppingList :shopping="load.shopping" :span="span" />
    </template>
  </div>
</template>

<style scoped>
.head {
  gap: var(--s4);
  align-items: flex-end;
  margin-bottom: var(--s3);
}

.who {
  display: grid;
  gap: 2px;
}

.sheet {
  margin-bottom: var(--s4);
}

.count {
  font-size: 18px;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--s4);
  align-items: start;
}

.plain {
  list-style: none;
  margin: 0;
  padding: 0;
}

.mixes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(320px, 100%), 1fr));
  gap: 6px var(--s4);
}

@media (max-width: 700px) {
  .head h1 {
    flex: 1 1 100%;
  }

  .head :deep(.field) {
    flex: 1 1 40%;
  }

  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
