import { execFile } from 'node:child_process'
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import jsQR from 'jsqr'
import sharp from 'sharp'

const run = promisify(execFile)

export interface SeenByPoppler {
  readonly pageCount: number
  /** Of the first page, in points. */
  readonly box: readonly [number, number]
  readonly fonts: readonly {
    readonly name: string
    readonly isEmbedded: boolean
    readonly isSubset: boolean
    readonly hasUnicode: boolean
  }[]
  /** The text of each page, as it would be copied. */
  readonly texts: readonly string[]
  /** Of each page drawn, the share of pixels that are not paper. */
  readonly ink: readonly number[]
}

/** A PDF as poppler sees it: a second independent reader, and one that draws. */
export async function readByPoppler(pdf: Buffer): Promise<SeenByPoppler> {
  const folder = await mkdtemp(join(tmpdir(), 'index-'))
  const file = join(folder, 'index.pdf')
  try {
    await writeFile(file, pdf)
    const [info, fonts, text] = await Promise.all([
      run('pdfinfo', [file]),
      run('pdffonts', [file]),
      run('pdftotext', ['-layout', file, '-']),
      run('pdftoppm', ['-r', '36', '-gray', '-png', file, join(folder, 'page')]),
    ])
    const drawn = (await readdir(folder)).filter(name => name.endsWith('.png')).sort()
    const size = /Page size:\s+([\d.]+) x ([\d.]+) pts/.exec(info.stdout)
    return {
      pageCount: Number(/Pages:\s+(\d+)/.exec(info.stdout)?.[1]),
      box: [Number(size?.[1]), Number(size?.[2])],
      // name, type, encoding, then: emb sub uni
      fonts: fonts.stdout
        .split('\n')
        .slice(2)
        .filter(Boolean)
        .map(line => {
          const [, name = '', emb, sub, uni] = /^(\S+)\s.*\s(yes|no)\s+(yes|no)\s+(yes|no)\s+\d+\s+\d+\s*$/.exec(line) ?? []
          return { name, isEmbedded: emb === 'yes', isSubset: sub === 'yes', hasUnicode: uni === 'yes' }
        }),
      texts: text.stdout.split('\f').slice(0, -1),
      ink: await Promise.all(
        drawn.map(async name => {
          const { data } = await sharp(join(folder, name)).greyscale().raw().toBuffer({ resolveWithObject: true })
          return data.filter(pixel => pixel < 200).length / data.length
        }),
      ),
    }
  } finally {
    await rm(folder, { recursive: true })
  }
}

/** The first page as poppler draws it at 300 dots to the inch, blurred as ink runs and a phone sees; jsQR reads the codes on it. */
export async function drawnByPoppler(
  pdf: Buffer,
): Promise<{ readonly codeIn: (leftMm: number, topMm: number, widthMm: number, heightMm: number) => string | null }> {
  const folder = await mkdtemp(join(tmpdir(), 'labels-'))
  const file = join(folder, 'labels.pdf')
  try {
    await writeFile(file, pdf)
    await run('pdftoppm', ['-r', '300', '-f', '1', '-singlefile', '-gray', '-png', file, join(folder, 'page')])
    const image = sharp(await readFile(join(folder, 'page.png')))
      .greyscale()
      .blur(1.5)
    const { data, info } = await image.extractChannel(0).raw().toBuffer({ resolveWithObject: true })
    const dots = (mm: number): number => Math.round((mm / 25.4) * 300)
    return {
      codeIn(leftMm, topMm, widthMm, heightMm) {
        const [left, top, width, height] = [leftMm, topMm, widthMm, heightMm].map(dots) as [number, number, number, number]
        const rgba = new Uint8ClampedArray(width * height * 4).fill(255)
        for (let y = 0; y < height; y += 1)
          for (let x = 0; x < width; x += 1)
            rgba.fill(data[(top + y) * info.width + left + x] ?? 255, (y * width + x) * 4, (y * width + x) * 4 + 3)
        return jsQR(rgba, width, height)?.data ?? null
      },
    }
  } finally {
    await rm(folder, { recursive: true })
  }
}
