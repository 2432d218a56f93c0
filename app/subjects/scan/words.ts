import { short } from '#core/grammar'

export const scanWords = {
  title: 'Scan a label',
  short: 'Scan',
  lead: 'Hold the square code of a label into the camera, choose a photo of it, or type the number.',
  leadNoCamera: 'This browser lets pages use no camera. Choose a photo of the square code of a label, or type the number.',
  camera: 'Use the camera',
  stopCamera: 'Stop the camera',
  looking: 'Looking for a code. Hold the label flat, a hand wide away, in good light.',
  noCamera: 'The camera cannot be used: there is none, or the browser was told not to. A photo or the number does as well.',
  photo: 'Choose a photo',
  noCode: 'There is no code in that photo that can be read. Take it nearer, flat and sharp, or type the number.',
  number: 'or the number',
  take: 'Take it',
  foreign: (text: string) => `This code says "${short(text, 60)}", which is no number of this room. It may be a code of something else.`,
} as const
