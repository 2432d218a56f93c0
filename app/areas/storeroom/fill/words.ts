import type { ContainerLift } from '#core/capacity'
import { counted } from '#core/grammar'

const kilograms = (kg: number): string => `${kg.toFixed(1)} kg`

/** How full, how heavy, how long, and what harms. */
export const fillWords = {
  fillTitle: 'How full, how heavy, how long',
  fillLead:
    'From what stands in each container, by the usual thickness of its kinds until ' +
    'rows are measured. How long it lasts goes by what came in the last year.',
  free: 'Free',
  ofZone: (name: string) => `The corner ${name}`,
  learntTitle: 'Thickness of one filled pocket',
  learnt: (thick: string, off: string) => `Learnt from what you measured: ${thick}, plus or minus ${off}`,
  usual: (thick: string) => `As is usual: ${thick}`,
  tooLittle: (thick: string, off: string) => `As is usual: ${thick}; what was measured says too little yet (plus or minus ${off})`,
  measuredLanes: 'Measured rows',
  forget: 'Forget it',
  odd: (expected: string) => `The other rows would make it about ${expected}. Was something else there? Measure it once more.`,
  noLanes: 'No row was measured yet.',
  liftTitle: 'Weight and lifting',
  liftLead:
    'Against the recommended limit of the revised NIOSH lifting equation, for lifting it from its shelf. It ' +
    'is guidance for healthy adults and no more: your own back, your doctor and your local rules come first.',
  lift: (lift: ContainerLift): string => `${kilograms(lift.weightKg)} of ${kilograms(lift.limitKg)} recommended`,
  tooHeavy: 'more than is recommended',
  better: (shelf: string) => `easier to lift from ${shelf}`,
  high: 'high and heavy: lower is safer',
  noneHeavy: 'No container is heavier than is recommended for its shelf.',
  inputs: 'What the limit rests on',
  reach: 'Hands in front of the ankles',
  carryTo: 'Carried to this height',
  twist: 'Turn of the body, in degrees',
  perMinute: 'Lifts a minute',
  hours: 'For so long',
  hoursOf: { 1: 'up to an hour', 2: 'up to two hours', 8: 'up to eight hours' } as Readonly<Record<number, string>>,
  grip: 'Hold',
  grips: { good: 'good: handles', fair: 'fair: a rim', poor: 'poor: nothing to hold' },
  howWorkedOut: 'How this was worked out',
  usualShelf: 'shelf height as is usual; measure your furniture',
  multipliers: (lift: ContainerLift): string =>
    `23 kg x ${Object.values(lift.multipliers)
      .map(each => each.toFixed(2))
      .join(' x ')}`,
  careTitle: 'Light and stickiness',
  sun: (container: string, count: number, kinds: string) =>
    `${container} stands in daylight with ${counted(count, 'set')} that it harms: ${kinds}. A darker place keeps them.`,
  sticky: (set: string, others: string) => `${set} is sticky and lies beside ${others}. Give it a pocket of its own, apart.`,
  noCare: 'Nothing stands in harmful light, and nothing sticky lies beside others.',
} as const
