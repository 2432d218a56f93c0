import { belongingCases } from '../../app/db/commands/belonging/cases'
import { fetchingCases } from '../../app/db/commands/fetching/cases'
import { holdersCases } from '../../app/db/commands/holders/cases'
import { holdingCases } from '../../app/db/commands/holding/cases'
import { linksCases } from '../../app/db/commands/links/cases'
import { namesCases } from '../../app/db/commands/names/cases'
import { paperCases } from '../../app/db/commands/paper/cases'
import { pileCases } from '../../app/db/commands/pile/cases'
import { refilingCases } from '../../app/db/commands/refiling/cases'
import { roomCases } from '../../app/db/commands/room/cases'
import { wholeCases } from '../../app/db/commands/whole/cases'
import type { Cases } from './cases'
import { redo, undo } from '~/db'

/** What a person can do, in any order: the cases of every folder of commands, and undo and redo. */
export const ACTIONS: Cases = {
  ...holdingCases,
  ...pileCases,
  ...namesCases,
  ...belongingCases,
  ...linksCases,
  ...fetchingCases,
  ...roomCases,
  ...holdersCases,
  ...paperCases,
  ...refilingCases,
  ...wholeCases,
  undo: db => undo(db),
  undoAgain: db => undo(db),
  redo: db => redo(db),
}
