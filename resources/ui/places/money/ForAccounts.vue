<script setup lang="ts">
import { computed, ref } from 'vue'
import { dayIn } from '@/lib/dates'
import { useMe } from '@/lib/session'
import DayInput from '@/parts/DayInput.vue'
import Field from '@/parts/Field.vue'

// Closed visits with their price by the list, for whatever program the accounts are kept in.
const { zone } = useMe()
const to = ref(dayIn(zone.value))
const from = ref(`${to.value.slice(0, 7)}-01`)
const address = computed(() => `/api/v1/money/closed?from=${from.value}&to=${to.value}`)
</script>

<template>
  <details class="accounts">
    <summary>Closed visits for the accounts</summary>
    <p class="small">
      Date, client, vehicle, what was done and its price by the list, a row for each visit: a table (CSV) that programs
      for invoices and accounts read. Where the list has no price, none is made up.
    </p>
    <div class="row">
      <Field label="From"
        ><template #default="f"><DayInput v-bind="f" v-model="from" required /></template
      ></Field>
      <Field label="To"
        ><template #default="f"><DayInput v-bind="f" v-model="to" required /></template
      ></Field>
      <a class="act" :href="address" download>Export</a>
    </div>
  </details>
</template>

<style scoped>
.accounts {
  margin-bottom: var(--s4);
}

summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline;
}

.row {
  align-items: flex-end;
}
</style>
