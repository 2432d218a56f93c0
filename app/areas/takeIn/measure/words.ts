import type { CornersFault, MeasureFault } from '#core/measuring'
import { counted } from '~/kit/grammar'

const CORNERS: Readonly<Record<CornersFault, string>> = {
  crossed: 'The corners are crossed: go round the sheet or card in one direction.', onOneLine: 'Three of the corners lie on one line. Move them to the corners of the sheet or card.',
  outside: 'A corner lies outside of the photo.', tooSmall: 'The corners are too close together to measure anything by them. Photograph from nearer.',
}
export const measureWords = {
  title: 'Measure from a photo', lead: 'Lay the set on a sheet, or beside a card of known size, flat and with its shadow off it. Photograph it from above, at any angle.',
  photo: 'Choose a photo', photoHint: 'or drop one here', camera: 'Take a photo', standIn: 'Use the stand-in camera', standInHint: 'A made photo of a made set, to try it with no camera.',
  reading: 'Reading the photo', looking: 'Looking for corners', measuring: 'Measuring', scaled: (megapixels: number) => `The photo has ${megapixels} megapixels and was scaled to 12 first: more says nothing more.`,
  reference: 'What of known size is in it', references: { card: 'a bank card', A4: 'an A4 sheet', Letter: 'a Letter sheet', twelve: 'a sheet of 12 x 12 in', squares: 'squares of a cutting mat', own: 'something else' },
  ownSize: 'Its width and height', squaresAcross: 'Squares across', squaresDown: 'Squares down', squareSide: 'One square', isSheet: 'The set lies on it', lengthProblem: 'Write it like 1 cm or 1/2 in.',
  corners: 'The four corners', cornersLead: 'They are proposed. Drag each to the corner, or choose one and use the arrow keys; with Shift they go ten times as far. Of a card with round corners, take where its sides would meet.',
  corner: (at: number) => ['Upper left', 'Upper right', 'Lower right', 'Lower left'][at] ?? '', loupe: 'The chosen corner, enlarged', otherProposal: 'Propose others', noProposal: 'No sheet or card was found. Put the four corners where they are.', cutOff: 'The sheet or card is cut off by the edge of the photo. Photograph all of it.',
  measure: 'Measure', again: 'Another photo',
  faults: {
    ...CORNERS, blurred: 'The photo is too blurred to measure by. Hold still, or rest the elbows on the table.', notFlat: 'The sheet or card is not flat: its edges bend. Lay it flat and photograph it again.', noEdge: 'No clear edge was found along the corners. Put them on the sheet or card, and see that it stands out from the ground.',
    noSet: 'No set was found there. Does it lie on the sheet, or beside the card?', referenceTooLarge: 'The sheet or card fills the whole photo. Step back until its edges can be seen.', noPhoto: 'Choose a photo first.',
  } satisfies Record<MeasureFault | 'noPhoto', string>,
  photoProblems: { notAPicture: 'That is no picture this browser can read.', tooLarge: 'That file is too large: a picture of at most 60 MB, please.' }, cameraMissing: 'The stand-in camera is not there: it comes with the demo.',
  size: (width: string, height: string, plusMinus: string) => `${width} x ${height}, plus or minus ${plusMinus}`, sizeTitle: 'True size',
  pieces: (count: number) => counted(count, 'piece'), piecesLead: 'Mark pieces to join, part or drop them.', piece: (at: number, size: string) => `Piece ${at}: ${size}`, join: 'Join them', split: 'Part it in two', drop: 'Drop', noSplit: 'There is too little ink in it to part.',
  keepPieces: 'Keep the pieces with their sizes', keepImpression: 'The black and white impression becomes its picture', keep: 'Keep', kept: (name: string, size: string) => `${name} is ${size}.`, noSet: 'Choose a set first: open one, or take one in.', whichSet: 'Which set is it?',
  impression: 'The impression at true size, its pieces outlined',
} as const
