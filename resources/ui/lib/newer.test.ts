// @vitest-environment happy-dom
import { beforeEach, expect, it } from 'vitest'
import { followsNewerPages } from './newer'

let fail: (error: unknown, to: { fullPath: string }) => void
const went: string[] = []
let clock = 1_000_000

beforeEach(() => {
  sessionStorage.clear()
  went.length = 0
  const router = { onError: (heard: unknown) => ((fail = heard as typeof fail), () => undefined) }
  followsNewerPages(
    router as never,
    (address) => went.push(address),
    () => clock,
  )
})

it('loads the page anew where a part of it is gone, once a minute', () => {
  const gone = [
    'Failed to fetch dynamically imported module: https://wash.example/build/assets/WeeksPlace-1.js',
    'error loading dynamically imported module: x',
    'Importing a module script failed.',
    'Unable to preload CSS for /build/assets/a.css',
  ]
  for (const message of gone) {
    fail(new TypeError(message), { fullPath: '/weeks?from=2026-11-29' })
    fail(new TypeError(message), { fullPath: '/film' })
    clock += 61_000
  }
  expect(went).toEqual(gone.map(() => '/weeks?from=2026-11-29'))
})

it('leaves every other fault where it is', () => {
  for (const error of [
    new Error('Cannot read properties of undefined'),
    'Failed to fetch dynamically imported module',
    null,
  ]) {
    fail(error, { fullPath: '/weeks' })
  }
  expect(went).toEqual([])
})
