<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { zones } from '@/lib/words'
import Glyph from '@/parts/Glyph.vue'

// The visit in the order it is worked: how, with what and why, and what can go wrong there.
const props = defineProps<{ match: Schemas['Match'] }>()
const byKey = computed(() => new Map(props.match.products.map((choice) => [choice.key, choice])))
const mixes = (choice: Schemas['MatchProduct']) =>
  Object.entries(choice.product?.dilutions ?? {})
    .map(([way, text]) => `${way} ${text}`)
    .join(', ')
const sections = (step: string) => props.match.sections.find((section) => section.step === step)
const label = (choice: Schemas['MatchProduct']) =>
  choice.zone === 'paint' ? '' : ` on ${zones[choice.zone]?.toLowerCase()}`
</script>

<template>
  <ol class="steps">
    <li v-for="(step, i) in match.steps" :key="step.step">
      <span class="n" aria-hidden="true">{{ i + 1 }}</span>
      <div>
        <h3>{{ step.name }}</h3>
        <template v-for="key in step.products" :key="key">
          <p v-if="byKey.get(key)?.product" class="product">
            <strong>{{ byKey.get(key)!.product!.name }}</strong>{{ label(byKey.get(key)!) }}
            <span class="quiet small"
              >{{ mixes(byKey.get(key)!) }}{{ byKey.get(key)!.dwell ? `; ${byKey.get(key)!.dwell}` : '' }}</span
            >
            <span class="why small">{{ byKey.get(key)!.why }}</span>
            <span v-for="caution in byKey.get(key)!.cautions" :key="caution" class="care small"
              ><Glyph name="care" :size="14" /> {{ caution }}</span
            >
          </p>
        </template>
        <p v-if="sections(step.step)" class="small">
          {{ sections(step.step)!.says.slice(sections(step.step)!.says.indexOf(':') + 2) }}
        </p>
        <ul v-if="step.how.length" class="how small">
          <li v-for="line in step.how" :key="line">{{ line }}</li>
        </ul>
        <p v-for="caution in step.cautions" :key="caution.says" class="care small" :class="{ grave: caution.grave }">
          <Glyph name="care" :size="15" />
          <span><strong v-if="caution.grave" class="hidden-text">Danger: </strong>{{ caution.says }}</span>
        </p>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.steps {
  list-style: none;
  margin: 0;
  padding: 0;
}

.steps > li {
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr);
  gap: var(--s2);
  padding: var(--s2) 0;
  border-top: 1px solid var(--line);
}

.n {
  font: italic 560 17px var(--book);
  color: var(--film);
}

h3 {
  margin-bottom: 2px;
}

p {
  margin: 0 0 4px;
}

.product {
  border-left: 3px solid var(--film);
  padding-left: var(--s2);
}

.why {
  display: block;
  color: var(--ink-2);
}

.how {
  margin: 0 0 4px;
  padding-left: 18px;
  color: var(--ink-2);
}

.care {
  display: flex;
  gap: 6px;
  font-weight: 500;
}

.care svg {
  flex: none;
  margin-top: 2px;
}

.grave {
  font-weight: 650;
}
</style>
