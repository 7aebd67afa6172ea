import TabList from 'primevue/tablist'

type Method = (this: { $refs: Record<string, unknown> }, ...given: unknown[]) => unknown
const { methods } = TabList as unknown as { methods: Record<string, Method> }

/** A method that looks at the list's own elements: only while they stand. */
const whileItStands = (name: string): Method =>
  function (...given) {
    return this.$refs.content && this.$refs.list ? methods[name]!.apply(this, given) : undefined
  }

/** PrimeVue's TabList, which else measures its elements once more when a page is left while it is being drawn, and finds none. */
export const StandingTabList = {
  ...TabList,
  methods: {
    ...methods,
    updateButtonState: whileItStands('updateButtonState'),
    updateInkBar: whileItStands('updateInkBar'),
    bindInkBarObserver: whileItStands('bindInkBarObserver'),
  },
} as unknown as typeof TabList
