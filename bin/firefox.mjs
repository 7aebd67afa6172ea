/**
 * One whole recording journey in Firefox, over WebDriver BiDi: begin a build, record at each station by the keyboard, see the
 * prediction move, mark a passage, undo, reload, and find everything there. Debian's firefox-esr is installed if it is missing.
 *
 *   npm run test:firefox
 */
import assert from 'node:assert/strict'
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import puppeteer from 'puppeteer-core'
import { withDemoServer } from './lib/demo-browser.mjs'

const FIREFOX = process.env.FIREFOX ?? '/usr/bin/firefox-esr'
if (!existsSync(FIREFOX)) {
  console.log('Installing firefox-esr (once).')
  spawnSync('apt-get', ['update', '-qq'], { stdio: 'inherit' })
  spawnSync('apt-get', ['install', '-y', '-qq', 'firefox-esr'], { stdio: 'inherit' })
  if (!existsSync(FIREFOX)) {
    console.error('firefox-esr could not be installed. Install it, or name a Firefox with FIREFOX.')
    process.exit(5)
  }
}

/** What is typed at each station, and the state whose prediction it moves. */
const READINGS = [
  ['brief', 'brief.coldStart', '-2', 'idleCold'],
  ['bearings', 'main.2.bore', '60.060', undefined],
  ['bearings', 'main.2.journal', '60.000', 'idleHot'],
  ['pump', 'pump.endClearance', '0.16', 'idleHot'],
  ['relief', 'relief.freeLength', '50', 'workingHot'],
  ['pickup', 'pickup.protrusion', '152', undefined],
]

await withDemoServer(4491, async (addressOf) => {
  const browser = await puppeteer.launch({ browser: 'firefox', executablePath: FIREFOX, headless: true })
  try {
    const page = await browser.newPage()
    const errors = []
    page.on('pageerror', (error) => errors.push(error.message))
    page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))
    await page.setViewport({ width: 1280, height: 800 })
    // The blank page before the first has no storage.
    await page.evaluateOnNewDocument(() => location.protocol === 'http:' && localStorage.setItem('uldo.who', 'Maren'))
    const step = (words) => console.log(`firefox: ${words}`)
    const until = (words, of, ...values) =>
      page.waitForFunction(of, { timeout: 20_000 }, ...values).catch(() => {
        throw new Error(`Firefox: ${words} did not come`)
      })
    const pressure = (state) =>
      page.$eval(`[data-state="${state}"] [data-testid="pressure"]`, (element) => element.textContent)
    const saved = () =>
      until('“saved”', () => document.querySelector('[data-testid="saving"]')?.textContent.trim() === 'saved')
    const stands = () =>
      until('a prediction', () => document.querySelector('[data-state="idleHot"] [data-testid="pressure"]'))
    const drawn = () => page.$eval('aside.strip', (strip) => strip.dataset.took)

    await page.goto(addressOf('', '?new'))
    await page.waitForSelector('input[name="name"]')
    await page.type('input[name="name"]', 'Trial')
    await page.type('input[name="engine"]', 'Marlow 2.0')
    await page.keyboard.press('Enter')
    await until('the new build', () => location.pathname.endsWith('/brief'))
    await stands()
    step('a build was begun, and its prediction stands')
    const base = page.url().replace(/brief$/, '')

    for (const [station, key, typed, state] of READINGS) {
      if (!page.url().includes(`/${station}`)) {
        await page.goto(base + station)
        await stands()
      }
      const field = await page.waitForSelector(`input[data-reading="${key}"]`)
      const [took, before] = [await drawn(), state && (await pressure(state))]
      await field.focus()
      await page.keyboard.type(typed)
      await page.keyboard.press('Enter')
      await until(
        `a prediction after ${key}`,
        (was) => document.querySelector('aside.strip').dataset.took !== was,
        took,
      )
      await saved()
      step(`${key} ${typed}${state ? `: ${state} ${before} to ${await pressure(state)}` : ''}`)
    }

    await page.goto(`${base}passages?at=frontPlug`)
    await stands()
    const fitted = await page.waitForSelector(
      'section.panel ::-p-aria([name="Gallery plug, front: fitted"][role="button"])',
    )
    await fitted.click()
    await until('the passage', () =>
      /fitted/.test(document.querySelector('[data-passage="passage.frontPlug"]').textContent),
    )
    await saved()
    step('a passage was marked')

    await page.goto(`${base}pump`)
    await stands()
    const end = await page.waitForSelector('input[data-reading="pump.endClearance"]')
    assert.equal(await end.evaluate((input) => input.value.replace(/0+$/, '')), '0.16')
    await end.focus()
    await page.keyboard.down('Control')
    await page.keyboard.press('a')
    await page.keyboard.up('Control')
    await page.keyboard.type('0.10')
    await page.keyboard.press('Enter')
    await until('the word on the change', () => document.querySelector('[data-testid="step-news"]'))
    await saved()
    await page.evaluate(() => document.activeElement.blur())
    await page.keyboard.press('z')
    await until('the undo', () =>
      /^0\.160?$/.test(document.querySelector('input[data-reading="pump.endClearance"]').value),
    )
    await saved()
    step('a change was undone')

    await page.reload()
    await stands()
    const sheet = await page.evaluate(async () => {
      const [, , id] = location.pathname.split('/')
      return (await (await fetch(`/api/builds/${id}`)).json()).sheet
    })
    const close = (key, value) => assert.ok(Math.abs(sheet.readings[key].value - value) < 1e-9, `${key} is ${value}`)
    close('brief.coldStart', -2)
    close('main.2.bore', 60.06e-3)
    close('pump.endClearance', 0.16e-3)
    close('relief.freeLength', 50e-3)
    assert.equal(sheet.inspections['passage.frontPlug'].finding, 'fitted')
    assert.equal(sheet.inspections['passage.frontPlug'].by, 'Maren')
    assert.deepEqual(errors, [], 'no error on the console')
    step('all of it is on record after a reload, and the console is clean')
  } finally {
    await browser.close()
  }
})
console.log('Firefox: the recording journey is whole.')
