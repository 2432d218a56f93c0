import type { Version } from './version'

/** Labels: what each says, sheets of them, printers, and how labels are made in the room and in a corner. */
export const VERSION_10: Version = {
  number: 10,
  stores: { labels: 'id, of', labelSheets: 'id', printers: 'id' },
  brings: ['labels', 'labelSheets', 'printers'],
  upgrade: {
    settings: record => ({
      ...record,
      labels: {
        template: 'brandAboveName',
        hasCode: false,
        tapeWidthMm: 12,
        edgeMm: 1,
        beforeMm: 2,
        afterMm: 2,
        singlyAfterMm: 24,
        toCutterMm: 24,
        longestMm: 80,
        isChained: true,
      },
    }),
    zones: record => ({ ...record, labelTemplate: null }),
  },
}
