import { outlookOf } from '../core/outlook/outlook'
import type { Sheet } from '../core/record/schema'
import { expect, field, record, saved, test } from './server'
import { choose } from './controls'

/** A builder's whole way on a new inline four: from the first measurement to the verdict of the first start. */
test('from measurements to a first-start verdict', async ({ server, bench: page }) => {
  test.setTimeout(240_000)
  await page.goto(server.address)
  await expect(page.locator('.engines li')).toHaveCount(4)
  await page.getByRole('button', { name: 'New build' }).click()
  await choose(page.getByRole('combobox', { name: 'Layout' }), 'Inline four')
  await page.getByRole('button', { name: 'Start build' }).click()
  await expect(page.getByText('Must be given, such as the boat or the owner')).toBeVisible()
  await page.getByRole('textbox', { name: /^Name/ }).fill('Kestrel punt')
  await page.getByRole('textbox', { name: /^Engine/ }).fill('Marlow 2.0')
  await page.getByRole('button', { name: 'Start build' }).click()
  await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible()
  const station = (name: string) =>
    page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name }).click()
  const idleHot = page.locator('[data-state="idleHot"]')
  await expect(idleHot.getByTestId('pressure')).toHaveText(/\d\.\d/)

  await test.step('Brief, in mixed units', async () => {
    await record(page, {
      'brief.idleSpeed': '750',
      'brief.coldIdleSpeed': '1000',
      'brief.workingSpeed': '3,000 rpm',
      'brief.maximumSpeed': '5500',
      'brief.crankingSpeed': '200',
      'brief.coldStart': '41 °F',
      'brief.hotOil': '203 F',
      'maker.idleHot': '14.5 psi',
      'limit.mainLeast': '1.4 thou',
      'limit.mainMost': '2.6 thou',
    })
    await expect(field(page, 'brief.coldStart')).toHaveValue('5')
    await expect(field(page, 'brief.hotOil')).toHaveValue('95')
    await expect(field(page, 'maker.idleHot')).toHaveValue('1.0')
    await choose(page.getByRole('combobox', { name: 'Oil grade' }), '20W-50')
    // Ten psi for each thousand rpm: 3,000 rpm asks 30 psi, 2.1 bar.
    await expect(page.locator('[data-target="workingHot"]').getByRole('cell').nth(1)).toHaveText('2.1')
    await expect(page.getByTestId('tally')).toHaveText('7 of 7')
  })

  await test.step('Bearings, from the keyboard, with a slip and one over its limit', async () => {
    await station('Bearings')
    await field(page, 'main.1.journal').focus()
    const type = async (text: string) => {
      await page.keyboard.type(text)
      await page.keyboard.press('Enter')
    }
    // 2.2835 in is 58.0009 mm: with a 58.056 bore 0.055 is left.
    for (const text of [
      '2.2835 in',
      '58.056',
      '57.998',
      '58.052',
      '57.998',
      '58.092',
      '57.998',
      '58.053',
      '57.998',
      '58.053',
    ])
      await type(text)
    await expect(page.locator('[data-bearing="main.1"]').getByTestId('clearance')).toContainText('0.055')
    await expect(page.locator('[data-bearing="main.2"]').getByTestId('clearance')).toContainText('0.054')
    const judgement = page.getByRole('region', { name: 'Judgement' })
    // 58.092 − 57.998 = 0.094; the maker's 2.6 thou is 0.066, so it is 0.028 too loose.
    await expect(judgement).toContainText('Main 3 stop: 0.094 mm, limit 0.066.')
    await expect(judgement).toContainText('0.028 mm too loose. Its bore is 0.039 mm over the others. Idle hot loses')
    await expect(page.locator('[data-part="main.3"]')).toHaveClass(/stop/)
    await expect(idleHot).toContainText(/since main \d bore was written/)

    await expect(field(page, 'rod.1.journal')).toBeFocused()
    await type('47.980')
    await type('480.30')
    await page.getByRole('button', { name: 'Use 48.030 mm' }).click()
    await expect(page.locator('[data-bearing="rod.1"]').getByTestId('clearance')).toContainText('0.050')
    for (const text of ['47.981', '48.030', '47.980', '48.031']) await type(text)
    await record(page, { 'rod.4.clearance': '2.1 thou' })
    await expect(field(page, 'rod.4.clearance')).toHaveValue('0.053')
    await field(page, 'main.3.bore').fill('three')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('alert')).toContainText('does not start with a number')
    await expect(field(page, 'main.3.bore')).toHaveValue('three')
    await page.keyboard.press('Escape')
    await expect(field(page, 'main.3.bore')).toHaveValue('58.092')
    await record(page, { 'main.3.bore': '58.054' })
    await expect(judgement).not.toContainText('Main 3')
    await page.getByRole('button', { name: /Crank turns freely.*in order/ }).click()
    await expect(page.getByTestId('tally')).toHaveText('17 of 17')
  })

  await test.step('Reload: nothing lost', async () => {
    await saved(page)
    await page.reload()
    await expect(field(page, 'main.1.bore')).toHaveValue('58.056')
    await expect(field(page, 'rod.4.clearance')).toHaveValue('0.053')
  })

  await test.step('Pump: displacement from the gears', async () => {
    await station('Pump')
    await record(page, {
      'pump.endClearance': '3 thou',
      'pump.tipClearance': '90 µm',
      'pump.rotorDiameter': '38',
      'pump.centres': '32',
      'pump.rotorLength': '1 in',
      'pump.driveRatio': '0.5',
    })
    for (const surface of ['Cover', 'Body face', 'Pocket floor', 'Pocket bore', 'Rotors', 'Shaft and bush'])
      await page.getByRole('button', { name: `${surface}: clean` }).click()
    // π/2 · 25.4 · (38² − 32²) mm³ = 16.76 cm³.
    await expect(page.getByTestId('displacement')).toContainText('16.76')
    await page.getByRole('tab', { name: 'Close up' }).click()
    for (const name of [/Turns by hand.*in order/, /Washed out.*in order/])
      await page.getByRole('button', { name }).click()
  })

  await test.step('Relief: opening pressure and bind', async () => {
    await station('Relief')
    await record(page, {
      'relief.plungerDiameter': '1/2 in',
      'relief.springRate': '6',
      'relief.freeLength': '47',
      'relief.installedLength': '40.5',
      'relief.shims': '0.5',
      'relief.solidLength': '26',
      'relief.portDiameter': '7',
    })
    // 6 N/mm · (47 − 40.5 + 0.5) = 42 N over 126.68 mm² is 331.5 kPa; 40.5 − 0.5 − 7 − 26 = 7.00 mm to bind.
    await expect(page.getByTestId('opens')).toContainText('3.32')
    await expect(page.getByTestId('bind')).toContainText('7.00')
    await expect(page.locator('[data-dimension="shims"]')).toHaveAttribute('data-metres', '0.0005')
    await page.getByRole('button', { name: /Plunger falls.*in order/ }).click()
    await page.getByRole('button', { name: 'Understood' }).click()
    await page.getByRole('tab', { name: 'Seat, thread, seals' }).click()
    for (const name of [/Seals and washers.*in order/, /Turns all the way.*in order/])
      await page.getByRole('button', { name }).click()
  })

  await test.step('Pickup: floor clearance', async () => {
    await station('Pickup')
    await record(page, {
      'pickup.sumpDepth': '6 1/2 in',
      'pickup.protrusion': '162 mm',
      'pickup.tubeDiameter': '15',
      'pickup.tubeLength': '230',
    })
    // 165.1 − 162 = 3.1 mm chokes; 165.1 − 156 = 9.1 mm is right.
    await expect(page.getByRole('region', { name: 'Judgement' })).toContainText('Too close')
    await record(page, { 'pickup.protrusion': '156 mm' })
    await expect(page.locator('[data-dimension="floorClearance"]')).toHaveText('9.10 mm')
    await expect(page.getByRole('region', { name: 'Judgement' })).toContainText('Near enough')
    await expect(page.locator('[data-suction="idleCold"]')).toContainText(/0\.\d\d/)
    for (const name of [/Seal new.*in order/, /Tube tight.*in order/, /Screen clean.*in order/])
      await page.getByRole('button', { name }).click()
    await page.getByRole('tab', { name: 'Air test', exact: true }).click()
    await page.getByRole('button', { name: 'Air test of the pickup: holds' }).click()
  })

  await test.step('Passages: everything walked', async () => {
    await station('Passages')
    await expect(page.getByTestId('tally')).toHaveText('0 of 12')
    await expect(page.locator('[data-passage]')).toHaveCount(12)
    for (const passage of await page.locator('[data-passage]').all()) {
      await passage.click()
      await page
        .locator('.panel')
        .getByRole('button', { name: /: (fitted|valve in)$/ })
        .click()
    }
    await expect(page.getByTestId('tally')).toHaveText('12 of 12')
  })

  await test.step('Outlook: the chart, and the same numbers as the model gives for the exported file', async () => {
    await station('Outlook')
    await expect(page.locator('.apexcharts-line-series .apexcharts-series')).not.toHaveCount(0)
    await saved(page)
    const id = page.url().split('/')[4]
    const sheet = (await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet
    for (const state of outlookOf(sheet, 20).states) {
      await expect(page.locator(`[data-state="${state.name}"]`).getByTestId('pressure')).toHaveText(
        (state.pressure / 1e5).toFixed(1),
      )
    }
  })

  await test.step('Prime by drill', async () => {
    await station('Prime')
    await record(page, { 'prime.drillSpeed': '500', 'prime.oilTemperature': '68 °F' })
    for (const name of ['Pump packed', 'Oil in, enough', 'Mechanical gauge on', 'Drill on the pump'])
      await page.getByRole('button', { name: new RegExp(`${name}.*done`) }).click()
    await record(page, { 'prime.pressure': '1 bar' })
    await page.getByRole('tab', { name: 'Look round', exact: true }).click()
    for (const turn of ['90°', '180°', '270°', '360°', '450°', '540°', '630°', '720°'])
      await page.getByRole('button', { name: turn, exact: true }).click()
    const judgement = page.getByRole('region', { name: 'Judgement' })
    await expect(judgement).toContainText('Do not start it')
    await expect(page.getByTestId('prime-expected')).toHaveText(/\d\.\d\s*bar/)
    const expected = Number((await page.getByTestId('prime-expected').textContent())!.replace('bar', ''))
    const least = Number((await page.getByTestId('prime-least').textContent())!.replace('bar', ''))
    // Cold oil that only the drill moves is held by the valve: above its 3.32 bar opening, and the least is under it.
    expect(expected).toBeGreaterThan(3)
    expect(least).toBeLessThan(expected)
    for (const name of [
      /Rockers 1/,
      /Rockers 2/,
      /Rockers 3/,
      /Rockers 4/,
      /The rest show oil/,
      /Timing jet.*in order/,
      /No weeps.*in order/,
    ])
      await page.getByRole('button', { name }).click()
    await page.getByRole('tab', { name: 'How', exact: true }).click()
    await record(page, { 'prime.pressure': String(expected) })
    await expect(judgement).toContainText('The circuit is full')
    await expect(page.getByTestId('tally')).toHaveText('20 of 20')
  })

  await test.step('First start', async () => {
    await station('First start')
    await expect(page.getByTestId('clear-to-start')).toContainText('Not yet')
    for (const button of await page
      .locator('.check')
      .getByRole('button', { name: /: in order$/ })
      .all())
      await button.click()
    await expect(page.getByTestId('clear-to-start')).toContainText('Clear to start')
    await page.getByRole('tab', { name: 'Readings', exact: true }).click()
    const hot = Number(await idleHot.getByTestId('pressure').textContent())
    const working = Number(await page.locator('[data-state="workingHot"]').getByTestId('pressure').textContent())
    await record(page, { 'start.firstPressure': '3' })
    await record(page, {
      'start.idleCold.pressure': '60 psi',
      'start.idleCold.speed': '1000',
      'start.idleCold.temperature': '50 F',
    })
    await record(page, {
      'start.idleHot.pressure': '0.6',
      'start.idleHot.speed': '750',
      'start.idleHot.temperature': '95',
    })
    await record(page, {
      'start.workingHot.pressure': String(working),
      'start.workingHot.speed': '3000',
      'start.workingHot.temperature': '95',
    })
    // 14.5 psi of the maker is 1.00 bar: 0.6 is 0.40 under it, and far below what the model says.
    await expect(page.locator('[data-point="idleHot"]')).toContainText(
      'Idle hot stop: 0.60 bar. 0.40 bar under the target of 1.00 bar, the maker’s limit',
    )
    await expect(page.locator('[data-point="idleHot"]')).toContainText('something leaks, starves or misreads')
    await expect(page.locator('[data-point="workingHot"]')).toContainText(/Working hot pass: .* the reading agrees/)
    await expect(page.locator('[data-point="idleCold"]')).toContainText('Idle cold')
    await record(page, { 'start.idleHot.pressure': String(hot) })
    await expect(page.locator('[data-point="idleHot"]')).toHaveAttribute('data-verdict', 'pass')
    await expect(page.getByTestId('tally')).toHaveText('10 of 10')
    await saved(page)
    await page.reload()
    await expect(page.locator('[data-point="idleHot"]')).toHaveAttribute('data-verdict', 'pass')
  })

  await page.goto(server.address)
  await expect(page.locator('.engines li', { hasText: 'Kestrel punt' })).toContainText('readings are in')
})
