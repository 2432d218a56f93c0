import type { RelationDoubt, RelationFault } from '#core/classing'

export const belongingWords = {
  goesWith: 'Goes with',
  goesWithHint: 'Each mark means one thing, on the slip and in print.',
  how: 'How',
  which: 'Which set',
  whichHint: 'Number or name',
  add: 'They go together',
  remove: (name: string) => `${name} does not go with it`,
  notFound: 'No set is called that. Choose one from the list.',
  doubts: {
    fromNoDie: 'The one that should be the die is no die.',
    toNoStamp: 'The one that should be the stamp is no stamp.',
    notBothLetters: 'The two are not both alphabets or numbers.',
  } satisfies Record<RelationDoubt, string>,
  keepAnyway: 'Keep it all the same',
  faults: { itself: 'A set does not go with itself.', twice: 'That is said of the two already.' } satisfies Record<RelationFault, string>,
  legend: {
    dieForStamp: 'cuts out what the stamp prints',
    layersWith: 'one is printed over the other',
    sameLettersOtherStyle: 'the same letters in another style',
    sameCollection: 'came out together',
    sameMechanism: 'folds or slides in the same way',
    sameNumberedSeries: 'a number of one series',
  },
  markHint: (mark: string, meaning: string) => (mark ? `${meaning}; its mark is ${mark}` : meaning),
  pieces: 'Pieces',
  piecesHint:
    'Where you want them: words, whether it is missing, and the set it lives ' +
    'with. The set keeps its number, also when all its pieces live elsewhere.',
  pieceWords: 'What it is',
  pieceSize: 'Its size',
  pieceSizeProblem: 'Write the size of each piece like 1 1/2 x 2 in, and its words as phrases of at most 300 letters.',
  piecePhoto: (words: string) => `Photo of ${words || 'the piece'}`,
  missing: 'missing',
  livesWith: 'Lives with',
  home: 'this set',
  addPiece: 'Add a piece',
  dropPiece: (words: string) => `Take ${words || 'the piece'} off`,
  keepPieces: 'Keep the pieces',
  piecesKept: 'The pieces are kept.',
} as const
