import { t } from '~/words/of/outlook'
import type { CircuitState } from '#core/outlook/circuitState'
import { CAM, type CircuitPen, ROD, ROW } from './circuitPen'

/** Draws the gallery with each main under it, that one's rods and cam bearings, jets and the turbo. How far right it comes from `x`. */
export function drawMains({ state, of, put, at, line, write }: CircuitPen, x: number): number {
  const mains = state.nodes.filter(({ id }) => /^gallery \d+$/.test(id)).length
  const crowd = Array.from({ length: mains }, (_, i) => ({
    rods: drillingsOf(state, `main ${i + 1}`, 'crank drilling'),
    cams: drillingsOf(state, `main ${i + 1}`, 'cam drilling'),
  }))
  crowd.forEach(({ rods, cams }, i) => {
    const gallery = `gallery ${i + 1}`
    const jets = of(`piston jets ${i + 1}`)
    const half = (rods.length * ROD) / 2
    const turbo = gallery === state.gauge && of('turbo restrictor')
    x += Math.max(half, 46, jets ? 62 : 0, turbo ? 112 : 0)
    const own = x
    put(gallery, own, ROW.gallery)
    put(`main ${i + 1}`, own, ROW.main)
    write(gallery, own - 9, ROW.gallery - 10, 'end')
    line(`drilling ${i + 1}`, [
      [own, ROW.gallery],
      [own, ROW.main],
    ])
    line(
      `main ${i + 1} film`,
      [
        [own, ROW.main],
        [own - 30, ROW.main],
      ],
      { label: { x: own - 14, y: ROW.main + 24, anchor: 'end' } },
    )
    if (jets)
      line(
        jets.id,
        [
          [own, ROW.gallery],
          [own - 20, ROW.gallery + 22],
        ],
        { label: { x: own - 16, y: ROW.gallery + 38, anchor: 'end' } },
      )
    if (turbo) {
      put('turbo', own - 52, ROW.gallery - 46)
      line('turbo restrictor', [
        [own, ROW.gallery - 2],
        [own - 52, ROW.gallery - 46],
      ])
      line(
        'turbo bearings',
        [
          [own - 52, ROW.gallery - 46],
          [own - 74, ROW.gallery - 46],
        ],
        {
          name: { x: own - 62, y: ROW.gallery - 72, words: t('circuitNames.turbo'), anchor: 'middle' },
          label: { x: own - 62, y: ROW.gallery - 56, anchor: 'middle' },
        },
      )
    }
    rods.forEach((drilling, j) => {
      const rod = of(drilling)!.to
      const rodX = own - half + (j + 0.5) * ROD
      put(rod, rodX, ROW.rod)
      line(drilling, [
        [own, ROW.main],
        [rodX, ROW.rod],
      ])
      line(
        `${rod} film`,
        [
          [rodX, ROW.rod],
          [rodX, ROW.rod + 24],
        ],
        { label: { x: rodX, y: ROW.rod + 42, anchor: 'middle' } },
      )
    })
    // Beside the gauge's own feed a little further off.
    const aside = gallery === state.gauge ? 32 : 18
    cams.forEach((drilling, j) => {
      const cam = of(drilling)!.to
      const camX = own + aside + j * CAM
      put(cam, camX, ROW.cam)
      line(drilling, [
        [own, ROW.main],
        [camX, ROW.main - 18],
        [camX, ROW.cam],
      ])
      line(
        `${cam} film`,
        [
          [camX, ROW.cam],
          [camX, ROW.cam - 22],
        ],
        { label: { x: camX, y: ROW.cam - 28, anchor: 'middle' } },
      )
    })
    x += Math.max(half, cams.length > 0 ? aside + (cams.length - 1) * CAM + 18 : 20)
    if (i > 0)
      line(`gallery ${i} to ${i + 1}`, [
        [at(`gallery ${i}`).x, ROW.gallery],
        [own, ROW.gallery],
      ])
  })
  return x
}

/** Drillings of a kind that draw on a node. */
function drillingsOf(state: CircuitState, node: string, kind: string): string[] {
  return state.elements.filter(({ from, id }) => from === node && id.startsWith(kind)).map(({ id }) => id)
}
