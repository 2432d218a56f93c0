import { createHash } from 'node:crypto'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { registerId } from '#core/numbering'
import { ulid } from 'ulid'
import { blankHolding, type CatalogueData, startCatalogue } from '#core/catalog'
import { packArchive, type PictureFile, unpackArchive, writeArchive } from '../index'

const sha256 = async (bytes: Uint8Array): Promise<string> => createHash('sha256').update(bytes).digest('hex')
const MADE_AT = '2026-11-23T12:00:00.000Z'

const GIVEN = { at: MADE_AT, newId: ulid }

const anything = fc.string({ unit: 'grapheme', maxLength: 60 })
const named = anything.filter(text => text.trim() !== '').map(text => text.trim())
interface Sample {
  data: CatalogueData
  pictures: PictureFile[]
}
const catalogues = fc
  .array(
    fc.record({
      name: named,
      notes: anything,
      words: fc.array(named, { maxLength: 3 }),
      picture: fc.uint8Array({ minLength: 1, maxLength: 200 }),
    }),
    { maxLength: 6 },
  )
  .map((sets): Sample => {
    const data = startCatalogue(ulid)
    const pictures = new Map<string, PictureFile>()
    const seriesId = data.series[0]?.id ?? ''
    sets.forEach(({ name, notes, words, picture }, index) => {
      const hash = createHash('sha256').update(picture).digest('hex')
      pictures.set(hash, { hash, type: 'image/png', bytes: picture })
      const id = ulid()
      data.register.push({
        id: `${seriesId}:${index + 1}`,
        seriesId,
        number: index + 1,
        holdingId: id,
        givenTo: name,
        how: 'issued',
        at: MADE_AT,
      })
      data.holdings.push({
        ...blankHolding({ id, number: index + 1, seriesId, name, createdAt: MADE_AT }),
        notes,
        words,
        pictureHash: hash,
        kindId: data.kinds[index]?.id ?? null,
      })
    })
    return { data, pictures: [...pictures.values()] }
  })

describe('archive', () => {
  test('what is packed is unpacked, record for record and byte for byte (property)', async () => {
    await fc.assert(
      fc.asyncProperty(catalogues, async ({ data, pictures }) => {
        const reading = await unpackArchive(await packArchive(data, pictures, [], MADE_AT, sha256), sha256, GIVEN)
        if (!reading.ok) throw new Error(`${reading.code} ${reading.where}`)
        expect(reading.archive.data).toEqual(data)
        expect(reading.archive.pictures.map(each => [each.hash, each.type, [...each.bytes]]).sort()).toEqual(
          pictures.map(each => [each.hash, each.type, [...each.bytes]]).sort(),
        )
      }),
      { numRuns: 30 },
    )
  })

  test('one flipped byte anywhere is noticed, or changes nothing (property)', async () => {
    const { data, pictures } = { data: startCatalogue(ulid), pictures: [] as PictureFile[] }
    const zip = await packArchive(data, pictures, [], MADE_AT, sha256)
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 0, max: zip.length - 1 }), fc.integer({ min: 1, max: 255 }), async (at, by) => {
        const broken = zip.slice()
        broken[at] = (broken[at] ?? 0) ^ by
        const reading = await unpackArchive(broken, sha256, GIVEN)
        // Dates and other headers of the zip carry nothing of the catalogue.
        if (reading.ok) expect(reading.archive.data).toEqual(data)
      }),
      { numRuns: 120 },
    )
  })

  const whole = async (change: (data: CatalogueData) => void = () => undefined): Promise<Uint8Array> => {
    const data = startCatalogue(ulid)
    change(data)
    return packArchive(data, [], [], MADE_AT, sha256)
  }
  const repacked = async (change: (files: Record<string, Uint8Array>) => void, level: 0 | 6 = 6): Promise<Uint8Array> => {
    const files = unzipSync(await whole())
    change(files)
    return zipSync(files, { level })
  }
  const manifest = (files: Record<string, Uint8Array>, change: (json: Record<string, unknown>) => void): void => {
    const json = JSON.parse(new TextDecoder().decode(files['manifest.json'])) as Record<string, unknown>
    change(json)
    files['manifest.json'] = strToU8(JSON.stringify(json))
  }

  /** A zip whose pictures are all the bytes of the first: its list of files says so many times the same place. */
  const overlapping = async (count: number): Promise<Uint8Array> => {
    const name = (at: number): string => `pictures/${String(at).padStart(64, '0')}.png`
    const pictures = Array.from({ length: count }, (_, at) => [name(at), new Uint8Array(at === 0 ? 30_000 : 1).fill(7)] as const)
    const zip = zipSync({ ...unzipSync(await whole()), ...Object.fromEntries(pictures) }, { level: 0 })
    const view = new DataView(zip.buffer)
    const listed = new Map<string, number>()
    for (let at = view.getUint32(zip.length - 6, true); view.getUint32(at, true) === 0x02014b50;) {
      const length = view.getUint16(at + 28, true)
      listed.set(new TextDecoder().decode(zip.subarray(at + 46, at + 46 + length)), at)
      at += 46 + length + view.getUint16(at + 30, true) + view.getUint16(at + 32, true)
    }
    for (const [each] of pictures)
      for (const field of [20, 24, 42])
        view.setUint32((listed.get(each) ?? 0) + field, view.getUint32((listed.get(name(0)) ?? 0) + field, true), true)
    return zip
  }

  /** A set with a picture, and a piece with another, and their files. */
  async function pictured(): Promise<{ data: CatalogueData; pictures: PictureFile[] }> {
    const data = startCatalogue(ulid)
    const pictures = await Promise.all(
      [1, 2].map(async seed => {
        const bytes = new Uint8Array(300 * seed).fill(seed)
        return { hash: await sha256(bytes), type: 'image/png', bytes }
      }),
    )
    const [one, two] = pictures.map(({ hash }) => hash)
    const [id, seriesId, at] = [ulid(), data.series[0]?.id ?? '', MADE_AT]
    const piece = { id: ulid(), words: [], size: null, at: null, isMissing: false, livesWithId: null, pictureHash: two ?? null }
    const set = blankHolding({ id, number: 1, seriesId, name: 'Kelp', createdAt: MADE_AT })
    data.holdings.push({ ...set, pictureHash: one ?? null, pieces: [piece] })
    data.register.push({ id: registerId(seriesId, 1), seriesId, number: 1, holdingId: id, givenTo: 'Kelp', how: 'issued', at })
    return { data, pictures }
  }
  const bare = [{ name: 'Kelp', pictureHash: null, pieces: [{ pictureHash: null }] }]

  test('a picture that is named and not there is left out and told; all else is read', async () => {
    const { data, pictures } = await pictured()
    const files = unzipSync(await packArchive(data, pictures, [], MADE_AT, sha256))
    for (const { hash } of pictures) delete files[`pictures/${hash}.png`]
    manifest(files, json => (json.files = (json.files as { name: string }[]).filter(({ name }) => name.endsWith('.json'))))
    const reading = await unpackArchive(zipSync(files), sha256, GIVEN)
    if (!reading.ok) throw new Error(`${reading.code} ${reading.where}`)
    expect(reading.archive.withoutPicture).toEqual(['holdings 1 Kelp', 'holdings 1 Kelp'])
    expect(reading.archive.data.holdings).toMatchObject(bare)
  })
  test('a picture that did not come, or that is no longer what its name says, is not named in the copy, which opens', async () => {
    const { data, pictures } = await pictured()
    const spoilt = pictures.slice(1).map(each => ({ ...each, bytes: each.bytes.slice(1) }))
    const parts: Uint8Array[] = []
    const write = (bytes: Uint8Array): void => void parts.push(bytes.slice())
    const written = await writeArchive({ data, pictures: spoilt, thumbs: [], files: 2, madeAt: MADE_AT, rescue: null }, sha256, write)
    expect([written.missing, [...written.pictures]]).toEqual([['holdings 1 Kelp', 'holdings 1 Kelp'], []])
    const reading = await unpackArchive(new Uint8Array(await new Blob(parts as BlobPart[]).arrayBuffer()), sha256, GIVEN)
    expect(reading).toMatchObject({ ok: true, archive: { data: { holdings: bare }, withoutPicture: [] } })
  })
  test('a picture that only a record set aside names comes back with it', async () => {
    const { data, pictures } = await pictured()
    const [picture] = pictures
    if (!picture) throw new Error('no picture')
    const text = JSON.stringify({ id: ulid(), name: 7, pictureHash: picture.hash })
    const aside = { id: ulid(), from: 'holdings' as const, text, fault: 'holdings: name', at: MADE_AT }
    const zip = await packArchive({ ...data, holdings: [], register: [], setAside: [aside] }, [picture], [], MADE_AT, sha256)
    expect(await unpackArchive(zip, sha256, GIVEN)).toMatchObject({ ok: true, archive: { pictures: [{ hash: picture.hash }] } })
  })
  test('each picture is written before the next is asked for', async () => {
    let [asked, written, mostWaiting] = [0, 0, 0]
    async function* many(): AsyncGenerator<PictureFile> {
      for (let seed = 0; seed < 40; seed += 1) {
        mostWaiting = Math.max(mostWaiting, asked - written)
        const bytes = new Uint8Array(5000).fill(seed)
        asked += bytes.length
        yield { hash: await sha256(bytes), type: 'image/png', bytes }
      }
    }
    const contents = { data: startCatalogue(ulid), pictures: many(), thumbs: [], files: 40, madeAt: MADE_AT, rescue: null }
    await writeArchive(contents, sha256, bytes => void (written += bytes.length))
    expect(mostWaiting).toBe(0)
  })
  test('pictures that no record names are left out', async () => {
    const bytes = new Uint8Array([1, 2, 3])
    const hash = await sha256(bytes)
    const zip = await packArchive(startCatalogue(ulid), [{ hash, type: 'image/png', bytes }], [{ hash, bytes }], MADE_AT, sha256)
    expect(await unpackArchive(zip, sha256, GIVEN)).toMatchObject({ ok: true, archive: { pictures: [], thumbs: [] } })
  })

  test.each<[string, () => Promise<Uint8Array>, string]>([
    ['no zip', async () => strToU8('Dear harbour master'), 'notAZip'],
    ['half a zip', async () => (await whole()).subarray(0, 900), 'damaged'],
    ['another zip', async () => zipSync({ 'letter.txt': strToU8('hello') }), 'foreign'],
    [
      'a name that climbs out',
      () =>
        repacked(files => {
          files['../../catalogue.json'] = strToU8('[]')
        }),
      'foreign',
    ],
    [
      'a file too many',
      () =>
        repacked(files => {
          files['catalogue/extra.json'] = strToU8('[]')
        }),
      'fileUnlisted',
    ],
    [
      'a file too few',
      () =>
        repacked(files => {
          delete files['catalogue/brands.json']
        }),
      'fileMissing',
    ],
    [
      'a changed file',
      () =>
        repacked(files => {
          files['catalogue/brands.json'] = strToU8('[ ]')
        }),
      'damaged',
    ],
    [
      'a later version',
      () =>
        repacked(files =>
          manifest(files, json => {
            json.version = 99
          }),
        ),
      'newer',
    ],
    [
      'another format',
      () =>
        repacked(files =>
          manifest(files, json => {
            json.format = 'something'
          }),
        ),
      'foreign',
    ],
    [
      'a record of no shape',
      () =>
        whole(data => {
          ;(data.brands as unknown[]).push({ id: 'x' })
        }),
      'badRecord',
    ],
    [
      'one id twice',
      () =>
        whole(data => {
          const [kind] = data.kinds
          if (kind) data.kinds.push({ ...kind, name: 'Another' })
        }),
      'badRecord',
    ],
    [
      'a picture that grows as no picture does',
      () =>
        repacked(files => {
          files[`pictures/${'a'.repeat(64)}.png`] = new Uint8Array(4 * 1024 ** 2)
        }),
      'tooLarge',
    ],
    [
      'tables of more text than a catalogue is',
      () =>
        repacked(files => {
          for (const table of ['brands', 'themes', 'kinds']) files[`catalogue/${table}.json`] = new Uint8Array(70 * 1024 ** 2)
        }, 0),
      'tooLarge',
    ],
    ['files that lie over each other', () => overlapping(2000), 'tooLarge'],
  ])('%s is refused whole', async (_title, make, code) => {
    expect(await unpackArchive(await make(), sha256, GIVEN)).toMatchObject({ ok: false, code })
  })
})
