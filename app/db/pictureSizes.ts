import type { DeviceFact, PictureRecord, YondercrestDb } from './database'
import { eachOf } from './reads'

/** How many bytes a picture has, beside the pictures, so that adding them up reads none. */
type SizeId = Extract<DeviceFact['id'], `size ${string}`>
const idOf = (hash: string): SizeId => `size ${hash}`
const hashOf = (id: string): string => id.slice('size '.length)

export async function keepSizes(db: YondercrestDb, pictures: readonly Pick<PictureRecord, 'hash' | 'bytes'>[]): Promise<void> {
  await db.device.bulkPut(pictures.map(({ hash, bytes }) => ({ id: idOf(hash), value: String(bytes.byteLength) })))
}

/** Each picture with its size in bytes. Only those are read of which nobody noted it yet, and never again. */
export async function pictureSizes(db: YondercrestDb): Promise<ReadonlyMap<string, number>> {
  const facts = await db.device.where('id').startsWith(idOf('')).toArray()
  const noted = new Map(facts.map(({ id, value }) => [hashOf(id), Number(value)] as const).filter(([, size]) => !Number.isNaN(size)))
  const hashes = await db.pictures.toCollection().primaryKeys()
  const unknown = hashes.filter(hash => !noted.has(hash))
  for await (const picture of eachOf(db.pictures, unknown)) {
    noted.set(picture.hash, picture.bytes.byteLength)
    await keepSizes(db, [picture])
  }
  return new Map(hashes.map(hash => [hash, noted.get(hash) ?? 0]))
}

/** Lets go of pictures, and of all that was made of them or noted. */
export async function dropPictures(db: YondercrestDb, hashes: readonly string[]): Promise<void> {
  for (const table of [db.pictures, db.thumbs, db.inkMaps, db.shapes]) await table.bulkDelete([...hashes])
  await db.device.bulkDelete(hashes.map(idOf))
}
