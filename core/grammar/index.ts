export { counted, countedThat, figure, listOf, moment, money, ordinal, partialDay, short } from './grammar'
export { figureBehind, NUMBER_WORDS, plainFigure, romanOf } from './figures'
export { isSameName } from './names'
export { SHORT_WORDS } from './shortWords'
