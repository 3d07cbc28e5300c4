<script setup lang="ts">
import { computed } from 'vue'

// One line of a load list: how much of what, how far the shelf goes for it, and whether it lies in the van.
const props = defineProps<{
  name: string
  amount: string
  ticked: boolean
  note?: string
  short?: string | null
  colour?: string | null
  /** Share of what there is that goes along. */
  level?: number
}>()
const emit = defineEmits<{ tick: [ticked: boolean] }>()
const height = computed(() => 24 * Math.min(1, Math.max(0.06, props.level ?? 0)))
</script>

<template>
  <li :class="{ in: ticked }">
    <ElCheckbox class="line" :model-value="ticked" @change="emit('tick', Boolean($event))">
      <svg v-if="level !== undefined" width="16" height="34" viewBox="0 0 16 34" aria-hidden="true">
        <rect x="2.5" :y="31 - height" width="11" :height="height" class="fill" />
        <path d="M6 2h4v4l3.500 3v20a2 2 0 0 1-2 2h-7a2 2 0 0 1-2-2V9L6 6z" class="glass" />
      </svg>
      <span class="text">
        <span class="name"
          ><strong>{{ name }}</strong
          ><span v-if="colour" class="chip" :style="{ '--chip': colour }">{{ colour }}</span></span
        >
        <span v-if="short" class="small short">{{ short }}</span>
        <span v-if="note" class="small quiet">{{ note }}</span>
      </span>
      <span class="amount">{{ amount }}</span>
    </ElCheckbox>
  </li>
</template>

<style scoped>
li {
  border-top: 1px solid var(--line);
}

.line {
  display: flex;
  min-height: 56px;
  padding: 4px 0;
}

.line :deep(.el-checkbox__label) {
  display: grid;
  flex: 1;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: var(--s3);
  align-items: center;
}

.text {
  display: grid;
  grid-column: 2;
  line-height: 1.25;
}

.amount {
  font-size: 18px;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}

.in strong,
.in .amount {
  color: var(--ink-3);
  text-decoration: line-through;
}

.short {
  color: var(--refused);
  font-weight: 600;
}

.chip {
  margin-left: var(--s2);
  padding: 0 7px 1px;
  border: 1px solid var(--line-strong);
  border-left: 10px solid var(--chip);
  border-radius: var(--edge);
  font-size: 13px;
}

.fill {
  fill: var(--film);
}

.glass {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1.3;
}
</style>
