import { execFile } from 'node:child_process'
import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
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
