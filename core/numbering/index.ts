export { type Code, codeText, readBareNumber, writeCode } from './code'
export { type GivenNumber, giveNumbers, type NumberRequest, registerId } from './give'
