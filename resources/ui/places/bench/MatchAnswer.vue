<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useUnits } from '@/lib/units'
import { methods, numbers, waters } from '@/lib/words'
import Glyph from '@/parts/Glyph.vue'
import WhyOther from '@/parts/WhyOther.vue'
import MethodRisk from './MethodRisk.vue'
import RuledOut from './RuledOut.vue'
import SoilRoad from './SoilRoad.vue'
import StepList from './StepList.vue'
import WaysToDry from './WaysToDry.vue'
import { spots, towelNames } from './words'

// The answer: what, why, what with, what was ruled out, what is missing.
const props = defineProps<{ match: Schemas['Match']; soil: number; taken: string[] }>()
const emit = defineEmits<{ dry: [way: string]; take: [product: string] }>()
const units = useUnits()
const stages: Record<string, string> = {
  rinse: 'a rinse',
  prewash: 'a pre-wash',
  foam: 'foam',
  'foam-again': 'foam again',
}
const headline = computed(() => {
  const { method } = props.match
  if (!method.chosen) return 'Not here, not today'
  const name = methods[method.chosen]?.name ?? method.chosen
  const first = method.chosen === 'touchless' ? [] : method.stages.map((stage) => stages[stage.stage] ?? stage.stage)
  if (!first.length) return name
  const last = first[first.length - 1] ?? ''
  return `${name}, after ${first.length > 1 ? `${first.slice(0, -1).join(', ')} and ${last}` : last}`
})
const towels = computed(() =>
  Object.entries(props.match.drying.towels)
    .map(([size, n]) => `${n} ${towelNames[size] ?? size}`)
    .join('; '),
)
const nameOf = (id: string) =>
  props.match.products.find((row) => row.product?.id === id)?.product?.name ??
  props.match.passed.find((row) => row.id === id)?.name ??
  'a product'
const topper = computed(() => props.match.products.find((row) => row.role === 'topper' && row.zone === 'paint'))
</script>

<template>
  <div class="grid answer">
    <header :class="{ none: !match.possible }">
      <div aria-live="polite">
        <h2 class="head">
          <Glyph v-if="!match.possible" name="no" :size="24" />
          {{ headline }}
        </h2>
        <p>{{ match.method.why }}</p>
      </div>
      <ul v-if="match.method.instead.length" class="plain">
        <li v-for="line in match.method.instead" :key="line">{{ line }}</li>
      </ul>
      <div class="actions"><slot /></div>
    </header>

    <p v-for="line in match.contradictions" :key="line" class="doubt"><Glyph name="care" :size="16" /> {{ line }}</p>

    <SoilRoad v-if="match.method.stages.length" :match="match" :soil="soil" />

    <p v-if="match.possible && match.problem" class="doubt"><Glyph name="care" :size="16" /> {{ match.problem }}</p>
    <dl v-if="match.possible" class="facts">
      <template v-if="match.totals.minutes">
        <dt>Takes</dt>
        <dd>
          <strong
            >About {{ match.totals.minutes }} minutes{{
              match.totals.people > 1 ? ` for ${numbers[match.totals.people]}` : ''
            }}</strong
          >
          <span class="small"
            >nine times in ten within {{ match.totals.nine_in_ten
            }}<template v-if="match.totals.tap_l + match.totals.treated_l > 0"
              >; {{ units.volume(1000 * (match.totals.tap_l + match.totals.treated_l)) }} of water</template
            ></span
          >
          <WhyOther v-if="match.expected" :expected="match.expected" :minutes="match.totals.minutes" />
        </dd>
      </template>
      <template v-if="match.cooling">
        <dt>First cool</dt>
        <dd>
          <strong
            >From {{ units.temperature(match.cooling.from_c) }} to {{ units.temperature(match.cooling.to_c) }}</strong
          >
          <span class="small">Shade, then water on the panels, before any product touches them.</span>
        </dd>
      </template>
      <dt>Topper</dt>
      <dd>
        <strong>{{ match.topper.says }}{{ topper?.product ? `: ${topper.product.name}` : '' }}</strong>
        <span class="small">{{ match.topper.why }}</span>
      </dd>
      <dt>Final rinse</dt>
      <dd>
        <strong
          >{{ waters[match.final_rinse.water] ?? match.final_rinse.water
          }}{{ match.final_rinse.spots ? ` leaves ${spots[match.final_rinse.spots]}` : '' }}</strong
        >
        <span class="small">{{ match.final_rinse.why }}</span>
      </dd>
      <dt>Drying</dt>
      <dd>
        <strong>{{ match.drying.name }}</strong>
        <span class="small"
          >{{ match.drying.why }}
          <template v-if="match.drying.litres > 0"
            >{{ units.volume(match.drying.litres * 1000) }} left to take up: {{ towels }}.</template
          ></span
        >
        <WaysToDry :drying="match.drying" @dry="emit('dry', $event)" />
      </dd>
      <template v-if="match.towels">
        <dt>Wash towels</dt>
        <dd>
          <strong>{{ match.towels.towels }}, folded twice</strong>
          <span class="small">{{ match.towels.sides }} sides, each used once</span>
        </dd>
      </template>
    </dl>

    <MethodRisk :match="match" />

    <section v-if="taken.length" aria-label="Taken by hand">
      <h3>Taken by hand</h3>
      <ul class="plain small">
        <li v-for="id in taken" :key="id">
          {{ nameOf(id) }}
          <button type="button" class="words small" @click="emit('take', id)">Leave it after all</button>
        </li>
      </ul>
    </section>

    <section v-if="match.offered.length" aria-label="Offered">
      <h3>Offered, never chosen by itself</h3>
      <ul class="plain small">
        <li v-for="one in match.offered" :key="one.id">
          {{ one.name }} on {{ one.zone }}: an acid. Gloves, goggles, air; where does the water run?
          <button type="button" class="words small" @click="emit('take', one.id)">Take {{ one.name }}</button>
        </li>
      </ul>
    </section>

    <section v-if="match.missing.length || match.assumed.length" class="missing">
      <h3>Taken for granted, and missing</h3>
      <ul class="plain small">
        <li v-for="line in match.assumed" :key="line">{{ line }}</li>
        <li v-for="row in match.missing" :key="row.says">
          <strong>{{ row.kind === 'product' ? 'Nothing for it:' : 'Not known:' }}</strong> {{ row.says }}
          <span class="quiet">{{ row.remedy }}</span>
        </li>
      </ul>
    </section>

    <section v-if="match.steps.length">
      <h2>In order</h2>
      <StepList :match="match" />
    </section>
    <RuledOut :passed="match.passed" @take="emit('take', $event)" />
    <p class="small quiet">
      Local rules, each product’s safety sheet and licensed practice come first. Vicissa advises; it permits nothing.
    </p>
  </div>
</template>

<style scoped>
.head {
  font-size: 25px;
  display: flex;
  gap: 10px;
  align-items: center;
}

.none .head {
  color: var(--refused);
}

header p {
  margin: 4px 0 0;
}

.actions:not(:empty) {
  margin-top: var(--s3);
}

.plain {
  margin: var(--s2) 0 0;
  padding-left: 18px;
  display: grid;
  gap: 4px;
}

.doubt {
  display: flex;
  gap: 8px;
  margin: 0;
  padding: var(--s2) var(--s3);
  border-left: 3px solid var(--ink);
  background: var(--film-mist);
}

.doubt svg {
  flex: none;
  margin-top: 3px;
}

.facts {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: var(--s2) var(--s3);
  margin: 0;
  padding: var(--s3) 0;
  border-block: 1px solid var(--line);
}

dt {
  color: var(--ink-3);
}

dd {
  margin: 0;
  display: grid;
}

.missing {
  border-left: 3px solid var(--line-strong);
  padding-left: var(--s3);
}
</style>
