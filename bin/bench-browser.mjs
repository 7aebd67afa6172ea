/** From a keystroke to its prediction on the screen, in Chromium: median and 95th percentile over fifty readings. */
import { withDemo } from './lib/demo-browser.mjs'

await withDemo(4490, async (browser, addressOf) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(addressOf('Ottiline', 'bearings'))
  await page.waitForSelector('[data-state="idleHot"] [data-testid="pressure"]')
  await page.waitForTimeout(2500)
  const times = []
  for (let i = 0; i < 50; i++) {
    const key = `main.${1 + (i % 7)}.bore`
    await page.focus(`input[data-reading="${key}"]`)
    await page.keyboard.type((66.034 + 0.001 * ((i * 3) % 9)).toFixed(3))
    times.push(await page.evaluate(() => new Promise((done) => {
      const strip = document.querySelector('aside.strip')
      const before = strip.dataset.took
      const began = performance.now()
      const seen = new MutationObserver(() => {
        if (strip.dataset.took === before) return
        seen.disconnect()
        requestAnimationFrame(() => setTimeout(() => done(performance.now() - began), 0))
      })
      seen.observe(strip, { attributes: true })
      document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }))
      setTimeout(() => done(Number.NaN), 3000)
    })))
    await page.waitForTimeout(120)
  }
  const good = times.filter(Number.isFinite).sort((a, b) => a - b)
  console.log(`${'from Enter to the prediction on the screen, median'.padEnd(58)} ${good[Math.floor(good.length / 2)].toFixed(0).padStart(6)} ms`)
  console.log(`${`the same, 95th percentile of ${good.length}`.padEnd(58)} ${good[Math.floor(0.95 * good.length)].toFixed(0).padStart(6)} ms   target 100 ms`)
})
