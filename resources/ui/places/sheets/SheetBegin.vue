<script setup lang="ts">
import Cautions from './Cautions.vue'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'
import { t, within } from '@/lib/i18n'
import { computed, ref } from 'vue'
import { useUnits } from '@/lib/units'
import { kindsSaid, numbers, ordinal, soils, waters } from '@/lib/words'
import WhyOther from '@/parts/WhyOther.vue'
import Choices from '@/parts/Choices.vue'
import type { Kept } from '@/offline/store'
import { withoutStep } from './closing'
import { fillLine } from './doses'
import ScopeChoice from './ScopeChoice.vue'

// Before the first step: what the gate asks, what is assumed, what to fill, who works.
const props = defineProps<{ kept: Kept; person: number }>()
/** How many are here. */
const crews = computed(() =>
  Object.fromEntries(
    Array.from({ length: 8 }, (_, i) => [String(i + 1), i === 0 ? t('sheet-begin.one-alone') : (numbers[i + 1] ?? '')]),
  ),
)
const emit = defineEmits<{
  begin: []
  person: [person: number]
  found: []
  crew: [crew: number]
  without: [id: string]
  shade: []
  scope: [scope: string]
}>()
const units = useUnits()
const read = ref(new Set<string>())
const sheet = computed(() => props.kept.sheet)
const plan = computed(() => sheet.value.plan)
const soil = computed(() => within(soils[sheet.value.facts.seen.soil]?.name ?? ''))
const unread = computed(() => sheet.value.gate.filter((one) => one.grave && !read.value.has(one.says)))
const people = computed(() => [
  { value: 0, name: t(sheet.value.crew === 2 ? 'sheet-begin.both-here' : 'sheet-begin.all-here') },
  ...Array.from({ length: sheet.value.crew }, (_, i) => ({
    value: i + 1,
    name: t('sheet-begin.i-am-the', { place: ordinal(i + 1) }),
  })),
])
const chosen = computed({ get: () => props.person, set: (next) => emit('person', next) })
const stepless = computed(() => withoutStep(plan.value))
const ticked = computed(() =>
  (plan.value.kinds ?? []).filter((kind) => kind !== 'wash' && !stepless.value.includes(kind)),
)
function confirm(says: string) {
  read.value = new Set([...read.value, says])
}
function take(kind: string, without: string | null) {
  if (kind === 'helper') emit('crew', sheet.value.crew + 1)
  else if (kind === 'product' && without) emit('without', without)
  else if (kind === 'shade') emit('shade')
  else emit('found')
}
</script>

<template>
  <section class="grid">
    <p v-if="sheet.facts.expected" class="note">
      {{ $t('sheet-begin.nobody-has-looked-yet-laid', { soil }) }}
    </p>
    <Cautions
      v-if="sheet.gate.length"
      :aria-label="$t('sheet-begin.what-the-place-asks')"
      :cautions="sheet.gate"
      :is-read="(says) => read.has(says)"
      @read="confirm"
    />

    <div v-if="plan.finish === null" class="stuck" role="alert">
      <h2>{{ $t('sheet-begin.not-as-it-stands') }}</h2>
      <p v-for="one in plan.problems" :key="one">{{ one }}</p>
      <template v-if="plan.remedies.length">
        <h3>{{ $t('sheet-begin.what-would-help') }}</h3>
        <ul>
          <li v-for="one in plan.remedies" :key="one.says" class="warned on-sheet">
            <span>{{ one.says }}</span>
            <button
              type="button"
              class="beside"
              :aria-label="$t('sheet-begin.do-that-one', { says: one.says })"
              @click="take(one.kind, one.without)"
            >
              {{ $t('sheet-begin.do-that') }}
            </button>
          </li>
        </ul>
      </template>
    </div>
    <template v-else>
      <p class="sum">
        <strong>{{ $t('sheet-begin.about-minutes', { finish: plan.finish }) }}</strong>{{
          $t('sheet-begin.steps-for-the-last-rinse', {
            people:
              sheet.crew === 1
                ? $t('sheet-begin.alone')
                : $t('sheet-begin.for-so-many', { people: numbers[sheet.crew] }),
            earliest: plan.proven ? $t('sheet-begin.the-earliest-there-is') : '',
            steps: plan.steps.length,
            water: waters[plan.water],
          })
        }}
      </p>
      <p v-if="plan.totals?.nine_in_ten" class="small quiet">
        {{ $t('sheet-begin.nine-times-in-ten-within', { nine_in_ten: plan.totals.nine_in_ten }) }}
      </p>
      <WhyOther v-if="plan.expected" :expected="plan.expected" :minutes="plan.finish" />
      <p v-if="ticked.length">
        {{ $t('sheet-begin.planned-beside-the-wash') }} <strong>{{ kindsSaid(ticked) }}</strong>{{
          $t('sheet-begin.each-is-a-step-to-tick')
        }}
      </p>
      <p v-if="stepless.length" class="note begins">
        <strong>{{ kindsSaid(stepless) }}</strong> {{ $t('sheet-begin.was-planned-too-but-as') }}
        <template v-if="stepless.includes('topper')">{{ plan.topper.why }}</template>
        {{ $t('sheet-begin.the-plan-takes-it-up-again') }}
      </p>
      <ScopeChoice :kept="kept" @take="(one) => emit('scope', one)" />
      <p v-for="one in plan.problems" :key="one" class="note">{{ one }}</p>
    </template>

    <div v-if="plan.fills.length">
      <h2>{{ $t('sheet-begin.to-fill-in-this-order') }}</h2>
      <ol class="fills">
        <li v-for="fill in plan.fills" :key="fill.product + fill.for + fill.vessel">
          <strong>{{
            fill.vessel ?? (fill.product_id === null ? 'A bucket' : $t('sheet-begin.from-its-bottle'))
          }}</strong>
          <span>{{ fillLine(fill, units.volume) }}</span>
          <span v-if="fill.says" class="small quiet">{{ fill.says }}</span>
        </li>
      </ol>
    </div>
    <div v-if="plan.missing.length" class="note">
      <h2>{{ $t('sheet-begin.not-known-or-not-on-the') }}</h2>
      <ul>
        <li v-for="one in plan.missing" :key="one">{{ one }}</li>
      </ul>
    </div>

    <Choices
      v-if="sheet.crew > 1"
      v-model="chosen"
      :label="$t('sheet-begin.who-holds-this-phone')"
      :options="people"
      :columns="1"
      compact
    />
    <div class="row">
      <Field class="crew" :label="$t('sheet-begin.we-are')"
        ><template #default="f"
          ><OneOf
            v-bind="f"
            :model-value="String(sheet.crew)"
            :options="crews"
            @update:model-value="emit('crew', Number($event))" /></template
      ></Field>
      <button type="button" class="beside" @click="emit('found')">{{ $t('sheet-begin.say-what-you-see') }}</button>
    </div>
    <p v-if="unread.length" class="quiet">{{ $t('sheet-begin.read-and-confirm-what-the') }}</p>
    <div class="thumb">
      <button type="button" class="act" :disabled="plan.finish === null || unread.length > 0" @click="emit('begin')">
        {{ $t('sheet-begin.begin-the-visit') }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.begins::first-letter {
  text-transform: uppercase;
}

.note,
.sum {
  margin: 0;
}

.note {
  padding: var(--s2) var(--s3);
  border-left: 4px solid var(--film);
  background: var(--film-mist);
}

.sum {
  font-size: 18px;
}

ul,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: var(--s2);
}

.stuck {
  display: grid;
  gap: var(--s2);
  padding: var(--s3) var(--s4);
  border: 2px solid var(--refused);
}

.stuck p {
  margin: 0;
}

.fills li {
  display: grid;
  padding: var(--s2) 0;
  border-top: 1px solid var(--line);
}

.beside {
  min-height: 52px;
}

.thumb {
  position: sticky;
  bottom: 0;
  padding: var(--s3) 0;
  background: var(--paper);
}

.thumb .act {
  width: 100%;
  min-height: 64px;
  font-size: 19px;
}
</style>
