<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { families, roles, zones } from '@/lib/words'
import Glyph from '@/parts/Glyph.vue'

// One role of the shelf: what fits, best first, with why; and what is ruled out, with why.
const props = defineProps<{ shelf: Schemas['ShelfRole']; open?: boolean }>()
const value = defineModel<string | undefined>()
/** The toolkit knows no choice that is none. */
const taken = computed({ get: () => value.value ?? '', set: (next: string) => (value.value = next || undefined) })
const fit = computed(() => props.shelf.products.filter((product) => product.allowed))
const out = computed(() => props.shelf.products.filter((product) => !product.allowed))
const chosen = computed(() => props.shelf.products.find((product) => product.id === value.value))
const on = computed(
  () => `${zones[props.shelf.zone]?.toLowerCase()}, ${families[props.shelf.layer]?.name.toLowerCase()}`,
)
</script>

<template>
  <details class="pick" :open="open || Boolean(value)">
    <summary>
      <span class="role">{{ roles[shelf.role] }}</span>
      <span class="picked" :class="{ none: !chosen }">{{ chosen?.name ?? 'none' }}</span>
      <span class="small quiet on"
        >{{ fit.length }} {{ fit.length === 1 ? 'fits' : 'fit'
        }}<template v-if="out.length">, {{ out.length }} ruled out</template></span
      >
    </summary>
    <fieldset>
      <legend class="hidden-text">{{ roles[shelf.role] }} on {{ on }}</legend>
      <ElRadioGroup v-model="taken" :aria-label="roles[shelf.role]" :validate-event="false" class="all">
        <ElRadio class="one" value="">None</ElRadio>
        <ElRadio v-for="(product, rank) in fit" :key="product.id" class="one" :value="product.id">
          <strong>{{ product.name }}</strong> <span v-if="rank === 0" class="best small">fits best</span>
          <span class="why">{{ product.why }}</span>
          <span v-for="remark in product.remarks" :key="remark.code" class="why warn"
            ><Glyph name="care" :size="15" /> {{ remark.says }}</span
          >
          <template v-if="value === product.id"
            ><span v-for="caution in product.cautions" :key="caution" class="why caution"
              ><Glyph name="care" :size="15" /> {{ caution }}</span
            ></template
          >
        </ElRadio>
        <div v-if="out.length" class="out">
          <p class="small">
            <strong>Ruled out here</strong> <span class="quiet">— choose one only to record what was really used</span>
          </p>
          <ElRadio v-for="product in out" :key="product.id" class="one no" :value="product.id">
            <s>{{ product.name }}</s>
            <span
              v-for="remark in product.remarks.filter((row) => row.severity === 'block')"
              :key="remark.code"
              class="why refused"
              ><Glyph name="no" :size="15" /> {{ remark.says }}</span
            >
          </ElRadio>
        </div>
      </ElRadioGroup>
    </fieldset>
  </details>
</template>

<style scoped>
.pick {
  border-top: 1px solid var(--line);
}

summary {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) auto;
  gap: var(--s3);
  align-items: center;
  min-height: var(--touch);
  cursor: pointer;
  list-style: none;
}

summary::before {
  content: none;
}

summary::-webkit-details-marker {
  display: none;
}

.role {
  font-weight: 600;
}

.role::before {
  content: '▸ ';
  color: var(--ink-3);
}

[open] > summary .role::before {
  content: '▾ ';
}

.picked.none {
  color: var(--ink-3);
}

fieldset {
  padding: 0 0 var(--s3) var(--s4);
}

.all {
  display: grid;
  justify-items: start;
  font-size: inherit;
}

.one {
  align-items: flex-start;
  padding: 7px 0;
}

.best {
  color: var(--film-deep);
  font-weight: 600;
  border-bottom: 2px solid var(--film);
}

.why {
  display: flex;
  gap: 6px;
  font-size: 13px;
  color: var(--ink-2);
}

.why svg {
  flex: none;
  margin-top: 2px;
}

.warn,
.caution {
  color: var(--ink);
  font-weight: 500;
}

.why.refused {
  color: var(--refused);
}

.out {
  margin-top: var(--s2);
  padding-left: var(--s3);
  border-left: 3px solid var(--refused);
}

.out p {
  margin: 0;
}

@media (max-width: 700px) {
  summary {
    grid-template-columns: 118px minmax(0, 1fr);
  }

  .on {
    display: none;
  }
}
</style>
