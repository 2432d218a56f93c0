export { composeLabels, type LabelSpace, type LaidLabel, type ShortenedPart } from './compose'
export { gridFault, type GridFault, spotsOn, START_SHEETS, usedUp } from './grids'

export { type LabelReason, wishesOf, writtenBy } from './stale'
export { tapeLengths } from './tape'
export { templateFor, type TemplateReason } from './templates'
export { inFilingOrder, type LabelledSet, type LabelThing } from './things'
