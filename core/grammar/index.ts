export { counted, countedThat, figure, listOf, moment, money, ordinal, partialDay, short } from './grammar'
