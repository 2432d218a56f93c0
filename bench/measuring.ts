import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { measureSet, proposeCorners } from '#core/measuring'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { CAMERA_REFERENCES, CAMERA_TROUBLES, type CameraReference, type FlatSet, takePhoto } from '../demo/camera'
import { drawCameraSets } from '../demo/cameraSets'
import { median, ms, report } from './measure'
import { shown } from './page'

const PHOTOS = 100
const TILTS = [10, 20, 35] as const
const REFERENCES = ['card', 'A4'] as const satisfies readonly CameraReference[]

interface Result {
  readonly tiltDeg: number
  readonly reference: CameraReference
  readonly offMm: number
  readonly isSizeRight: boolean
  readonly arePiecesRight: boolean
  readonly isHonest: boolean
}

/** One made photo, measured by the corners that are proposed for it, as they are. */
function measureOne(set: FlatSet, seed: number, reference: CameraReference, tiltDeg: number): Result {
  const { picture } = takePhoto(set, { seed, reference, widthPx: 2000, heightPx: 1500, maxTiltDeg: tiltDeg, trouble: 'none' })
  const [corners] = proposeCorners(picture, CAMERA_REFERENCES[reference]).quads
  const found = corners ? measureSet(picture, corners, CAMERA_REFERENCES[reference]) : null
  if (!found?.ok) return { tiltDeg, reference, offMm: Infinity, isSizeRight: false, arePiecesRight: false, isHonest: true }
  const [ours, truth] = [
    [found.widthMm, found.heightMm],
    [set.widthMm, set.heightMm],
  ].map(sides => sides.sort((a, b) => a - b))
  const off = [0, 1].map(at => Math.abs((ours?.[at] ?? 0) - (truth?.[at] ?? 0)))
  return {
    tiltDeg,
    reference,
    offMm: Math.max(...off),
    isHonest: Math.max(...off) <= found.plusMinusMm,
    isSizeRight: off.every((each, at) => each <= Math.max(0.6, 0.01 * (truth?.[at] ?? 0))),
    arePiecesRight:
      found.pieces.length === set.pieces.length &&
      set.pieces.every(piece =>
        found.pieces.some(other => Math.abs(other.widthMm - piece.widthMm) < 1.5 && Math.abs(other.heightMm - piece.heightMm) < 1.5),
      ),
  }
}

/** The table of accuracy: a hundred photos by the stand-in camera, whose truth the measuring never sees. */
export async function accuracy(): Promise<void> {
  const sets = await drawCameraSets(12, 900)
  const results = Array.from({ length: PHOTOS }, (_, at) =>
    measureOne(sets[at % sets.length] as FlatSet, 4000 + at, REFERENCES[at % 2] ?? 'card', TILTS[at % TILTS.length] ?? 35),
  )
  const share = (of: readonly Result[], is: (result: Result) => boolean): string => `${of.filter(is).length} of ${of.length}`
  for (const reference of REFERENCES) {
    for (const tiltDeg of TILTS) {
      const some = results.filter(each => each.reference === reference && each.tiltDeg === tiltDeg)
      report(
        `  by ${reference}, tilted up to ${tiltDeg} degrees: size, pieces`,
        `${share(some, each => each.isSizeRight)}, ${share(some, each => each.arePiecesRight)}`,
        'see the sum',
      )
    }
  }
  report(
    'photos measured within 0.6 mm or 1 %',
    share(results, each => each.isSizeRight),
    '95 of 100',
  )
  report(
    '  pieces found right',
    share(results, each => each.arePiecesRight),
    '90 of 100',
  )
  report(
    '  true size within the plus-or-minus that was said',
    share(results, each => each.isHonest),
    '95 of 100',
  )
  report('  median of what the longer error is', `${median(results.map(each => each.offMm)).toFixed(2)} mm`, 'none given')
}

/**
 * The table of troubles: two hundred photos with what goes wrong at home. Each is measured right (within 0.6 mm, 1 %, or the
 * plus-or-minus that was said), or it is said why nothing is measured; nothing may be wrong in silence.
 */
export async function troubles(): Promise<void> {
  const sets = await drawCameraSets(12, 1300)
  const [right, said, wrong] = [new Map<string, number>(), new Map<string, number>(), new Map<string, number>()]
  for (let at = 0; at < TROUBLED; at += 1) {
    const reference = REFERENCES[at % 2] ?? 'card'
    const trouble = TROUBLES[Math.floor(at / 2) % TROUBLES.length] ?? 'none'
    // Two sets side by side on a sheet must be small.
    const set = sets[trouble === 'twoSets' && reference === 'A4' ? (at % 2) * 6 : at % sets.length] as FlatSet
    const maxTiltDeg = SLANTS[Math.floor(at / 4) % SLANTS.length] ?? 60
    const { picture } = takePhoto(set, { seed: 9000 + at, reference, widthPx: 2000, heightPx: 1500, maxTiltDeg, trouble })
    const [corners] = proposeCorners(picture, CAMERA_REFERENCES[reference]).quads
    const found = corners ? measureSet(picture, corners, CAMERA_REFERENCES[reference]) : null
    const [ours, truth] = [found?.ok ? [found.widthMm, found.heightMm] : [], [set.widthMm, set.heightMm]].map(sides =>
      [...sides].sort((a, b) => a - b),
    )
    const isRight =
      found?.ok === true &&
      trouble !== 'twoSets' &&
      [0, 1].every(
        side => Math.abs((ours?.[side] ?? 0) - (truth?.[side] ?? 0)) <= Math.max(0.6, 0.01 * (truth?.[side] ?? 0), found.plusMinusMm),
      )
    const notRight = found?.ok ? wrong : said
    const tally = isRight ? right : notRight
    tally.set(trouble, (tally.get(trouble) ?? 0) + 1)
  }
  const of = (tally: ReadonlyMap<string, number>, trouble: string): number => tally.get(trouble) ?? 0
  for (const trouble of new Set(TROUBLES))
    report(
      `  ${trouble}: right, said so, silently wrong`,
      `${of(right, trouble)}, ${of(said, trouble)}, ${of(wrong, trouble)}`,
      'see the sum',
    )
  report(`photos silently wrong`, `${[...wrong.values()].reduce((sum, each) => sum + each, 0)} of ${TROUBLED}`, `none of ${TROUBLED}`)
}
const TROUBLED = 200
const SLANTS = [10, 25, 40, 60] as const
const TROUBLES = [...CAMERA_TROUBLES, 'none', 'none'] as const

/** In the browser, in its worker, from the press of the button to the size on the screen; and 48 megapixels, which are scaled first. */
export async function photoTimes(page: Page, base: string): Promise<void> {
  const [set] = await drawCameraSets(1, 900)
  if (!set) return
  const { picture } = takePhoto(set, { seed: 7, reference: 'A4', widthPx: 4000, heightPx: 3000, maxTiltDeg: 20, trouble: 'none' })
  const folder = mkdtempSync(join(tmpdir(), 'bench-measure-'))
  const grey = sharp(Buffer.from(picture.pixels), { raw: { width: 4000, height: 3000, channels: 1 } })
  const files = { 12: join(folder, 'twelve.jpg'), 48: join(folder, 'large.jpg') } as const
  writeFileSync(files[12], await grey.clone().jpeg({ quality: 92 }).toBuffer())
  writeFileSync(files[48], await grey.clone().resize(8000, 6000).jpeg({ quality: 88 }).toBuffer())
  await page.goto(`${base}/take-in/measure`)
  await page.getByLabel('What of known size is in it').selectOption('A4')
  const times: number[] = []
  for (let run = 0; run < 3; run += 1) {
    await page.locator('input[type=file]').first().setInputFiles(files[12])
    await page.getByRole('button', { name: 'Measure', exact: true }).waitFor()
    await page.locator('[role=status]').filter({ hasText: 'corners' }).waitFor({ state: 'hidden' })
    const start = performance.now()
    await page.getByRole('button', { name: 'Measure', exact: true }).click()
    await shown(page, '[data-measured]')
    times.push(performance.now() - start)
  }
  report('a photo of 12 megapixels, measured', `median ${ms(median(times))}`, '2000 ms')
  await page.locator('input[type=file]').first().setInputFiles(files[48])
  report(
    '  of 48 megapixels',
    await page
      .getByText(/was scaled to 12 first/)
      .innerText({ timeout: 30_000 })
      .then(
        () => 'scaled first, and said',
        () => 'not said',
      ),
    'scaled first',
  )
}
