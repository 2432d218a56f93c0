import { newId } from '~/db/newId'
import type { Piece, Relation } from '#core/catalog'
import { faultOf, type RelationFault } from '#core/classing'
import type { YondercrestDb } from '../../database'
import { changeHolding, transact } from '../../transact'

/** Says that two sets go together. */
export async function addRelation(db: YondercrestDb, wanted: Omit<Relation, 'id'>): Promise<RelationFault | null> {
  return transact(db, 'addRelation', {}, async desk => {
    const fault = faultOf(wanted, await db.records('relations').toArray())
    const ends = await db.records('holdings').bulkGet([wanted.fromId, wanted.toId])
    if (!fault && !ends.includes(undefined)) await desk.put('relations', [{ id: newId(), ...wanted }])
    return fault
  })
}

export async function removeRelation(db: YondercrestDb, id: string): Promise<void> {
  await transact(db, 'removeRelation', {}, desk => desk.remove('relations', [id]))
}

/** Keeps the pieces of a set. Where they live changes nothing about its number, also when none is left with it. */
export async function keepPieces(db: YondercrestDb, holdingId: string, pieces: readonly Piece[]): Promise<void> {
  await changeHolding(db, 'keepPieces', holdingId, async () => {
    const hosts = await db.records('holdings').bulkGet(pieces.flatMap(piece => piece.livesWithId ?? []))
    // A set that has gone meanwhile is no home.
    return { pieces: pieces.map(piece => (hosts.some(host => host?.id === piece.livesWithId) ? piece : { ...piece, livesWithId: null })) }
  })
}
