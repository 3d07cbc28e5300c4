import { inject, onMounted, onUpdated, watch, type InjectionKey, type Ref } from 'vue'

/** What the field around a control is called; for the parts of a control that its label does not reach. */
export const fieldLabel: InjectionKey<Ref<string>> = Symbol('field label')

export const useFieldLabel = () => inject(fieldLabel, null)

/**
 * The toolkit passes only some attributes on to the element one types into; these reach it all the same.
 *
 * @param attributes  those that are undefined are taken off
 */
export function useInner(root: Ref<{ $el?: unknown } | null>, attributes: () => Record<string, string | undefined>) {
  const put = () => {
    const element = root.value?.$el
    const input = element instanceof HTMLElement ? element.querySelector('input') : null
    for (const [name, value] of Object.entries(attributes()))
      if (value === undefined) input?.removeAttribute(name)
      else input?.setAttribute(name, value)
  }
  onMounted(put)
  onUpdated(put)
  watch(attributes, put, { flush: 'post' })
}
