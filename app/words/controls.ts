import { t } from './of/frame'

/** What PrimeVue's controls say by themselves, to a reader for the most part; `{0}` is PrimeVue's own place for a number. */
export const controlWords = () => ({
  emptyMessage: t('controls.nothingToChoose'),
  searchMessage: t('controls.found', { count: '{0}' }),
  selectionMessage: t('controls.chosen', { count: '{0}' }),
  emptySelectionMessage: t('controls.nothingChosen'),
  aria: {
    close: t('controls.close'),
    next: t('controls.next'),
    previous: t('controls.previous'),
    selectAll: t('controls.chooseAll'),
    unselectAll: t('controls.leaveAll'),
    selectRow: t('controls.chooseRow'),
    unselectRow: t('controls.leaveRow'),
  },
})
