import type { Old, Version } from './version'

/** Blocks, rollers, folders and metal are not cut; a stencil's edge may be trimmed. */
const SHEETS_UP_TO_MM = 15
const isSheet = ({ family, typicalThicknessMm }: Old): boolean =>
  family !== 'die' && family !== 'folder' && typeof typicalThicknessMm === 'number' && typicalThicknessMm < SHEETS_UP_TO_MM

/** What may be done to a kind, and the packaging that is kept of a set. */
export const VERSION_3: Version = {
  number: 3,
  stores: {},
  brings: [],
  upgrade: {
    kinds: record => ({ mayTrim: isSheet(record), mayCut: isSheet(record) && record.family !== 'stencil', ...record }),
    holdings: record => ({ packaging: null, packagingPictureHash: null, ...record }),
    drafts: record => ({
      packagingPictureHash: null,
      ...record,
      texts: { packaging: '', ...(record.texts as Old) },
    }),
  },
}
