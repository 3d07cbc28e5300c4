import { useStorage } from '@vueuse/core'

/** How this phone is used on the driveway; kept on it until somebody signs out. */
export function useDriveway() {
  return {
    /** Done begins the next step that may begin. */
    goesOn: useStorage('sheet-goes-on', true),
    /** Steps are spoken, a headset's or a steering key moves on, and the screen shows one thing. */
    handsFree: useStorage('sheet-hands-free', false),
    /** Everything one taps is as large as a glove's finger. */
    gloves: useStorage('sheet-gloves', false),
  }
}
