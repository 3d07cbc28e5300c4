import type { QueryClient } from '@tanstack/vue-query'
import { createRouter, createWebHistory, START_LOCATION, type RouteRecordRaw } from 'vue-router'
import { settled } from '@/api/writes'
import { Problem } from './api/client'
import { meQuery } from './lib/session'
import { followsNewerPages } from './lib/newer'
import { filmQuery } from './places/film/useFilm'
import { places } from './routes'

const open: RouteRecordRaw[] = [
  {
    path: '/r/:secret',
    name: 'record-open',
    component: () => import('@/places/proof/record/RecordPlace.vue'),
    props: true,
    meta: { title: 'Record', open: true, told: true },
  },
  {
    path: '/answer/:id/:signature',
    name: 'answer',
    component: () => import('@/places/door/AnswerPlace.vue'),
    props: true,
    meta: { title: 'A day for your vehicle', open: true, told: true },
  },
  {
    path: '/sign-in',
    name: 'sign-in',
    component: () => import('@/places/door/SignIn.vue'),
    meta: { title: 'Sign in', open: true },
  },
  {
    path: '/register',
    name: 'register',
    component: () => import('@/places/door/Register.vue'),
    meta: { title: 'Begin', open: true },
  },
  {
    path: '/forgot',
    name: 'forgot',
    component: () => import('@/places/door/Forgot.vue'),
    meta: { title: 'Forgotten password', open: true },
  },
  {
    path: '/reset-password',
    name: 'reset',
    component: () => import('@/places/door/Reset.vue'),
    meta: { title: 'New password', open: true },
  },
  {
    path: '/confirm-email',
    name: 'confirm-email',
    component: () => import('@/places/door/ConfirmEmail.vue'),
    meta: { title: 'Your new address', open: true },
  },
  {
    path: '/operator',
    name: 'operator',
    component: () => import('@/places/watch/OperatorPlace.vue'),
    meta: { title: 'This installation', open: true },
  },
  {
    path: '/join',
    name: 'join',
    component: () => import('@/places/door/Join.vue'),
    meta: { title: 'Join', open: true },
  },
]

export function makeRouter(queries: QueryClient) {
  const router = createRouter({
    history: createWebHistory(),
    routes: [...open, ...places],
    // The first place stands at its top already: to ask for it would lay the page out before there is anything in it.
    scrollBehavior: (to, from, saved) =>
      saved ?? (from === START_LOCATION || to.path === from.path ? false : { top: 0 }),
  })
  router.beforeEach(async (to) => {
    // What was saved here is told before another place asks for it.
    await settled()
    if (to.meta.open) return true
    try {
      // Asked for while its place is still being read, and who is there along with it.
      if (to.name === 'film') void queries.prefetchInfiniteQuery({ ...filmQuery, staleTime: 5_000 })
      await queries.ensureQueryData(meQuery)
      return true
    } catch (problem) {
      if (problem instanceof Problem && problem.status === 401) {
        return { name: 'sign-in', query: to.fullPath === '/' ? {} : { next: to.fullPath } }
      }
      return true
    }
  })
  followsNewerPages(router)
  router.afterEach((to) => {
    document.title = `${String(to.meta.title ?? 'Vicissa')} · Vicissa`
  })
  return router
}
