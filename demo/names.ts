import type { MotifName } from './motifs'

/** The invented makers of the letter room, with other spellings that stand in its old lists. */
export const BRANDS: readonly { readonly name: string; readonly abbreviation: string; readonly variants: readonly string[] }[] = [
  { name: 'Greywether', abbreviation: 'GW', variants: ['Grey Wether'] },
  { name: 'Plumb Bob Paperworks', abbreviation: 'PB', variants: ['Plumb Bob'] },
  { name: 'Ninefold Dies', abbreviation: '9F', variants: ['Ninefold'] },
  { name: 'Marrow & Finch', abbreviation: 'M&F', variants: ['Marrow and Finch'] },
  { name: 'Quoin & Bodkin', abbreviation: 'Q&B', variants: ['Quoin + Bodkin'] },
  { name: 'Salt Lantern', abbreviation: 'SL', variants: ['Salt Lantern Studio'] },
  { name: 'Oddment Yard', abbreviation: 'OY', variants: ['Oddment Yard Co.'] },
  { name: 'Copperlatch', abbreviation: 'CL', variants: ['Copper Latch'] },
  { name: 'Tidewrack Press', abbreviation: 'TW', variants: ['Tidewrack'] },
  { name: 'Fathom & Quill', abbreviation: 'F&Q', variants: [] },
  { name: 'Gannet House', abbreviation: 'GH', variants: [] },
  { name: 'Bellrope Row', abbreviation: 'BR', variants: [] },
]

export interface ThemeStock {
  readonly name: string
  readonly motifs: readonly MotifName[]
  readonly phrases: readonly string[]
}

/** Themes in the letter room's own order, each with what its stamps picture and say. */
export const THEMES: readonly ThemeStock[] = [
  {
    name: 'Harbour',
    motifs: ['anchor', 'boat', 'lighthouse', 'buoy', 'wheel', 'gull', 'wave'],
    phrases: [
      'safe harbour',
      'fair winds',
      'home with the tide',
      'all hands',
      'follow the light',
      'the quay is waiting',
      'steady as she goes',
    ],
  },
  {
    name: 'Weather',
    motifs: ['cloud', 'sun', 'umbrella', 'barometer', 'kite', 'moon'],
    phrases: ['after the rain', 'set fair', 'whatever the weather', 'a change is coming', 'storm in a teacup', 'wind from the west'],
  },
  {
    name: 'Post and parcels',
    motifs: ['envelope', 'parcel', 'postmark', 'postbox', 'bottle'],
    phrases: ['handle with love', 'by return of post', 'this way up', 'a parcel for you', 'signed and sealed', 'with the morning boat'],
  },
  {
    name: 'Letters home',
    motifs: ['quill', 'inkpot', 'envelope', 'house', 'teacup', 'lantern'],
    phrases: [
      'thinking of you',
      'a line from me',
      'wish you were here',
      'counting the days',
      'with love from far away',
      'write soon',
      'miss you more than tea',
    ],
  },
  {
    name: 'Birthdays',
    motifs: ['cake', 'balloon', 'gift', 'bunting', 'candle', 'star'],
    phrases: [
      'happy birthday',
      'joyeux anniversaire',
      'alles Gute',
      'feliz cumpleaños',
      'tanti auguri',
      'gratulerer med dagen',
      'another year afloat',
      'make a wish',
    ],
  },
  {
    name: 'Winter lights',
    motifs: ['snowflake', 'lantern', 'candle', 'tree', 'mitten', 'bell', 'star'],
    phrases: ['warm wishes', 'peace on the water', 'light the long night', 'merry and bright', 'glad tidings', 'let it snow'],
  },
  {
    name: 'Tide pools',
    motifs: ['limpet', 'starfish', 'kelp', 'scallop', 'crab', 'fish'],
    phrases: ['you are a treasure', 'small wonders', 'shore thing', 'look closer', 'hello from the rocks', 'drift a while'],
  },
  {
    name: 'Botanicals',
    motifs: ['fern', 'sprig', 'flower', 'tulip', 'wreath', 'acorn', 'mushroom'],
    phrases: ['bloom where you land', 'with sympathy', 'gather gently', 'a garden of thanks', 'growing strong', 'in full leaf'],
  },
  {
    name: 'Tools and rope',
    motifs: ['hammer', 'spanner', 'knot', 'coil', 'key', 'anchor'],
    phrases: ['well made', 'you fixed it', 'tied with care', 'measure twice', 'best mate', 'a safe pair of hands'],
  },
  {
    name: 'Thanks',
    motifs: ['heart', 'flower', 'bird', 'teacup', 'sprig'],
    phrases: ['thank you', 'many thanks', 'ever so kind', 'much obliged', 'so grateful', 'tusen takk', 'merci'],
  },
  {
    name: 'Night watch',
    motifs: ['moon', 'star', 'lantern', 'compass', 'bird', 'boat'],
    phrases: ['sleep well', 'under the same moon', 'all is well', 'stars to steer by', 'quiet hours'],
  },
  {
    name: 'Friends',
    motifs: ['heart', 'bird', 'kite', 'teacup', 'balloon', 'house'],
    phrases: ['hello you', 'old friend', 'come aboard', 'two of a kind', 'you make my day', 'better together'],
  },
]

export const FIRST_WORDS = [
  'Quiet',
  'Borrowed',
  'Northern',
  'Painted',
  'Hidden',
  'Sleepy',
  'Bright',
  'Mossy',
  'Faded',
  'Little',
  'Tangled',
  'Copper',
  'Merry',
  'Midnight',
  'Paper',
  'Bold',
  'Garden',
  'Salted',
  'Windward',
  'Homeward',
  'Lantern',
  'Slack-water',
  'Sunday',
  'First',
  'Driftwood',
] as const

/** Last words of a name, by category. */
export const LAST_WORDS: Readonly<Record<string, readonly string[]>> = {
  Images: ['Study', 'Trio', 'Sampler', 'Corner', 'Silhouettes', 'Builder'],
  Sentiments: ['Greetings', 'Sentiments', 'Notes', 'Wishes', 'Lines'],
  Alphabets: ['Alphabet', 'Capitals', 'Letters'],
  Numbers: ['Numbers', 'Numerals'],
  Borders: ['Border', 'Edges', 'Strips'],
  Backgrounds: ['Backdrop', 'Pattern', 'Ground'],
  Shapes: ['Shapes', 'Nesting Rounds', 'Outlines'],
  'Frames and tags': ['Frames', 'Tags', 'Labels'],
}
