import { useStorage } from '@vueuse/core'

/** Whether single keys do something: whoever speaks to their computer turns them off (the list of keys). */
export const useSingleKeys = () => useStorage('single-keys', true)

/** Somebody types or answers a question: keys are theirs. */
export const isTaken = (event: KeyboardEvent): boolean =>
  document.querySelector('dialog[open]') !== null ||
  (event.target instanceof HTMLElement &&
    (event.target.isContentEditable ||
      event.target.matches('input, textarea, select, [role="combobox"], [role="option"]')))
