<script setup lang="ts">
// What an empty film says: what will be here, and the next step.
</script>

<template>
  <section class="empty">
    <svg viewBox="0 0 640 120" aria-hidden="true">
      <path d="M0 98H640" stroke="var(--base)" stroke-width="5" />
      <path d="M40 96V40L150 54V50L260 70V66L330 78L330 96z" fill="var(--film)" />
      <path d="M330 96V36L400 48V96z" fill="var(--film)" opacity=".75" />
      <path d="M400 96V48L560 96z" fill="var(--film)" opacity=".3" />
      <path d="M400 96V48L620 96z" fill="var(--film)" opacity=".14" />
      <path d="M490 108v6h90v-6" fill="none" stroke="var(--due)" stroke-width="3" />
    </svg>
    <h2>Every vehicle becomes a ribbon here</h2>
    <p>
      Its thickness is what is left of the layer. Washes nick it, a topper swells it, readings stand on it as drops, and
      ahead of today it frays into what may come. The bracket says when to renew.
    </p>
    <RouterLink to="/start" class="act">Three questions, and the first date stands</RouterLink>
  </section>
</template>

<style scoped>
.empty {
  max-width: 680px;
  margin: var(--s6) auto;
}

svg {
  width: 100%;
  margin-bottom: var(--s4);
}

h2 {
  font-size: 24px;
  margin-bottom: var(--s2);
}
</style>
