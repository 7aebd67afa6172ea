import { metricsText } from '../metrics/metrics'

/** What this server does, for whoever watches over it, in the text format of OpenMetrics. */
export default defineEventHandler(async (event) => {
  const { text, type } = await metricsText()
  setResponseHeader(event, 'content-type', type)
  return text
})
