/** True while the page is being printed: then rows that are out of sight are made too. */
export function usePrinting() {
  const printing = ref(false)
  const begin = () => void (printing.value = true)
  const end = () => void (printing.value = false)
  onMounted(() => {
    addEventListener('beforeprint', begin)
    addEventListener('afterprint', end)
  })
  onBeforeUnmount(() => {
    removeEventListener('beforeprint', begin)
    removeEventListener('afterprint', end)
  })
  return printing
}
