import { instrumentSigma } from '#core/house/instrument'
import type { Reading } from '#core/record/schema'
import { cellsOf, decimalMarkOf, linesOf, separatorOf } from '#core/spreadsheet/cells'
import { decodeText } from '#core/spreadsheet/decode'
import { firstRow, guessHeader, type HeaderGuess, headingsOf, isUnitsRow } from '#core/spreadsheet/headings'
import { rememberedAs } from '#core/spreadsheet/matching'
import { importedReadings, importLines } from '#core/spreadsheet/readings'
import { type Column, guessUses, patternsOf } from '#core/spreadsheet/roles'
import { remember, rememberedJson } from '~/sync/browserStorage'
import { t } from '~/words/of/logbook'

/** A file longer than this is no table of one engine's readings. */
export const MOST_ROWS = 5000
const KEPT = 'uldo.headings'

/** A spreadsheet's file or a pasted block on its way into the open build: what its columns are, what each cell would become, and the one change that takes it in. */
export function useSpreadsheet() {
  const build = useBuild()
  const shop = useShop()
  const name = ref('')
  const rows = shallowRef<string[][]>([])
  const header = ref<HeaderGuess>({ row: -1, units: false })
  const columns = ref<Column[]>([])
  const confirmed = ref<ReadonlySet<string>>(new Set())
  const problem = ref('')
  const taken = ref<number>()
  const patterns = computed(() => patternsOf(build.sheet!.layout))

  function begin(text: string, from: string) {
    problem.value = ''
    taken.value = undefined
    const found = cellsOf(text, separatorOf(linesOf(text)))
    if (found.length > MOST_ROWS) {
      rows.value = []
      problem.value = t('spreadsheet.tooLong', { most: MOST_ROWS })
      return
    }
    name.value = from
    rows.value = found
    setHeader(guessHeader(found))
    if (found.every((row) => row.every((cell) => cell === ''))) problem.value = t('spreadsheet.isEmpty')
  }
  async function open(file: File) {
    begin(decodeText(new Uint8Array(await file.arrayBuffer())), file.name)
  }
  function setHeader(now: HeaderGuess) {
    header.value = now
    confirmed.value = new Set()
    columns.value = guessUses(
      headingsOf(rows.value, now),
      rows.value.slice(firstRow(now)),
      patterns.value,
      rememberedJson<Record<string, string>>(KEPT, {}),
    )
  }
  const setHeaderLine = (line: number) => setHeader({ row: line - 1, units: line > 0 && isUnitsRow(rows.value[line]) })
  /** What a column is, as somebody says; one that was the same is that no more. */
  function setUse(column: number, use: string) {
    confirmed.value = new Set()
    columns.value = columns.value.map((each) =>
      each.column === column ? { ...each, use } : each.use === use && use !== 'none' ? { ...each, use: 'none' } : each,
    )
    const said = columns.value.find((each) => each.column === column)
    if (said && header.value.row >= 0)
      remember(
        KEPT,
        JSON.stringify({ ...rememberedJson<Record<string, string>>(KEPT, {}), [rememberedAs(said.text)]: use }),
      )
  }
  function setUnit(column: number, unit: string) {
    columns.value = columns.value.map((each) =>
      each.column === column ? { ...each, ...(unit ? { unit } : { unit: undefined }) } : each,
    )
  }
  const mark = computed(() => decimalMarkOf(rows.value.slice(firstRow(header.value)).flat()))
  const lines = computed(() =>
    build.sheet && rows.value.length > 0
      ? importLines(build.sheet, rows.value, firstRow(header.value), columns.value, mark.value)
      : [],
  )
  const readings = computed(() =>
    importedReadings(lines.value, confirmed.value, { by: usePerson().who || 'Someone', at: new Date().toISOString() }),
  )
  /** How well each is known: by the instrument that its row names, where the shop has it. */
  function withSigma(reading: Reading): Reading {
    const instrument = shop.house.instruments.find(({ name: of }) => of === reading.instrument)
    return instrument ? { ...reading, uncertainty: instrumentSigma(instrument, Date.now()) } : reading
  }
  /** Takes everything in that is to be, as one change with one undo. */
  async function take() {
    const found = Object.entries(readings.value)
    if (found.length === 0) return
    const count = found.length
    await build.change(
      found.map(([key, reading]) => ({ op: 'add' as const, path: `/readings/${key}`, value: withSigma(reading) })),
      t('spreadsheet.readingsOf', { n: count }, count),
      t('spreadsheet.from', { name: name.value }),
    )
    taken.value = count
    confirmed.value = new Set()
  }
  function confirm(key: string, yes: boolean) {
    const now = new Set(confirmed.value)
    if (yes) now.add(key)
    else now.delete(key)
    confirmed.value = now
  }
  function close() {
    rows.value = []
    columns.value = []
    name.value = ''
    problem.value = ''
  }
  return {
    name,
    rows,
    header,
    columns,
    patterns,
    lines,
    readings,
    confirmed,
    problem,
    taken,
    begin,
    open,
    setHeaderLine,
    setUse,
    setUnit,
    confirm,
    take,
    close,
  }
}
