import { t } from '~/words/of/frame'
/** Words of the view that is open on the page, for its title; empty where there are no views. */
const view = ref('')

export const useViewWords = () => view

/**
 * A page's own title, with its view and the engine that it is of: what a window, a bookmark and a reader of the screen
 * call it, and what stands over it on paper.
 */
export function usePageTitle(words: () => string, of: () => string = () => ''): void {
  useHead({ title: () => [view.value, words(), of(), t('usePageTitle.uldo')].filter(Boolean).join(' · ') })
  usePrintHead(words, of)
}
