<script setup lang="ts">
import { locale } from '@/lib/i18n'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import Scratches from '@/film/Scratches.vue'
import { methods } from '@/lib/words'
import Glyph from '@/parts/Glyph.vue'

// What may touch the paint: the road the dirt takes before contact, and each method's contact risk as marks on a panel.
const props = defineProps<{ match: Schemas['Match'] }>()
const most = computed(() => Math.max(0.001, ...props.match.method.options.map((option) => option.risk)))
const figure = (value: number) => value.toLocaleString(locale(), { maximumFractionDigits: 2 })
</script>

<template>
  <section class="grid">
    <ul class="methods" aria-label="Methods by contact risk">
      <li
        v-for="option in match.method.options"
        :key="option.method"
        :class="{ chosen: option.method === match.method.chosen, no: !option.allowed }"
      >
        <Scratches :risk="option.risk" :most="most" :refused="!option.allowed" />
        <span class="name small">
          <Glyph v-if="!option.allowed" name="no" :size="15" />
          <component :is="option.allowed ? 'span' : 's'">{{ methods[option.method]?.name }}</component>
        </span>
        <span v-if="option.allowed" class="small quiet"
          >{{ option.method === match.method.chosen ? 'chosen, ' : '' }}risk {{ figure(option.risk)
          }}{{ option.leaves ? ', leaves a film' : '' }}</span
        >
        <span v-else class="small refused">{{ option.refused[0] }}</span>
      </li>
    </ul>
    <p class="small quiet under">
      Contact risk = soil left × what touches × softness of the paint. Relative: it compares methods, it does not count
      scratches.
    </p>
  </section>
</template>

<style scoped>
.methods {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: var(--s1);
}

.methods {
  grid-template-columns: repeat(6, minmax(0, 1fr));
}

.methods li {
  display: grid;
  gap: 2px;
  align-content: start;
  padding: 6px 6px 8px;
  border-radius: var(--edge);
}

.chosen {
  background: var(--film-mist);
  box-shadow: inset 0 -4px 0 var(--film);
}

.name {
  display: flex;
  gap: 5px;
  align-items: center;
  font-weight: 600;
  margin-top: 3px;
}

.no .name {
  color: var(--refused);
}

.under {
  margin: 0;
}

@media (max-width: 700px) {
  .methods {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
}
</style>
