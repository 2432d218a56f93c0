import { brightnessAt, type GreyPicture } from '#core/measuring'
import type { FlatSet } from './camera'
import { chance } from './random'

const PX_PER_MM = 6
/** A card base of half an A5 sheet, and as far from its edge as a stamp is set. */
const CARD_MM = { width: 148, height: 105 }
const ROOM_MM = 6

/** How a piece is stamped: turned by any angle, as large as that, and how unevenly the ink takes. */
export interface Stamping {
  readonly seed: number
  readonly turnDeg: number
  readonly scale: number
  /** 0: all of it black. 1: in places hardly a trace. */
  readonly uneven: number
}

/**
 * A card with one piece stamped on it, as it lies flat: its ink thin in places, its edge a little ragged. A piece that does not
 * fit the card as large as that is as large as fits. O(pixels).
 */
export function stamped(piece: GreyPicture, pxPerMm: number, { seed, turnDeg, scale, uneven }: Stamping): FlatSet {
  const luck = chance(seed)
  const [widthPx, heightPx] = [CARD_MM.width * PX_PER_MM, CARD_MM.height * PX_PER_MM]
  const angle = (turnDeg * Math.PI) / 180
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  const [w, h] = [piece.widthPx / pxPerMm, piece.heightPx / pxPerMm]
  const [across, up] = [Math.abs(w * cos) + Math.abs(h * sin), Math.abs(w * sin) + Math.abs(h * cos)]
  const size = Math.min(scale, (CARD_MM.width - 2 * ROOM_MM) / across, (CARD_MM.height - 2 * ROOM_MM) / up)
  const slack = (room: number, of: number): number => Math.max(0, (room - 2 * ROOM_MM - of * size) / 2)
  const middle = {
    x: CARD_MM.width / 2 + luck.between(-1, 1) * slack(CARD_MM.width, across),
    y: CARD_MM.height / 2 + luck.between(-1, 1) * slack(CARD_MM.height, up),
  }
  const takes = patches(luck)
  const pixels = new Uint8Array(widthPx * heightPx)
  for (let row = 0; row < heightPx; row += 1) {
    for (let column = 0; column < widthPx; column += 1) {
      const [dx, dy] = [(column + 0.5) / PX_PER_MM - middle.x, (row + 0.5) / PX_PER_MM - middle.y]
      const [u, v] = [(dx * cos + dy * sin) / size + w / 2, (-dx * sin + dy * cos) / size + h / 2]
      const at = row * widthPx + column
      pixels[at] = 255
      if (u < 0 || v < 0 || u > w || v > h) continue
      const ink = 255 - brightnessAt(piece, u * pxPerMm - 0.5, v * pxPerMm - 0.5)
      pixels[at] = Math.round(255 - ink * (1 - uneven * takes(dx / size, dy / size)))
    }
  }
  return {
    picture: { widthPx, heightPx, pixels },
    pxPerMm: PX_PER_MM,
    widthMm: CARD_MM.width,
    heightMm: CARD_MM.height,
    pieces: [],
    isLoose: true,
  }
}

/** Patches some millimetres wide, 0 to 1: four waves over each other. */
function patches(luck: ReturnType<typeof chance>): (x: number, y: number) => number {
  const waves = Array.from({ length: 4 }, () => {
    const [along, lengthMm] = [luck.between(0, 2 * Math.PI), luck.between(5, 22)]
    return {
      x: (Math.cos(along) * 2 * Math.PI) / lengthMm,
      y: (Math.sin(along) * 2 * Math.PI) / lengthMm,
      from: luck.between(0, 2 * Math.PI),
    }
  })
  return (x, y) => Math.max(0, waves.reduce((sum, wave) => sum + Math.sin(wave.x * x + wave.y * y + wave.from), 0) / 4)
}
