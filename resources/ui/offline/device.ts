import { newId } from '@/lib/ids'
import { recall, remember } from './store'

let mine: Promise<string> | null = null

/** This device's name, made once. */
export function device(): Promise<string> {
  mine ??= recall<string>('device').then(async (known) => {
    if (known) return known
    const made = newId()
    await remember('device', made)
    return made
  })
  return mine
}
