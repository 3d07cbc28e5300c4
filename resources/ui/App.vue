<script setup lang="ts">
import { localeContextKey } from 'element-plus/es/hooks/use-locale/index'
import { computed, provide, watch, watchEffect } from 'vue'
import { useRoute } from 'vue-router'
import { i18n, ofTheBrowser, speak, toolkitWords } from './lib/i18n'
import Frame from './parts/Frame.vue'

provide(localeContextKey, toolkitWords)
const route = useRoute()
// Before the first route is known, nothing is drawn and nothing is asked.
const known = computed(() => route.matched.length > 0)
const framed = computed(() => !route.meta.open)
// Who comes in by a link, or is not in yet, reads as their browser does; whoever is in has said so (Frame).
watch([known, framed], () => known.value && !framed.value && void speak(route.meta.told ? ofTheBrowser() : 'en'), {
  immediate: true,
})
// The desk’s own words are English, whatever its rules are told in.
watchEffect(() => (document.documentElement.lang = route.meta.told ? i18n.global.locale.value : 'en'))
</script>

<template>
  <!-- Another address is another thing, even where the same screen shows it. -->
  <Frame v-if="known && framed"><RouterView :key="route.path" /></Frame>
  <RouterView v-else />
</template>
