<script setup lang="ts">
import { usePreferredDark } from '@vueuse/core'
import { watchEffect } from 'vue'
import Mark from '@/parts/Mark.vue'

defineProps<{ title: string; lead?: string }>()
const dark = usePreferredDark()
watchEffect(() => {
  document.documentElement.dataset.theme = dark.value ? 'dark' : 'light'
})
</script>

<template>
  <main class="door">
    <div class="words-side">
      <p class="sign"><Mark :size="30" /> Vicissa</p>
      <svg viewBox="0 0 400 90" class="strip" aria-hidden="true">
        <path d="M0 78H400" stroke="var(--base)" stroke-width="4" />
        <path d="M0 76V40L70 52V48L150 66L150 76z" fill="var(--film)" />
        <path d="M150 76V32L230 44V41L270 48V76z" fill="var(--film)" />
        <path d="M270 76V48L350 76z" fill="var(--film)" opacity=".4" />
        <path d="M270 76V48L400 76z" fill="var(--film)" opacity=".18" />
        <path d="M40 46a9 9 0 1 1 17 3M196 34a9 9 0 1 1 17 4" fill="none" stroke="var(--ink)" stroke-width="2" />
        <path d="M318 84v5h56v-5" fill="none" stroke="var(--due)" stroke-width="2.5" />
      </svg>
      <p class="lead">What is on every vehicle, how much of it is left, and when to renew it.</p>
    </div>
    <section class="form">
      <h1>{{ title }}</h1>
      <p v-if="lead" class="quiet">{{ lead }}</p>
      <slot />
    </section>
  </main>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}

.words-side {
  padding: 12vh var(--s6);
  background: linear-gradient(115deg, var(--paper) 30%, var(--light) 52%, var(--paper) 74%), var(--film-mist);
  border-right: 1px solid var(--line);
}

.sign {
  display: flex;
  align-items: center;
  gap: var(--s3);
  font: italic 560 34px var(--book);
}

.strip {
  width: 100%;
  max-width: 460px;
  margin: var(--s5) 0;
}

.lead {
  font: 500 22px/1.35 var(--book);
  max-width: 24ch;
}

.form {
  padding: 12vh var(--s6);
  max-width: 560px;
  display: grid;
  gap: var(--s4);
  align-content: start;
}

@media (max-width: 800px) {
  .door {
    grid-template-columns: 1fr;
    align-content: start;
  }

  .words-side {
    padding: var(--s5) var(--s4) 0;
    border: 0;
    background: none;
  }

  .strip,
  .words-side .lead {
    display: none;
  }

  .form {
    padding: var(--s4);
  }
}
</style>
