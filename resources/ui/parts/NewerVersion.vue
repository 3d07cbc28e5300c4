<script setup lang="ts">
import { computed } from 'vue'

// Two people edited one thing: what differs, and both ways out.
const props = defineProps<{ mine: Record<string, unknown>; theirs: Record<string, unknown> }>()
defineEmits<{ overrule: []; take: [] }>()
const show = (value: unknown) =>
  value === null || value === undefined || value === ''
    ? '—'
    : Array.isArray(value)
      ? value.join(', ') || '—'
      : typeof value === 'object'
        ? Object.entries(value)
            .map(([name, one]) => `${name}: ${String(one)}`)
            .join(', ') || '—'
        : String(value)
const differ = computed(() =>
  Object.keys(props.theirs)
    .filter(
      (key) =>
        !['version', 'layers', 'client', 'site', 'id'].includes(key) &&
        show(props.mine[key]) !== show(props.theirs[key]),
    )
    .map((key) => ({ name: key.replaceAll('_', ' '), mine: show(props.mine[key]), theirs: show(props.theirs[key]) })),
)
</script>

<template>
  <table v-if="differ.length">
    <caption class="hidden-text">
      What differs
    </caption>
    <thead>
      <tr>
        <th scope="col"><span class="hidden-text">What</span></th>
        <th scope="col">yours</th>
        <th scope="col">saved now</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in differ" :key="row.name">
        <th scope="row">{{ row.name }}</th>
        <td>{{ row.mine }}</td>
        <td>{{ row.theirs }}</td>
      </tr>
    </tbody>
  </table>
  <div class="row">
    <button type="button" class="beside" @click="$emit('overrule')">Save mine all the same</button>
    <button type="button" class="beside" @click="$emit('take')">Take what is saved</button>
  </div>
</template>

<style scoped>
table {
  border-collapse: collapse;
  margin: var(--s2) 0;
}

th,
td {
  text-align: left;
  padding: 3px var(--s4) 3px 0;
  vertical-align: top;
}
</style>
