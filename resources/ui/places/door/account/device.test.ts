import { expect, it } from 'vitest'
import { deviceSaid } from './device'

it('calls a device as a person would', () => {
  expect(deviceSaid('Mozilla/5.0 (X11; Linux x86_64)')).toBe('A computer')
  expect(deviceSaid('Mozilla/5.0 (Linux; Android 14) Mobile')).toBe('A phone')
  expect(deviceSaid('Mozilla/5.0 (iPad; CPU OS 17)')).toBe('A tablet')
  expect(deviceSaid('curl/8')).toBe('A script')
  expect(deviceSaid('')).toBe('A script')
})
