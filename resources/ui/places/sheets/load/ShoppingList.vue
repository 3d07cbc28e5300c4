<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useMoney } from '@/lib/money'
import { useUnits } from '@/lib/units'

// What to buy, by where it is bought: what these days need first, what is low anyway on the same way.
const props = defineProps<{ shopping: Schemas['Shopping'][]; span: { from: string; to: string } }>()
const units = useUnits()
const money = useMoney()
const file = computed(() => `/api/v1/load/shopping?from=${props.span.from}&to=${props.span.to}`)
</script>

<template>
  <section class="sheet" aria-label="To buy">
    <div class="row spread">
      <h2>To buy</h2>
      <a v-if="shopping.length" :href="file" class="words small" download>As CSV</a>
    </div>
    <p v-if="!shopping.length" class="quiet">Nothing: the shelf holds enough, also afterwards.</p>
    <div v-for="shop in shopping" :key="shop.supplier ?? ''" class="shop">
      <h3>{{ shop.supplier ?? 'Supplier not said' }}</h3>
      <ul class="lines">
        <li v-for="line in shop.lines" :key="line.name">
          <span
            ><strong>{{ line.name }}</strong> <span v-if="line.urgent" class="small short">needed now</span></span
          >
          <span class="num"
            ><template v-if="line.packs && line.pack_ml">{{ line.packs }} × {{ units.volume(line.pack_ml) }}</template
            ><template v-else>{{ units.volume(line.buy_ml) }}</template
            ><template v-if="line.price_minor !== null">
              · {{ money((line.packs || 1) * line.price_minor) }}</template
            ></span
          >
        </li>
      </ul>
      <p v-if="shop.total_minor" class="small total">Together {{ money(shop.total_minor) }}</p>
    </div>
  </section>
</template>

<style scoped>
.shop {
  margin-bottom: var(--s3);
}

h3 {
  margin: var(--s2) 0 2px;
}

.num {
  font-variant-numeric: tabular-nums;
  text-align: right;
}

.short {
  color: var(--refused);
  font-weight: 600;
}

.total {
  max-width: none;
  margin: 4px 0 0;
  text-align: right;
  font-weight: 600;
}
</style>
