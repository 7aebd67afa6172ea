import { withDemo } from './bin/lib/demo-browser.mjs'
await withDemo(4611, async (browser, at) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const errors = []
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()))
  await page.goto(at('Ottiline', 'brief')); await page.waitForTimeout(5000)
  const fills = page.getByTestId('oil-fills'); await fills.scrollIntoViewIfNeeded(); await page.waitForTimeout(1500)
  await page.getByLabel('First fill, to break in on').selectOption('30'); await page.waitForTimeout(3500)
  await fills.scrollIntoViewIfNeeded(); await page.screenshot({ path: '/tmp/a1.png' })
  await page.getByRole('heading', { name: 'Targets' }).first().evaluate((e) => e.scrollIntoView()); await page.waitForTimeout(300); await page.screenshot({ path: '/tmp/a3.png' })
  await page.goto(at('Carousel set', 'start') + '?view=readings'); await page.waitForTimeout(12000); await page.screenshot({ path: '/tmp/a5.png' })
  const c = page.getByTestId('calibration'); if (await c.count()) { await c.scrollIntoViewIfNeeded(); await page.waitForTimeout(500); await page.screenshot({ path: '/tmp/a6.png' }) }
  await page.goto(at('Barge pump', 'relief')); await page.waitForTimeout(4000); await page.getByText('seller’s word').first().click(); await page.waitForTimeout(500); await page.screenshot({ path: '/tmp/a7.png' })
  await page.setViewportSize({ width: 390, height: 844 }); await page.goto(at('Ottiline', 'brief')); await page.waitForTimeout(4000); await page.getByTestId('oil-fills').evaluate((e) => e.scrollIntoView()); await page.waitForTimeout(1500); await page.screenshot({ path: '/tmp/a8.png' })
  console.log(errors)
})
