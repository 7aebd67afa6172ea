import { metricsText } from '../metrics/metrics'

export default describedHandler(
  {
    about: 'What this server does, for whoever watches over it, in the text format of OpenMetrics.',
    gives: 'application/openmetrics-text',
  },
  async (event) => {
    const { text, type } = await metricsText()
    setResponseHeader(event, 'content-type', type)
    return text
  },
)
