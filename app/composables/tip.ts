import type { Directive, DirectiveBinding, ObjectDirective } from 'vue'

/**
 * More about what is shown, in PrimeVue's tooltip: by hovering, by focus, and where nothing hovers by a tap. A reader hears it as
 * a description. The tooltip itself is fetched with the first that is asked for.
 */
export const vTip: Directive<HTMLElement, string | undefined> = {
  mounted(element, binding, vnode) {
    describe(element, binding.value)
    latest.set(element, { binding, vnode })
    const asked = () => void bind(element)
    for (const kind of ASKING) element.addEventListener(kind, asked, { once: true })
  },
  updated(element, binding, vnode) {
    if (binding.value === binding.oldValue) return
    describe(element, binding.value)
    latest.set(element, { binding, vnode })
    bound.get(element)?.updated?.(...called(element))
  },
  beforeUnmount(element) {
    bound.get(element)?.unmounted?.(...called(element))
    bound.delete(element)
    latest.delete(element)
  },
}

const ASKING = ['mouseenter', 'focus', 'pointerdown'] as const
type Tooltip = ObjectDirective<HTMLElement, unknown>
type Node = Parameters<NonNullable<Tooltip['mounted']>>[2]
/** Elements with what stands in their tooltip now, and those that have it. */
const latest = new WeakMap<HTMLElement, { binding: DirectiveBinding; vnode: Node }>()
const bound = new WeakMap<HTMLElement, Tooltip>()
/** No mouse: what is tapped has the focus, until another is. */
const tapped = () => matchMedia('(hover: none)').matches

function describe(element: HTMLElement, text: string | undefined): void {
  if (text) element.setAttribute('aria-description', text)
  else element.removeAttribute('aria-description')
  // Not a stop of the tab key between two readings; inside of a link or a button the focus stays with that.
  if (text && !element.hasAttribute('tabindex') && !element.closest('a, button')) element.tabIndex = -1
}

/** What PrimeVue's directive is called with. */
function called(element: HTMLElement): [HTMLElement, DirectiveBinding, Node, never] {
  const { binding, vnode } = latest.get(element)!
  const value = { value: (binding.value as string | undefined) ?? '', showDelay: 200, class: 'tip' }
  return [element, { ...binding, value, modifiers: { top: true, focus: tapped() } }, vnode, undefined as never]
}

async function bind(element: HTMLElement): Promise<void> {
  if (bound.has(element)) return
  const { default: tooltip } = (await import('primevue/tooltip').catch(() => ({ default: undefined }))) as {
    default?: Tooltip
  }
  if (!tooltip || bound.has(element) || !latest.has(element)) return
  bound.set(element, tooltip)
  // It comes later than its element: what Vue would have called by then.
  tooltip.created?.(...called(element))
  tooltip.beforeMount?.(...called(element))
  tooltip.mounted?.(...called(element))
  if (!tapped()) {
    element.addEventListener('focus', () => element.dispatchEvent(new Event('mouseenter')))
    element.addEventListener('blur', () => element.dispatchEvent(new Event('mouseleave')))
  }
  // The one that asked for it is shown now.
  if (element.matches(':hover, :focus')) element.dispatchEvent(new Event(tapped() ? 'focus' : 'mouseenter'))
}
