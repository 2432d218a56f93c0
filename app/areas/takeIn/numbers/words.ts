import type { CODE_READINGS, NumberSchool } from '#core/catalog'
import { counted, figure } from '#core/grammar'

export const numberWords = {
  title: 'Numbers',
  lead: 'How the numbers of your sets are written. A number is given once and means one set for ever; only its writing can change.',
  button: 'Numbers',
  series: 'Series',
  newSeries: 'New series',
  runs: 'New sets get their number here',
  runsNow: 'runs',
  name: 'Name',
  prefix: 'In front',
  prefixHint: 'Letters or signs, such as D-',
  padding: 'How many digits',
  paddingHint: 'Zeros fill up: 0042',
  suffix: 'Behind: the mark of its kind',
  suffixHint: 'W for a block, D for a die: it says where to look',
  countsBy: 'What a number counts',
  schools: {
    all: 'every set, one after the other',
    brand: 'the sets of each brand',
    container: 'the sets of each box, bin or case',
    cell: 'nothing: it is the cell it first stands in',
    maker: "nothing: it is the maker's own",
  } satisfies Record<NumberSchool, string>,
  countsByHint: {
    all: 'One running number over all kinds. The commonest way.',
    brand: 'Each brand counts its own, behind its label form: QB-12. A set of no brand counts with the others.',
    container:
      'Each container counts its own, behind its code: B4-12. The number stays when ' +
      'the set moves. A set numbered before it has a place counts with the others.',
    cell:
      '12-203 is page 2, cell 03 of the 12-cell pages. A cell gives its number once; the ' +
      'next set in it counts with the others, as does one numbered before it has a cell.',
    maker:
      'The number written on it, as it is printed; where another brand could print the same, the letters of the brand stand ' +
      'in front. Without one, or where it was given before, a set counts with the others.',
  } satisfies Record<NumberSchool, string>,
  sample: 'Written like this',
  keep: 'Keep',
  kept: (name: string) => `${name} is kept.`,
  clash: (by: string) => `${by} could print the same code. Give one of them another sign in front.`,
  nameMissing: 'A name, please.',
  stale: (count: number) => `${counted(count, 'label')} will be stale`,
  staleLead:
    'These sets carry a label that will read otherwise. Print or write them again ' +
    'when it suits you; the old ones still mean the same sets.',
  staleRow: (was: string, becomes: string) => `${was} becomes ${becomes}`,
  reports: 'What the numbers show',
  nothing: 'No gaps, no doubles: every number up to the last stands on one set.',
  gaps: (count: number, series: string) => `${counted(count, 'gap')} in ${series}`,
  gapsLead: 'Numbers given once and gone, or never given. They stay free of sets: a number never comes back.',
  gap: (from: number, to: number) => (from === to ? figure(from) : `${figure(from)} to ${figure(to)}`),
  doubles: (count: number) => `${counted(count, 'code')} on more than one set`,
  doublesLead: 'A number written on one thing is the number of another. Mark one of the two, or look twice.',
  readings: (count: number) => `${counted(count, 'code')} with two readings`,
  readingsLead:
    '12-203 can be page 2, cell 03 of the 12-cell pages, or a running number. It is kept as it was written; only you know which it is.',
  reading: { cell: 'page and cell', serial: 'a running number' } satisfies Record<(typeof CODE_READINGS)[number], string>,
  unread: 'not said yet',
  readingOf: (text: string) => `How ${text} is read`,
  labels: (count: number) => `${counted(count, 'label')} ${count === 1 ? 'says' : 'say'} something else than the record`,
  labelsLead: 'The kind or the writing changed after they were labelled. The old label still means the same set.',
  labelRow: (was: string, becomes: string) => `${was} should read ${becomes}`,
  labelRenewed: 'It is written again',
  labelsRenewed: (count: number) => `All ${figure(count)} are written again`,
} as const
