export { type Fittings, fittingsOf } from './fittings'
export {
  type HolderCount,
  lanesMore,
  planTidy,
  proposeShape,
  shapesFor,
  type TidyChoice,
  type TidyFacts,
  type TidyPlan,
  type ZoneTidy,
} from './plan'
