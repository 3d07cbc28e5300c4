import type { QueryClient } from '@tanstack/vue-query'
import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'
import { Problem } from './api/client'
import { meQuery } from './lib/session'

const open: RouteRecordRaw[] = [
  {
    path: '/answer/:id/:signature',
    name: 'answer',
    component: () => import('./places/door/AnswerPlace.vue'),
    props: true,
    meta: { title: 'A day for your vehicle', open: true },
  },
  {
    path: '/sign-in',
    name: 'sign-in',
    component: () => import('./places/door/SignIn.vue'),
    meta: { title: 'Sign in', open: true },
  },
  {
    path: '/register',
    name: 'register',
    component: () => import('./places/door/Register.vue'),
    meta: { title: 'Begin', open: true },
  },
  {
    path: '/forgot',
    name: 'forgot',
    component: () => import('./places/door/Forgot.vue'),
    meta: { title: 'Forgotten password', open: true },
  },
  {
    path: '/reset-password',
    name: 'reset',
    component: () => import('./places/door/Reset.vue'),
    meta: { title: 'New password', open: true },
  },
  {
    path: '/join',
    name: 'join',
    component: () => import('./places/door/Join.vue'),
    meta: { title: 'Join', open: true },
  },
]

const places: RouteRecordRaw[] = [
  { path: '/', name: 'film', component: () => import('./places/film/FilmPlace.vue'), meta: { title: 'Film' } },
  {
    path: '/start',
    name: 'start',
    component: () => import('./places/start/StartPlace.vue'),
    meta: { title: 'A new vehicle' },
  },
  {
    path: '/vehicles/:id',
    name: 'vehicle',
    component: () => import('./places/vehicle/VehiclePlace.vue'),
    props: true,
    meta: { title: 'Vehicle' },
  },
  {
    path: '/vehicles/:id/edit',
    name: 'vehicle-edit',
    component: () => import('./places/vehicle/EditVehicle.vue'),
    props: true,
    meta: { title: 'Vehicle details' },
  },
  {
    path: '/vehicles/:id/turn',
    name: 'record',
    component: () => import('./places/turn/RecordTurn.vue'),
    props: true,
    meta: { title: 'Record a turn' },
  },
  {
    path: '/turns/:id',
    name: 'turn',
    component: () => import('./places/turn/TurnPlace.vue'),
    props: true,
    meta: { title: 'Turn' },
  },
  {
    path: '/turns/:id/correct',
    name: 'correct',
    component: () => import('./places/turn/CorrectTurn.vue'),
    props: true,
    meta: { title: 'Correct a turn' },
  },
  { path: '/bench', name: 'bench', component: () => import('./places/bench/BenchPlace.vue'), meta: { title: 'Bench' } },
  {
    path: '/vehicles/:id/look',
    name: 'look',
    component: () => import('./places/bench/WalkRound.vue'),
    props: true,
    meta: { title: 'Walk round' },
  },
  { path: '/bench/mix', name: 'mix', component: () => import('./places/mix/MixPlace.vue'), meta: { title: 'Mix' } },
  {
    path: '/bench/gauge',
    name: 'gauge',
    component: () => import('./places/gauge/GaugePlace.vue'),
    meta: { title: 'Bead gauge' },
  },
  {
    path: '/bench/water',
    name: 'water',
    component: () => import('./places/water/WaterPlace.vue'),
    meta: { title: 'Water' },
  },
  {
    path: '/sheets/:id',
    name: 'sheet',
    component: () => import('./places/sheet/SheetPlace.vue'),
    props: true,
    meta: { title: 'Sheet', wet: true },
  },
  { path: '/proof', name: 'proof', component: () => import('./places/proof/ProofPlace.vue'), meta: { title: 'Proof' } },
  { path: '/weeks', name: 'weeks', component: () => import('./places/weeks/WeeksPlace.vue'), meta: { title: 'Weeks' } },
  {
    path: '/weeks/setup',
    name: 'weeks-setup',
    component: () => import('./places/weeks/SetupPlace.vue'),
    meta: { title: 'Who works when' },
  },
  { path: '/round', name: 'round', component: () => import('./places/round/RoundPlace.vue'), meta: { title: 'Round' } },
  {
    path: '/shelf/gear',
    name: 'gear',
    component: () => import('./places/gear/GearPlace.vue'),
    meta: { title: 'Gear' },
  },
  {
    path: '/workspace/schools',
    name: 'schools',
    component: () => import('./places/workspace/SchoolsPlace.vue'),
    meta: { title: 'Schools' },
  },
  {
    path: '/shelf/fit',
    name: 'fit',
    component: () => import('./places/shelf/FitPlace.vue'),
    meta: { title: 'What fits what' },
  },
  {
    path: '/shelf/files',
    name: 'shelf-files',
    component: () => import('./places/shelf/FilesPlace.vue'),
    meta: { title: 'Shelf files' },
  },
  { path: '/book', name: 'book', component: () => import('./places/book/BookPlace.vue'), meta: { title: 'Book' } },
  { path: '/shelf', name: 'shelf', component: () => import('./places/shelf/ShelfPlace.vue'), meta: { title: 'Shelf' } },
  {
    path: '/shelf/new',
    name: 'product-new',
    component: () => import('./places/shelf/EditProduct.vue'),
    props: (to) => ({ like: typeof to.query.like === 'string' ? to.query.like : undefined }),
    meta: { title: 'A new product' },
  },
  {
    path: '/shelf/:id',
    name: 'product',
    component: () => import('./places/shelf/EditProduct.vue'),
    props: true,
    meta: { title: 'Product' },
  },
  {
    path: '/workspace',
    name: 'workspace',
    component: () => import('./places/workspace/WorkspacePlace.vue'),
    meta: { title: 'Workspace' },
  },
  {
    path: '/:rest(.*)*',
    name: 'nowhere',
    component: () => import('./places/door/Nowhere.vue'),
    meta: { title: 'Nothing here' },
  },
]

export function makeRouter(queries: QueryClient) {
  const router = createRouter({
    history: createWebHistory(),
    routes: [...open, ...places],
    scrollBehavior: (to, from, saved) => saved ?? (to.path === from.path ? {} : { top: 0 }),
  })
  router.beforeEach(async (to) => {
    if (to.meta.open) return true
    try {
      await queries.ensureQueryData(meQuery)
      return true
    } catch (problem) {
      if (problem instanceof Problem && problem.status === 401) {
        return { name: 'sign-in', query: to.fullPath === '/' ? {} : { next: to.fullPath } }
      }
      return true
    }
  })
  router.afterEach((to) => {
    document.title = `${String(to.meta.title ?? 'Vicissa')} · Vicissa`
  })
  return router
}
