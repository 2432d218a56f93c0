import type { PatternFault } from '#core/room'

/** Corners, their order, and how addresses are written. */
export const zoneWords = {
  zonesTitle: 'Corners and addresses',
  zonesLead: 'A corner of the room: bins, drawers and binders that are filed in one way, with room kept for new sets and a limit.',
  newZone: 'New corner',
  zoneName: 'Name',
  takes: 'Takes these kinds',
  takesAll: 'everything that no other corner takes',
  growth: 'Room kept for new sets, in percent',
  capField: 'At most so many sets',
  capHint: 'Left empty, there is no limit',
  dies: 'Dies',
  diesOf: { apart: 'in the order of the rule', behind: 'directly behind their stamps' },
  members: 'What belongs to it',
  membersHint: 'Tick what is to be filed here. It leaves the corner whose name stands below it; nothing is moved.',
  endZone: 'Close this corner',
  endZoneInto: (name: string) => `its bins, drawers and binders go over to ${name}`,
  rule: 'In the order of',
  addressTitle: 'How addresses are written',
  addressLead: 'Choose what they look like, for each sort of bin, drawer or binder.',
  patternMore: 'More: written my own way',
  tokens: (tokens: string) => `Can be filled in: ${tokens}. {cell:2} writes two figures. All else stands as you write it.`,
  pattern: 'Written as',
  usualPattern: 'as is usual',
  sample: (address: string) => `for example ${address}`,
  noSample: 'none of these in the room',
  patternFault: (fault: PatternFault, placeOf: (at: 0 | 1) => string): string => {
    if (fault.code === 'unknownToken') return `{${fault.token}} is nothing that can be filled in.`
    return fault.code === 'noToken'
      ? 'Every address would be the same: let something be filled in.'
      : `${fault.address} would name two places: ${placeOf(0)} and ${placeOf(1)}.`
  },
  patternKept: 'Addresses are written so from now on. Labels that say otherwise are stale.',
  ruleTitle: (zone: string) => `The order of ${zone}`,
  ruleHint: 'Up to three, the first one first. Nothing is moved by a change; new sets go by the new order.',
  ruleKey: (index: number) => ['First by', 'then by', 'and then by'][index] ?? '',
  noKey: 'nothing more',
  orders: { alphabetical: 'in alphabetical order', asItself: 'each under its own name', own: 'in my own order', ascending: 'rising' },
} as const
