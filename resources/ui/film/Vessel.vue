<script setup lang="ts">
import { computed, useId } from 'vue'

// What one mixes in, with its fill lines: product up to the first, the mix up to the second.
const props = defineProps<{
  kind: string
  /** Of the vessel's height. */
  filled: number
  /** Of what is in it. */
  product: number
  productSays?: string
  totalSays?: string
  /** Foams go in last: water to the first line, product on top. */
  waterFirst?: boolean
  /** Only the drawing, without room for words. */
  bare?: boolean
}>()
type Shape = { path: string; top: number; bottom: number; right: number }
const bottle: Shape = {
  path: 'M52 8h20v22l18 26v130a10 10 0 0 1-10 10H44a10 10 0 0 1-10-10V56l18-26z',
  top: 56,
  bottom: 196,
  right: 90,
}
const outline: Record<string, Shape> = {
  bottle,
  lance: {
    path: 'M54 20h26v24l14 12v130a10 10 0 0 1-10 10H50a10 10 0 0 1-10-10V56l14-12zM80 26l44-14',
    top: 56,
    bottom: 196,
    right: 94,
  },
  sprayer: {
    path: 'M58 6h14v14M48 20h34v24q18 4 18 24v118a10 10 0 0 1-10 10H40a10 10 0 0 1-10-10V68q0-20 18-24z',
    top: 64,
    bottom: 196,
    right: 100,
  },
  bucket: { path: 'M22 60h96l-12 136H34zM26 60q44-60 88 0', top: 74, bottom: 196, right: 110 },
}
const shape = computed(() => outline[props.kind] ?? bottle)
const height = computed(() => shape.value.bottom - shape.value.top)
const level = (share: number) => shape.value.bottom - height.value * Math.min(1, Math.max(0, share))
const total = computed(() => level(props.filled))
const first = computed(() => level(props.filled * (props.waterFirst ? 1 - props.product : props.product)))
const id = useId()
/** Two lines close together would lie on each other's words. */
const firstText = computed(() => Math.max(first.value, total.value + 20))
</script>

<template>
  <svg
    :viewBox="bare ? '14 0 112 208' : '0 0 300 208'"
    class="vessel"
    :role="bare ? undefined : 'img'"
    :aria-hidden="bare ? true : undefined"
    :aria-label="bare ? undefined : `${productSays ?? ''}; ${totalSays ?? ''}`"
  >
    <clipPath :id="id"><path :d="shape.path" /></clipPath>
    <g :clip-path="`url(#${id})`">
      <rect x="0" :y="total" width="140" height="220" :fill="waterFirst ? 'var(--film)' : 'var(--film-wash)'" />
      <rect x="0" :y="first" width="140" height="220" :fill="waterFirst ? 'var(--film-wash)' : 'var(--film)'" />
    </g>
    <path :d="shape.path" fill="none" stroke="var(--ink-2)" stroke-width="2.2" stroke-linejoin="round" />
    <template v-if="totalSays">
      <path :d="`M20 ${total}H${shape.right + 34}`" class="mark" />
      <text :x="shape.right + 40" :y="total + 5">{{ totalSays }}</text>
    </template>
    <template v-if="productSays">
      <path :d="`M20 ${first}H${shape.right + 14}L${shape.right + 34} ${firstText}`" class="mark" />
      <text :x="shape.right + 40" :y="firstText + 5" class="strong">{{ productSays }}</text>
    </template>
  </svg>
</template>

<style scoped>
.vessel {
  width: 100%;
  max-width: 330px;
}

.mark {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}

text {
  font: 500 14px var(--text);
  fill: var(--ink);
}

.strong {
  font-weight: 700;
}
</style>
