import type { Directive, DirectiveBinding, ObjectDirective } from 'vue'

/**
 * More about what is shown, in PrimeVue's tooltip: by hovering, by focus, and where nothing hovers by a tap. A reader hears it as
 * a description. The tooltip itself is fetched with the first that is asked for.
 */
export const vTip: Directive<HTMLElement, string | undefined> = {
  mounted(element, binding) {
    describe(element, binding.value)
    const asked = () => void bind(element, binding)
    for (const kind of ASKING) element.addEventListener(kind, asked, { once: true })
  },
  updated(element, binding) {
    describe(element, binding.value)
    bound.get(element)?.updated?.(...withText(element, binding))
  },
  beforeUnmount: (element, binding) => bound.get(element)?.unmounted?.(...withText(element, binding)),
}

const ASKING = ['mouseenter', 'focus', 'pointerdown'] as const
type Tooltip = ObjectDirective<HTMLElement, unknown>
/** Elements that have their tooltip. */
const bound = new WeakMap<HTMLElement, Tooltip>()
/** No mouse: what is tapped has the focus, until another is. */
const tapped = () => matchMedia('(hover: none)').matches

function describe(element: HTMLElement, text: string | undefined): void {
  if (text) element.setAttribute('aria-description', text)
  else element.removeAttribute('aria-description')
  // Not a stop of the tab key between two readings; inside of a link or a button the focus stays with that.
  if (text && !element.hasAttribute('tabindex') && !element.closest('a, button')) element.tabIndex = -1
}

type Called = [HTMLElement, DirectiveBinding, never, never]

/** What PrimeVue's directive is called with. */
function withText(element: HTMLElement, binding: DirectiveBinding): Called {
  const value = { value: binding.value ?? '', showDelay: 200, class: 'tip' }
  return [
    element,
    { ...binding, value, modifiers: { top: true, focus: tapped() } },
    undefined as never,
    undefined as never,
  ]
}

async function bind(element: HTMLElement, binding: DirectiveBinding): Promise<void> {
  if (bound.has(element)) return
  const { default: tooltip } = (await import('primevue/tooltip').catch(() => ({ default: undefined }))) as {
    default?: Tooltip
  }
  if (!tooltip || bound.has(element) || !element.isConnected) return
  bound.set(element, tooltip)
  tooltip.beforeMount?.(...withText(element, binding))
  tooltip.mounted?.(...withText(element, binding))
  if (!tapped()) {
    element.addEventListener('focus', () => element.dispatchEvent(new Event('mouseenter')))
    element.addEventListener('blur', () => element.dispatchEvent(new Event('mouseleave')))
  }
  // The one that asked for it is shown now.
  if (element.matches(':hover, :focus')) element.dispatchEvent(new Event(tapped() ? 'focus' : 'mouseenter'))
}
