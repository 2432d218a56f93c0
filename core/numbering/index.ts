export { type Code, codeText, readBareNumber, writeCode } from './code'
export { type GivenNumber, giveNumbers, type NumberRequest, registerId } from './give'
export { freePrefix, type NumberFacts, type NumberSource, numberSource } from './schools'
export {
  type DoubleCode,
  doublesIn,
  type Gap,
  gapsIn,
  hasTwoReadings,
  type LabelLine,
  labelsThatDisagree,
  mayClash,
  staleLabels,
} from './reports'
export { endOfRun, FAR, isFarBeyond, nextFree } from './run'
