<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { within } from '@/lib/i18n'
import { ifThere } from '@/lib/numbers'
import { newId } from '@/lib/ids'
import { useUnits } from '@/lib/units'
import { zones } from '@/lib/words'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import TextInput from '@/parts/TextInput.vue'
import type { Kept } from '@/offline/store'
import { kindsSaid, seenOfBase } from '@/lib/words'
import {
  inspected,
  leftByItself,
  leftOut,
  textilesOf,
  usesOf,
  waterOf,
  whyLeft,
  whySaid,
  type Closing,
} from './closing'
import { isDone, stepOf, tookS, type State } from './fold'
import { textiles as words } from '@/lib/words'

// Closing: what was used, as planned until corrected; what was noticed, what to recommend; what was kept off it on purpose.
const props = defineProps<{ kept: Kept; state: State; now: number; again?: Closing | null }>()
const emit = defineEmits<{ close: [closing: Closing]; back: [] }>()
const units = useUnits()
const draft = useLocalStorage<Closing>(
  `close-${props.kept.id}`,
  () =>
    props.again ?? {
      id: newId(),
      left: leftByItself(props.kept.sheet.plan),
      uses: usesOf(props.kept, props.state),
      textiles: textilesOf(props.kept, props.state),
      water_l: waterOf(props.kept, props.state),
      note: '',
      recommended: '',
      refused: props.kept.sheet.plan.refused,
    },
)
const undone = computed(() => props.kept.sheet.plan.steps.filter((step) => !isDone(step, props.state)))
const sure = ref(false)
const left = computed(() => leftOut(props.kept, props.state))
const looked = computed(() => inspected(props.kept, props.state))
/** What one can say in a tap; what the laying-out knows already stands first. */
const reasons = (kind: string) => {
  const known = leftByItself(props.kept.sheet.plan)[kind]
  return known ? [known, ...whyLeft] : whyLeft
}
const unsaid = computed(() => left.value.filter((kind) => !draft.value.left?.[kind]))
function because(kind: string, why: string) {
  draft.value.left = { ...draft.value.left, [kind]: why }
}
function saw(what: string) {
  const now = draft.value.seen ?? []
  draft.value.seen = now.includes(what) ? now.filter((one) => one !== what) : [...now, what]
}
const took = computed(() =>
  props.kept.sheet.plan.steps.flatMap((step) => {
    const s = tookS(stepOf(props.state, step.id), props.state.paused, props.now)
    return s === null
      ? []
      : [{ id: step.id, name: step.name, minutes: Math.max(1, Math.round(s / 60)), planned: step.minutes }]
  }),
)
const amount = (i: number) => {
  const use = draft.value.uses[i]
  return ifThere(use?.ml, units.volumeOut)
}
function correct(i: number, typed: number | null) {
  const use = draft.value.uses[i]
  if (use) use.ml = ifThere(typed, units.volumeIn)
}
</script>

<template>
  <form class="grid closing" novalidate @submit.prevent="emit('close', draft)">
    <div v-if="undone.length" class="undone">
      <strong>{{ $t('close-sheet.steps-not-done', { n: undone.length }, undone.length) }}</strong>
      {{ $t('close-sheet.they-go-into-the-record-as', { map: undone.map((step) => step.name).join(', ') }) }}
      <ElCheckbox v-model="sure">{{ $t('close-sheet.that-is-so') }}</ElCheckbox>
    </div>
    <fieldset v-for="kind in left" :key="kind" class="left">
      <legend class="begins">{{ $t('close-sheet.was-planned-and-left-out', { kindsSaid: kindsSaid([kind]) }) }}</legend>
      <div class="row">
        <button
          v-for="why in reasons(kind)"
          :key="why"
          type="button"
          class="chip"
          :aria-pressed="draft.left?.[kind] === why"
          @click="because(kind, why)"
        >
          {{ whySaid(why) }}
        </button>
      </div>
      <p class="small quiet">{{ $t('close-sheet.the-plan-takes-it-up-again') }}</p>
    </fieldset>
    <fieldset v-if="looked">
      <legend>{{ $t('close-sheet.the-base-as-it-was-seen') }}</legend>
      <div class="row">
        <button
          v-for="(name, what) in seenOfBase"
          :key="what"
          type="button"
          class="chip"
          :aria-pressed="(draft.seen ?? []).includes(String(what))"
          @click="saw(String(what))"
        >
          {{ name }}
        </button>
      </div>
    </fieldset>
    <fieldset>
      <legend>{{ $t('close-sheet.used') }}</legend>
      <ul>
        <li v-for="(use, i) in draft.uses" :key="use.product_id + use.zone">
          <Field :label="`${use.name}, ${within(zones[use.zone] ?? use.zone)}`"
            ><template #default="f"
              ><NumberInput
                v-bind="f"
                :model-value="amount(i)"
                :suffix="units.volumeUnit.value"
                @update:model-value="correct(i, $event ?? null)" /></template
          ></Field>
          <span class="small quiet">{{
            use.planned === null
              ? $t('close-sheet.not-planned')
              : $t('close-sheet.planned', { volume: units.volume(use.planned) })
          }}</span>
        </li>
      </ul>
      <p v-if="!draft.uses.length" class="quiet">{{ $t('close-sheet.no-product-was-used') }}</p>
    </fieldset>
    <fieldset>
      <legend>{{ $t('close-sheet.to-the-dirty-pool') }}</legend>
      <div class="cols two">
        <Field v-for="(n, what) in draft.textiles" :key="what" :label="words[what] ?? String(what)"
          ><template #default="f"
            ><NumberInput
              v-bind="f"
              :model-value="n"
              @update:model-value="draft.textiles[what] = $event ?? 0" /></template
        ></Field>
      </div>
    </fieldset>
    <Field :label="$t('close-sheet.water')" :hint="$t('close-sheet.as-reckoned-from-the-rinses')"
      ><template #default="f"><NumberInput v-bind="f" v-model="draft.water_l" suffix="l" /></template
    ></Field>
    <Field :label="$t('close-sheet.noticed')" :hint="$t('close-sheet.chips-loose-edges-what-the')"
      ><template #default="f"><TextInput v-bind="f" v-model="draft.note" :rows="3" type="textarea" /></template
    ></Field>
    <Field :label="$t('close-sheet.recommended')"
      ><template #default="f"><TextInput v-bind="f" v-model="draft.recommended" :rows="2" type="textarea" /></template
    ></Field>
    <details v-if="draft.refused.length">
      <summary>{{ $t('close-sheet.kept-off-it-on-purpose', { length: draft.refused.length }) }}</summary>
      <ul>
        <li v-for="one in draft.refused" :key="one.what + one.why">
          <strong>{{ one.what }}</strong> <span class="small">{{ one.why }}</span>
        </li>
      </ul>
    </details>
    <details v-if="took.length">
      <summary>{{ $t('close-sheet.how-long-each-step-took') }}</summary>
      <ul class="took">
        <li v-for="one in took" :key="one.id">
          <span>{{ one.name }}</span> <span>{{ $t('close-sheet.min', { minutes: one.minutes }) }}</span>
          <span class="small quiet">{{ $t('close-sheet.of', { planned: one.planned }) }}</span>
        </li>
      </ul>
    </details>
    <div class="thumb">
      <button type="button" class="beside" @click="emit('back')">{{ $t('close-sheet.back') }}</button>
      <button
        type="submit"
        class="act"
        :disabled="(undone.length > 0 && !sure) || unsaid.length > 0 || (looked && !draft.seen?.length)"
      >
        {{ $t('close-sheet.close-the-turn') }}
      </button>
    </div>
  </form>
</template>

<style scoped>
.begins::first-letter {
  text-transform: uppercase;
}

ul {
  list-style: none;
  margin: var(--s2) 0 0;
  padding: 0;
  display: grid;
  gap: var(--s2);
}

.undone {
  padding: var(--s3);
  border-left: 4px solid var(--due);
  background: var(--due-wash);
}

.chip {
  min-height: 48px;
  padding: 0 var(--s3);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
  color: var(--ink);
}

.chip[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}

.undone .row {
  min-height: 48px;
  font-weight: 600;
}

.took li {
  display: grid;
  grid-template-columns: 1fr auto 60px;
  gap: var(--s2);
}

summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  font-weight: 600;
  cursor: pointer;
}

.thumb {
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: var(--s2);
}

.thumb button {
  min-height: 60px;
  font-size: 18px;
}
</style>
