import { whole } from '~/words/numbers'
import { t } from '~/words/of/frame'
import type { ApexOptions } from 'apexcharts'

/** A colour of the scheme that is on, as a chart needs it. */
export const inkOf = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()

/** What all charts look like: no toolbar, no animation, the sheet's type and rules; asked anew with each scheme. */
export function chartLook(scheme: 'light' | 'dark') {
  const type = { fontFamily: inkOf('type'), fontSize: '15px' }
  const title = (text: string) => ({ text, style: { ...type, fontWeight: 400, color: inkOf('quiet') } })
  return {
    type,
    title,
    /** Crank speed along the foot, from nothing to a whole step. */
    speedAxis: ({ top, ticks }: { top: number; ticks: number }): ApexOptions['xaxis'] => ({
      type: 'numeric',
      min: 0,
      max: top,
      tickAmount: ticks,
      title: title(t('chartLook.crankSpeedRpm')),
      labels: { style: type, formatter: (value) => whole(Number(value)) },
      tooltip: { enabled: false },
    }),
    options: {
      chart: {
        type: 'line',
        toolbar: { show: false },
        zoom: { enabled: false },
        animations: { enabled: false },
        background: 'transparent',
        fontFamily: inkOf('type'),
        foreColor: inkOf('ink'),
      },
      theme: { mode: scheme },
      grid: { borderColor: inkOf('rule') },
      legend: { show: false },
    } satisfies ApexOptions,
  }
}

/** Ticks at whole steps from nothing, and the top of the axis on one above the most that is drawn. */
export function wholeSteps(most: number, about = 7): { step: number; top: number; ticks: number } {
  const tens = 10 ** Math.floor(Math.log10(most / about || 1))
  const step = tens * ([1, 2, 2.5, 5, 10].find((each) => most / (tens * each) <= about) ?? 10)
  const ticks = Math.max(1, Math.ceil(most / step - 1e-9))
  return { step, top: ticks * step, ticks }
}
