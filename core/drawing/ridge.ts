/** The facts of a container that the ridge draws. `share`: how full it is; `depth` 0 is nearest to the viewer. */
export interface RidgeSource {
  readonly id: string
  readonly fixtureId: string
  readonly lengthMm: number
  readonly share: number
  readonly depth: number
  /** Positions of tabs, 0 to 1 along the length, with their colours. */
  readonly tabs: readonly { readonly at: number; readonly colour: number }[]
}
export interface RidgeBlock extends RidgeSource {
  readonly x: number
  readonly width: number
  readonly height: number
}
interface RidgeFixture {
  readonly id: string
  readonly x: number
  readonly width: number
}
export interface RidgeLayout {
  readonly blocks: readonly RidgeBlock[]
  readonly fixtures: readonly RidgeFixture[]
  readonly width: number
}

const GAP = 3
const FIXTURE_GAP = 26
const LEAST_SHARE_HEIGHT = 0.08

/** `least`: smallest width of a block, `leastFixture`: of the name below a piece of furniture, in pixels; 0 and 0 fit any room in. */
export interface RidgeSize {
  readonly width: number
  readonly height: number
  readonly least: number
  readonly leastFixture: number
}

/**
 * Places the containers side by side in walking order: as wide as their filing length (but wide enough to touch) and as high as they are
 * full. The whole takes `width` unless the least widths need more; then it scrolls. O(n).
 */
export function layRidge(sources: readonly RidgeSource[], { width, height, least, leastFixture }: RidgeSize): RidgeLayout {
  const fixtureCount = new Set(sources.map(source => source.fixtureId)).size
  const free = width - GAP * sources.length - (FIXTURE_GAP + leastFixture / 3) * fixtureCount
  const scale = scaleOf(sources, Math.max(0, free), least)
  const blocks: RidgeBlock[] = []
  const fixtures: RidgeFixture[] = []
  let x = FIXTURE_GAP / 2
  let fixture: { id: string; x: number } | null = null
  const closeFixture = (): void => {
    if (!fixture) return
    x = Math.max(x, fixture.x + leastFixture + GAP)
    fixtures.push({ id: fixture.id, x: fixture.x, width: x - GAP - fixture.x })
  }
  for (const source of sources) {
    if (fixture && fixture.id !== source.fixtureId) {
      closeFixture()
      x += FIXTURE_GAP
      fixture = null
    }
    fixture ??= { id: source.fixtureId, x }
    const blockWidth = Math.max(least, source.lengthMm * scale)
    blocks.push({ ...source, x, width: blockWidth, height: height * Math.min(1, Math.max(LEAST_SHARE_HEIGHT, source.share)) })
    x += blockWidth + GAP
  }
  closeFixture()
  return { blocks, fixtures, width: Math.max(width, x + FIXTURE_GAP / 2) }
}

/** Pixels per mm at which all blocks take `free` together, including those at their least width. O(n log n). */
function scaleOf(sources: readonly RidgeSource[], free: number, least: number): number {
  const lengths = sources.map(source => source.lengthMm).toSorted((a, b) => a - b)
  let total = lengths.reduce((sum, length) => sum + length, 0)
  let left = free
  for (const length of lengths) {
    if ((length * left) / total >= least) return left / total
    left -= least
    total -= length
  }
  return 0
}
