import { expect, field, PHOTO, record, saved, sharing as test } from './server'
import { attribute, judgement, newBuild, number } from './supplied'

test('Pickup: too close, too far and right; a step, an air leak, slosh, and a dry sump', async ({
  server,
  bench: page,
}) => {
  const id = await newBuild(server, 'inline4')
  await page.goto(`${server.address}/build/${id}/pickup`)
  const cold = page.locator('[data-suction="idleCold"] .figure')
  const suction = async () => parseFloat((await cold.textContent())!)
  const open = await suction()
  expect(open).toBeGreaterThan(0)
  await record(page, {
    'pickup.sumpDepth': '160',
    'pickup.gasket': '1.5',
    'pickup.protrusion': '159.5',
    'pickup.tubeDiameter': '14',
    'pickup.tubeLength': '220',
  })
  await expect(judgement(page).locator('[data-verdict="stop"]')).toContainText(
    'Floor clearance 2.00 mm ± 1.17 mm, house mark 6.00 to 12.00 mm. Too close',
  )
  // The words are the page's own; the figure is the model's, which answers a moment later.
  let choked = 0
  await expect.poll(async () => (choked = await suction())).toBeGreaterThan(open)
  await record(page, { 'pickup.protrusion': '131.5' })
  await expect(judgement(page).locator('[data-verdict="stop"]')).toContainText(
    'Floor clearance 30.00 mm ± 1.17 mm, house mark 6.00 to 12.00 mm. Too far',
  )
  await record(page, { 'pickup.protrusion': '152.5' })
  await expect(judgement(page).locator('[data-verdict="pass"]')).toContainText('Floor clearance 9.00 mm')
  await expect.poll(suction).toBeLessThan(choked)
  // To scale: the lip stands 9 mm over the floor in a sump drawn 161.5 mm deep.
  const scale = await attribute(page, 'svg[data-scale]', 'data-scale')
  const path = async (part: string) =>
    [...(await page.locator(`[data-part="${part}"]`).getAttribute('d'))!.matchAll(/-?[\d.]+/g)].map(Number)
  const floor = await path('floor')
  expect((floor.at(-1)! - floor[1]) / scale).toBeCloseTo(0.009, 6)
  const depth = await path('depth')
  expect((depth[2] - depth[1]) / scale).toBeCloseTo(0.1615, 6)

  // A port half as wide in area as the tube: 0.5 · 0.5 · 4 = 1.
  await record(page, { 'pump.suctionPort': '9.9' })
  await expect(judgement(page)).toContainText(
    'The tube of 14.00 mm meets a port of 9.90 mm. The step costs suction, loss coefficient 1.00',
  )
  await page.getByRole('tab', { name: 'Suction over speed' }).click()
  await expect(judgement(page)).toBeVisible()
  const hardest = page.locator('[data-verdict]', { hasText: /Hot, 95 °C/ })
  await expect(hardest).toContainText(/left at its hardest/)
  await page.getByRole('slider', { name: 'Share of the screen that is blocked' }).press('End')
  await expect(page.locator('[data-verdict]', { hasText: /Cold, 0 °C/ })).toContainText(/starves from \d/)

  await page.getByRole('tab', { name: 'Air test' }).click()
  await record(page, { 'pickup.vacuum': '60 kPa', 'pickup.vacuumAfter': '41 kPa' })
  await expect(page.getByText('It does not hold: a minute later 0.41 bar of 0.60 bar are left.')).toBeVisible()
  await page.getByRole('button', { name: 'Air test of the pickup: leaks at the joint' }).click()
  await expect(page.locator('[data-inspect="pickup.airTest"]')).toContainText('fit a new seal')
  await record(page, { 'pickup.vacuumAfter': '59 kPa' })
  await page.getByRole('button', { name: 'Air test of the pickup: holds' }).click()
  await page.getByRole('tab', { name: 'Oil level and slosh' }).click()
  await record(page, {
    'pickup.oilDepth': '80',
    'pickup.offset': '60',
    'pickup.capacity': '5 L',
    'pickup.filterVolume': '0.6',
  })
  // Road: 35 degrees, 80 − 60 · 0.700 − 9.
  await expect(page.getByTestId('slosh')).toContainText('28.99 mm of oil over the mouth with the surface at 35 °')
  await expect(page.getByTestId('fill-filled')).toContainText('4.4')

  await page.goto(`${server.address}/build/${id}/brief`)
  await page.getByRole('button', { name: 'Change layout' }).click()
  await page.getByLabel('Dry sump, with a tank').check()
  await page.getByRole('button', { name: 'Use this layout' }).click()
  await saved(page)
  await page.goto(`${server.address}/build/${id}/pickup`)
  await expect(page.getByRole('group', { name: /Dry sump/ })).toBeVisible()
  await record(page, { 'pickup.scavenge': '12 cc', 'pickup.tankHead': '300' })
  await expect(page.locator('[data-dimension="pickup.tankHead"]')).toHaveText('300.00 mm')
  await expect(judgement(page).locator('[data-verdict="stop"]')).toContainText(
    /Scavenge stage 1\.\d+ of the pressure stage/,
  )
})

test('Passages: the walk, a bypass valve wrongly left in, a plug left out, and the way clear to prime', async ({
  server,
  bench: page,
}) => {
  const id = await newBuild(server, 'inline4', { coolerPlugged: true, coolerBypass: 'sump' })
  await page.goto(`${server.address}/build/${id}/passages`)
  await expect(page.getByTestId('tally')).toHaveText('0 of 14')
  const sound = await number(page, 'idleHot')
  await page.locator('[data-tap="passage.coolerBypass"]').click()
  await record(page, { 'passage.coolerBypass': '1.0 bar' })
  await page.getByRole('button', { name: 'Cooler’s valve, to the sump: valve in' }).click()
  // It is computed with, so that the number it will read is said, and what the gauge will show is judged by that.
  await expect(judgement(page).locator('[data-verdict="watch"]')).toContainText(
    'an alarmingly low hot idle on a sound engine',
  )
  await expect(page.getByText('Computed with: cooler’s valve, to the sump: valve in.')).toBeVisible()
  // It opens at 1.0 bar to the sump: the gauge stands at that, less the filter's few hundredths.
  await expect.poll(() => number(page, 'idleHot')).toBeLessThan(1.15)
  expect(await number(page, 'idleHot')).toBeGreaterThan(0.85)
  await expect(page.locator('[data-effect="in"]')).toContainText(/0\.9\d|1\.0\d/)
  // The strip says it to a tenth, the list to a hundredth.
  const plugged = parseFloat((await page.locator('[data-effect="plugged"]').getByRole('cell').nth(2).textContent())!)
  expect(Math.abs(plugged - sound)).toBeLessThan(0.06)
  await saved(page)
  await page.goto(`${server.address}/build/${id}/prime`)
  await expect(page.getByTestId('clear-to-prime')).toContainText(/Passages: \d+ to go/)
  await page.goto(`${server.address}/build/${id}/passages?at=coolerBypass`)
  await page.getByRole('button', { name: 'Cooler’s valve, to the sump: taken out, way plugged' }).click()
  await expect.poll(() => number(page, 'idleHot')).toBeGreaterThan(sound - 0.15)

  // What the page came to by itself stays once it is found: its sealing is entered after; then on to the next.
  await page.goto(`${server.address}/build/${id}/passages`)
  const heading = page.locator('section.panel h2')
  const first = await heading.textContent()
  await page
    .locator('section.panel')
    .getByRole('button', { name: /: (fitted|valve in|sound|right)$/ })
    .first()
    .click()
  await expect(page.getByTestId('tally')).toHaveText('2 of 14')
  await expect(heading).toHaveText(first!)
  await page.getByRole('button', { name: /^Next: / }).click()
  await expect(heading).not.toHaveText(first!)

  // A plug left out is shown as the reading that it would give, before anybody leaves it out.
  await page.locator('[data-passage="passage.frontPlug"]').click()
  await expect(page.locator('[data-effect="left-out"]').getByRole('cell').nth(2)).toContainText('0.0')
  await page.getByRole('button', { name: 'Gallery plug, front: fitted' }).click()
  await page.getByRole('button', { name: 'Sealed: sealer' }).click()
  await page.getByRole('textbox', { name: 'Note' }).fill('hexagon, two threads showing')
  await page.keyboard.press('Enter')
  await page.getByLabel('Photo of Gallery plug, front').setInputFiles(PHOTO)
  await expect(page.locator('.photos img')).toHaveCount(1)
  await saved(page)

  // A restrictor's size is what it lets through: a smaller one leaves more for the gauge.
  await page.locator('[data-passage="passage.rockerRestrictor"]').click()
  const before = await number(page, 'idleHot')
  await record(page, { 'passage.rockerRestrictor': '0.5' })
  await expect.poll(() => number(page, 'idleHot')).toBeGreaterThan(before)
  await page.locator('[data-passage="passage.filter"]').click()
  await record(page, { 'passage.filterGap': '0.30' })
  await expect(judgement(page)).toContainText(
    'Filter housing stands off by 0.300 mm, house mark 0.100 mm. Shim it by 0.250 mm',
  )
  await record(page, { 'passage.filterGap': '0.05' })
  await page.getByRole('combobox', { name: 'Filter from the shelf' }).click()
  await page.getByRole('option', { name: 'Filter can, long, 5 free' }).click()
  await expect(field(page, 'passage.filterLoss')).toHaveValue('0.1')

  // The panel is the tapped one's at once: a hand that marks it straight after never marks the one before.
  const shown = await page.evaluate(async () => {
    document.querySelector<HTMLElement>('[data-passage="passage.rearPlug"]')!.click()
    await Promise.resolve()
    await Promise.resolve()
    return document.querySelector('section.panel h2')!.textContent
  })
  expect(shown).toBe('Gallery plug, rear')

  const keys = await page
    .locator('[data-passage]')
    .evaluateAll((all) => all.map((each) => (each as HTMLElement).dataset.passage!))
  for (const key of keys.filter((each) => !/coolerBypass|frontPlug/.test(each))) {
    await page.locator(`[data-passage="${key}"]`).click()
    const found = page.locator('.panel').getByRole('button', { name: /: (fitted|valve in)$/ })
    if ((await found.getAttribute('aria-pressed')) !== 'true') await found.click()
  }
  await expect(page.getByTestId('tally')).toHaveText('14 of 14')
  await expect(page.locator('[data-tap].pass')).toHaveCount(14)
  const sheet = (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet
  expect(sheet.inspections['passage.frontPlug']).toMatchObject({
    finding: 'fitted',
    by: 'Maren',
    note: 'hexagon, two threads showing',
  })
  expect(sheet.choices['passage.frontPlug.seal']).toBe('sealer')
})
